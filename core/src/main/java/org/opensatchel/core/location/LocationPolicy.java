package org.opensatchel.core.location;

import java.util.List;

/**
 * Where a kit wants its projects.
 *
 * @param storage the kinds of disk allowed; empty for any
 * @param avoid the places to keep away from
 * @param maxRootLength longest path of the root in characters, 0 for no limit
 */
public record LocationPolicy(List<StorageKind> storage, List<Avoided> avoid, int maxRootLength) {

    /** Places that are emptied, hidden or kept by a system. */
    public enum Avoided {
        DESKTOP, DOWNLOADS, TEMPORARY, SYNCED, DOCUMENTS, SYSTEM
    }

    public static final LocationPolicy ANYWHERE = new LocationPolicy(List.of(), List.of(), 0);

    public LocationPolicy {
        storage = List.copyOf(storage);
        avoid = List.copyOf(avoid);
    }
}
