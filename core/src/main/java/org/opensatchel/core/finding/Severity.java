package org.opensatchel.core.finding;

import java.util.Locale;

/** How much a finding weighs; the order is that of the report. */
public enum Severity {
    /** Not gradable until it is fixed. */
    MUST,
    /** Opens here, but not everywhere. */
    SHOULD,
    /** Worth knowing; nothing has to be done. */
    NOTE;

    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** The graver of the two. */
    public Severity atLeast(Severity limit) {
        return compareTo(limit) <= 0 ? this : limit;
    }

    /** The milder of the two. */
    public Severity atMost(Severity limit) {
        return compareTo(limit) >= 0 ? this : limit;
    }
}
