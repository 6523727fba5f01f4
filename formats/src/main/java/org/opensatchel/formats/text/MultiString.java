package org.opensatchel.formats.text;

import java.util.ArrayList;
import java.util.List;

/**
 * The strings of an X3D field of type MFString (ISO/IEC 19776-1, 5.15): in quotation marks, backslashes undone; without marks it is one
 * string.
 */
public final class MultiString {

    /**
     * One of them.
     *
     * @param offset where it begins in the field's text
     */
    public record Item(int offset, String text) {}

    private MultiString() {
    }

    public static List<Item> read(String field) {
        List<Item> out = new ArrayList<>();
        int at = field.indexOf('"');
        if (at < 0) {
            String bare = field.strip();
            return bare.isEmpty() ? out
                    : List.of(new Item(field.indexOf(bare),
                            bare.startsWith("'") && bare.endsWith("'") && bare.length() > 1 ? bare.substring(1, bare.length() - 1) : bare));
        }
        while (at >= 0 && at < field.length()) {
            int start = at + 1;
            StringBuilder text = new StringBuilder();
            int end = quoted(field, start, text);
            out.add(new Item(start, text.toString()));
            at = field.indexOf('"', end + 1);
        }
        return out;
    }

    /** Reads a quoted string from behind its first mark; gives where its last mark is, or the end. */
    public static int quoted(String text, int from, StringBuilder into) {
        int at = from;
        while (at < text.length() && text.charAt(at) != '"') {
            boolean escaped = text.charAt(at) == '\\' && at + 1 < text.length()
                    && (text.charAt(at + 1) == '"' || text.charAt(at + 1) == '\\');
            into.append(text.charAt(escaped ? at + 1 : at));
            at += escaped ? 2 : 1;
        }
        return at;
    }
}
