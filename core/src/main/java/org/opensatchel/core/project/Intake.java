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

    /** What is said of a folder that is not looked into, completing “The folder …”. */
    static String tooDeep(ReadLimits limits) {
        return "lies more than " + limits.depth() + " folders deep and was not looked into";
    }

    static Intake bomb(String message) {
        return new Blocked(Code.PACKAGE_BOMB, message);
    }
}
