package org.opensatchel.formats.described;

import java.util.List;
import java.util.Optional;
import org.opensatchel.base.json.JsonFault;

/** A profile, or everything that is wrong with its document. */
public record ProfileReading(Optional<Profile> profile, List<JsonFault> faults) {

    public ProfileReading {
        faults = List.copyOf(faults);
    }
}
