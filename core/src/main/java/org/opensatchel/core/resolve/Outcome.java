package org.opensatchel.core.resolve;

import java.util.Locale;

/** Where a link leads. */
public enum Outcome {
    /** Inside the project or a companion, found under exactly this name. */
    OK,
    /** Needs no file. */
    EMBEDDED,
    /** Absolute, but the file is inside the project. */
    PINNED,
    /** Found only when what some systems overlook is overlooked. */
    MISSPELT,
    /** Not there, but the project holds it elsewhere. */
    MOVED,
    /** Leads out of the project. */
    OUTSIDE,
    /** Should be inside, and nothing like it is. */
    MISSING,
    /** On the web. */
    REMOTE,
    /** Cannot be told. */
    UNKNOWN;

    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** Whether the document opens this link wherever the project lies. */
    public boolean isSound() {
        return this == OK || this == EMBEDDED;
    }
}
