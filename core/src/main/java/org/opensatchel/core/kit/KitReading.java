package org.opensatchel.core.kit;

import java.util.List;
import java.util.Optional;
import org.opensatchel.base.json.JsonFault;

/** A kit, or everything that is wrong with its document. */
public record KitReading(Optional<Kit> kit, List<JsonFault> faults) {

    public KitReading {
        faults = List.copyOf(faults);
    }
}
