package org.opensatchel.formats.described;

import java.util.List;
import java.util.SortedSet;
import java.util.TreeSet;

/**
 * Documents of one kind: how they are told from others, and where their links stand.
 *
 * @param files which files usually are such documents; a changed ending does not hide one
 * @param begins what their content begins with
 * @param unwrap the layers their content is wrapped in, from outside
 * @param undecided places that the examples say too little of; never judged by
 * @param absolute whether their program writes whole paths only
 * @param known what documents of this kind are made of, as far as that was seen and is not too much; empty where it is not told
 */
public record Kind(String files, Begins begins, List<Wrap> unwrap, Content content, List<Slot> slots, List<Slot> undecided,
        boolean absolute, SortedSet<String> known) {

    public Kind {
        unwrap = List.copyOf(unwrap);
        slots = List.copyOf(slots);
        undecided = List.copyOf(undecided);
        known = new TreeSet<>(known);
    }

    /**
     * What all of them begin with, once they are unwrapped.
     *
     * @param bytes their first bytes, in hexadecimal
     * @param root the local name of the first XML element
     * @param keys names at the top of a tree
     * @param line the first word of the first line, {@code #} for digits
     */
    public record Begins(String bytes, String root, List<String> keys, String line) {

        public static final Begins NOTHING = new Begins("", "", List.of(), "");

        public Begins {
            keys = List.copyOf(keys);
        }

        /** How much it fixes: of two kinds that take a file, the one that fixes more is meant. */
        int weight() {
            return 2 * bytes.length() + 4 * (root.isEmpty() ? 0 : 1 + Math.min(3, root.length() / 3)) + 3 * Math.min(6, keys.size())
                    + (line.isEmpty() ? 0 : 3);
        }

        /** Whether it tells documents of this kind whatever their ending. */
        boolean isTelling() {
            return bytes.length() >= 8 || !root.isEmpty();
        }
    }
}
