package org.opensatchel.formats.described;

import java.util.List;

/**
 * What is known of a program's documents: where they keep their links. Learned from an example, or written by hand; it names no program.
 *
 * @param title what people call it
 * @param kinds the kinds of documents, the one with most links first
 */
public record Profile(String title, List<Kind> kinds) {

    public static final int VERSION = 1;
    public static final String SUFFIX = ".profile.json";
    /** Longer documents are no profiles. */
    public static final int MAX_BYTES = 4 << 20;

    public Profile {
        kinds = List.copyOf(kinds);
    }
}
