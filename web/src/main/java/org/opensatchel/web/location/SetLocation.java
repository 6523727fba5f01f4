package org.opensatchel.web.location;

import java.time.Instant;
import java.util.Optional;
import org.opensatchel.core.location.LocationJudge;
import org.opensatchel.core.location.ProjectLocation;
import org.opensatchel.core.location.StorageKind;
import org.opensatchel.core.machine.OperatingSystem;

/** A location as it was set, with how many faults it had then. */
public record SetLocation(long id, long enrolmentId, OperatingSystem system, StorageKind storage, String path, int must, int should, Instant setAt) {

    public ProjectLocation location() {
        return new ProjectLocation(Optional.of(system), Optional.of(storage), path);
    }

    public String systemWord() {
        return LocationJudge.systemWord(system);
    }

    public String storageWord() {
        return StorageChoice.words(storage);
    }
}
