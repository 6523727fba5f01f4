package org.opensatchel.web.location;

import java.util.Optional;
import org.opensatchel.core.location.ProjectLocation;
import org.opensatchel.core.location.StorageKind;
import org.opensatchel.core.machine.OperatingSystem;

/** What the location page sends. */
record LocationForm(OperatingSystem system, StorageKind storage, String path) {

    LocationForm {
        system = system == null ? OperatingSystem.WINDOWS : system;
        storage = storage == null ? StorageKind.REMOVABLE : storage;
        path = path == null ? "" : path;
    }

    ProjectLocation location() {
        return new ProjectLocation(Optional.of(system), Optional.of(storage), path);
    }

    static LocationForm of(SetLocation set) {
        return new LocationForm(set.system(), set.storage(), set.path());
    }
}
