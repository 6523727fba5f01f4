package org.opensatchel.base.text;

/**
 * Texts that are too long, made short with an ellipsis for what is left out. No letter is split: neither the two halves of one (UTF-16), nor a
 * letter and the marks that stand on it. Lengths are in characters of UTF-16.
 */
public final class Shortened {

    private static final String ELLIPSIS = "…";
    private static final int JOINER = 0x200D;
    /** Nobody writes so many marks on a letter; a text of nothing but marks is cut all the same. */
    private static final int MOST_MARKS = 16;

    private Shortened() {
    }

    /** The beginning of a text, at most so long with its ellipsis. */
    public static String end(String text, int most) {
        return text.length() <= most ? text : text.substring(0, before(text, most - ELLIPSIS.length())) + ELLIPSIS;
    }

    /** The beginning of a text, at most so long, and nothing for what is left out: for what is stored and not read. */
    public static String cut(String text, int most) {
        return text.length() <= most ? text : text.substring(0, before(text, most));
    }

    /**
     * A text without its middle, at most so long with its ellipsis: of names and paths the end says most.
     *
     * @param tail so much of its end is kept
     */
    public static String middle(String text, int most, int tail) {
        if (text.length() <= most) {
            return text;
        }
        return text.substring(0, before(text, most - tail - ELLIPSIS.length())) + ELLIPSIS
                + text.substring(after(text, text.length() - tail));
    }

    private static int before(String text, int at) {
        int border = Math.max(0, at);
        for (int i = 0; i < MOST_MARKS && border > 0 && isInside(text, border); i++) {
            border--;
        }
        return isHalf(text, border) ? border - 1 : border;
    }

    private static int after(String text, int at) {
        int border = Math.max(0, at);
        for (int i = 0; i < MOST_MARKS && border < text.length() && isInside(text, border); i++) {
            border++;
        }
        return isHalf(text, border) ? border + 1 : border;
    }

    /** Whether what stands at a place belongs to what stands before it. */
    private static boolean isInside(String text, int at) {
        if (at <= 0 || at >= text.length()) {
            return false;
        }
        if (isHalf(text, at)) {
            return true;
        }
        int point = text.codePointAt(at);
        int type = Character.getType(point);
        return type == Character.NON_SPACING_MARK || type == Character.ENCLOSING_MARK || type == Character.COMBINING_SPACING_MARK
                || point == JOINER || text.charAt(at - 1) == JOINER;
    }

    private static boolean isHalf(String text, int at) {
        return at > 0 && at < text.length() && Character.isLowSurrogate(text.charAt(at)) && Character.isHighSurrogate(text.charAt(at - 1));
    }
}
