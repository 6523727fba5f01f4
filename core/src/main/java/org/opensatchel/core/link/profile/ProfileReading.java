package org.opensatchel.core.link.profile;

import java.util.List;
import java.util.Optional;
import org.opensatchel.core.json.JsonFault;

/** A profile, or everything that is wrong with its document. */
public record ProfileReading(Optional<Profile> profile, List<JsonFault> faults) {

    public ProfileReading {
        faults = List.copyOf(faults);
    }
}
