package org.opensatchel.web.course;

import java.util.Locale;

/** What becomes of a hand-in that comes after its deadline. */
public enum AfterDue {
    /** It is refused. */
    CLOSED,
    /** It is taken, and marked as late. */
    LATE,
    /** It is taken, and nobody minds. */
    OPEN;

    /** As it stands in forms and bundles. */
    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }
}
