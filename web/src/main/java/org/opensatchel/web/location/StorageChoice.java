package org.opensatchel.web.location;

import org.opensatchel.core.location.StorageKind;

/** The kinds of disk in the words of the page. */
final class StorageChoice {

    private StorageChoice() {
    }

    static String words(StorageKind kind) {
        return switch (kind) {
            case LOCAL -> "inside the computer";
            case REMOVABLE -> "a drive you carry";
            case NETWORK -> "the school's network";
            case SYNCED -> "a synced folder";
            case HOME -> "your home folder";
        };
    }
}
