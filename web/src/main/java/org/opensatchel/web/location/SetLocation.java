package org.opensatchel.web.location;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.opensatchel.base.fact.Wording;
import org.opensatchel.core.location.LocationJudge;
import org.opensatchel.core.location.OperatingSystem;
import org.opensatchel.core.location.ProjectLocation;
import org.opensatchel.core.location.StorageKind;

/**
 * A location as it was set, with how many faults it had then.
 *
 * @param computer what its student calls that computer; empty for who has one
 */
public record SetLocation(long id, long enrolmentId, String computer, OperatingSystem system, StorageKind storage, String path, int must,
        int should,
        Instant setAt) {

    public ProjectLocation location() {
        return new ProjectLocation(Optional.of(system), Optional.of(storage), path);
    }

    /** The name of the folder, as the path ends. */
    public String rootName() {
        List<String> parts = LocationJudge.parts(path);
        return parts.isEmpty() ? path : parts.get(parts.size() - 1);
    }

    /** Whether it is a path with a drive's letter. */
    public boolean isLettered() {
        return path.matches("[A-Za-z]:.*");
    }

    public boolean isFine() {
        return must == 0 && should == 0;
    }

    /** As the bundles of words call them. */
    public String systemKey() {
        return Wording.word(system);
    }

    public String storageKey() {
        return Wording.word(storage);
    }
}
