package org.opensatchel.core.project;

import java.util.List;

/**
 * How the names of a source were read that do not say in which code page they are written.
 *
 * @param undecided those of them that may be something else, as they were read; empty where every name says what it is
 * @param sure whether anything speaks for the way they were read
 */
public record NameChoice(List<String> undecided, boolean sure) {

    /** Every name says what it is. */
    public static final NameChoice CLEAR = new NameChoice(List.of(), true);

    public boolean isOpen() {
        return !undecided.isEmpty();
    }

    /** Whether a path goes through a name that nobody is sure of. */
    public boolean isUnsure(String path) {
        return !sure && !path.chars().allMatch(c -> c < 128);
    }
}
