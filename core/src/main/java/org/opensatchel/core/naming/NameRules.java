package org.opensatchel.core.naming;

import java.util.List;

/**
 * The kit's rules for the names of files and folders.
 *
 * @param spaces whether spaces may stand in names
 * @param letters which letter case is asked for
 * @param maxLength longest name in code points with its extension, 0 for no limit
 * @param portable whether a name must be possible on every system
 * @param avoid words a name must not hold; case, and the signs and digits around them, are overlooked
 * @param wholeWords whether a digit beside a word makes it another word
 */
public record NameRules(boolean spaces, Letters letters, int maxLength, boolean portable, boolean ascii, List<String> avoid,
        boolean wholeWords) {

    /** The letter case asked for. */
    public enum Letters {
        ANY, LOWER, UPPER
    }

    /** What holds where a kit has no rules for names: they only have to be portable. */
    public static final NameRules DEFAULT = new NameRules(true, Letters.ANY, 0, true, false, List.of(), false);

    public NameRules {
        avoid = List.copyOf(avoid);
    }
}
