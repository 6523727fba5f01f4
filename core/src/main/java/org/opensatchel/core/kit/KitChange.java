package org.opensatchel.core.kit;

import java.util.Locale;
import org.opensatchel.base.fact.Phrase;

/**
 * One difference between two versions of a kit.
 *
 * @param part the part of the kit document, like {@code folders}
 * @param name what in that part, empty for the part itself
 * @param what the difference
 */
public record KitChange(String part, Kind kind, String name, Phrase what) {

    /** What happened. */
    public enum Kind {
        ADDED, REMOVED, CHANGED;

        public String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }
}
