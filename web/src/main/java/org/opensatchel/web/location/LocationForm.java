package org.opensatchel.web.location;

import java.util.Optional;
import org.opensatchel.core.location.OperatingSystem;
import org.opensatchel.core.location.ProjectLocation;
import org.opensatchel.core.location.StorageKind;

/** What the location page sends. */
record LocationForm(OperatingSystem system, StorageKind storage, String path, String computer, String was) {

    private static final int LONGEST_NAME = 60;

    LocationForm {
        system = system == null ? OperatingSystem.WINDOWS : system;
        storage = storage == null ? StorageKind.REMOVABLE : storage;
        path = path == null ? "" : path;
        String named = computer == null ? "" : computer.replace("\0", "").strip();
        computer = named.codePointCount(0, named.length()) <= LONGEST_NAME ? named
                : named.substring(0, named.offsetByCodePoints(0, LONGEST_NAME));
    }

    /** Whether somebody gave a computer that they named before another name. */
    boolean isRenamed() {
        return was != null && !was.equals(computer);
    }

    ProjectLocation location() {
        return new ProjectLocation(Optional.of(system), Optional.of(storage), path);
    }

    static LocationForm of(SetLocation set) {
        return new LocationForm(set.system(), set.storage(), set.path(), set.computer(), set.computer());
    }
}
