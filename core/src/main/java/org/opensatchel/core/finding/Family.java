package org.opensatchel.core.finding;

import java.util.Locale;

/** What a finding is about; the order is that of the report. */
public enum Family {
    PACKAGE, STRUCTURE, NAME, LINK, ASSET, MEDIA, TIMELINE, HABIT, LOCATION;

    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }
}
