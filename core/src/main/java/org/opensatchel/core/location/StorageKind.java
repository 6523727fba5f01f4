package org.opensatchel.core.location;

import java.util.Locale;

/** What kind of disk a project lies on. */
public enum StorageKind {
    LOCAL, REMOVABLE, NETWORK, SYNCED, HOME;

    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }
}
