package org.opensatchel.core.location;

import java.util.Optional;

/**
 * Where a student says the root lies.
 *
 * @param path the absolute path of the root, as typed
 */
public record ProjectLocation(Optional<OperatingSystem> system, Optional<StorageKind> storage, String path) {

    public static ProjectLocation of(String path) {
        return new ProjectLocation(Optional.empty(), Optional.empty(), path);
    }
}
