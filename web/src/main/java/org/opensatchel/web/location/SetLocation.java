package org.opensatchel.web.location;

import java.time.Instant;
import java.util.Optional;
import org.opensatchel.core.fact.Wording;
import org.opensatchel.core.location.ProjectLocation;
import org.opensatchel.core.location.StorageKind;
import org.opensatchel.core.machine.OperatingSystem;

/** A location as it was set, with how many faults it had then. */
public record SetLocation(long id, long enrolmentId, OperatingSystem system, StorageKind storage, String path, int must, int should,
        Instant setAt) {

    public ProjectLocation location() {
        return new ProjectLocation(Optional.of(system), Optional.of(storage), path);
    }

    /** As the bundles of words call them. */
    public String systemKey() {
        return Wording.word(system);
    }

    public String storageKey() {
        return Wording.word(storage);
    }
}
