package org.opensatchel.core.project;

import org.opensatchel.core.finding.Code;

/** What came of opening a source. */
public sealed interface Intake {

    /** It could be listed. */
    record Opened(SourceListing listing) implements Intake {
    }

    /** It cannot be checked at all. */
    record Blocked(Code code, String message) implements Intake {
    }

    static Intake unreadable(String message) {
        return new Blocked(Code.PACKAGE_UNREADABLE, message);
    }

    static Intake bomb(String message) {
        return new Blocked(Code.PACKAGE_BOMB, message);
    }
}
