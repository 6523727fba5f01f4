package org.opensatchel.web.text;

/**
 * A name with what is wrong in it.
 *
 * @param differs where it goes wrong; empty, with the whole name before it, where nothing is to be marked
 */
public record Marked(String before, String differs, String after) {

    public static Marked whole(String name) {
        return new Marked(name, "", "");
    }

    /** A name held against the right one; two that share next to nothing differ as a whole, and nothing is marked. */
    public static Marked between(String name, String right) {
        int most = Math.min(name.length(), right.length());
        int start = 0;
        while (start < most && name.charAt(start) == right.charAt(start)) {
            start++;
        }
        int end = 0;
        while (end < most - start && name.charAt(name.length() - 1 - end) == right.charAt(right.length() - 1 - end)) {
            end++;
        }
        boolean unlike = (start + end) * 3 < right.length();
        return unlike ? whole(name)
                : new Marked(name.substring(0, start), name.substring(start, name.length() - end), name.substring(name.length() - end));
    }
}
