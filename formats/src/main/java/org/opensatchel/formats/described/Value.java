package org.opensatchel.formats.described;

import java.util.Base64;
import java.util.Optional;

/** A value without what a document wraps it in: base64, and signs behind a backslash. */
public final class Value {

    private static final int LONGEST = 64 << 10;

    private Value() {
    }

    static String of(Slot slot, String text) {
        String bare = text.strip();
        if (slot.base64()) {
            bare = unwrapped(bare).orElse(bare);
        }
        return slot.escapes() ? unescaped(bare) : bare;
    }

    /** What a text in base64 (RFC 4648, sections 4 and 5) holds, when that is a text of one line. */
    public static Optional<String> unwrapped(String text) {
        if (text.length() < 4 || text.length() > LONGEST || !text.chars().allMatch(Value::isBase64)) {
            return Optional.empty();
        }
        byte[] bytes;
        try {
            String plain = text.replace('-', '+').replace('_', '/');
            bytes = Base64.getMimeDecoder().decode(plain);
        } catch (IllegalArgumentException none) {
            return Optional.empty();
        }
        boolean wide = bytes.length >= 4 && bytes.length % 2 == 0 && bytes[1] == 0 && bytes[3] == 0;
        return (wide ? Chars.UTF_16LE : Chars.UTF_8).decode(bytes, 0, bytes.length).filter(inner -> !inner.isEmpty());
    }

    private static boolean isBase64(int c) {
        return (c >= 'A' && c <= 'Z') || (c >= 'a' && c <= 'z') || (c >= '0' && c <= '9') || "+/=-_\r\n".indexOf(c) >= 0;
    }

    /** With every sign behind a backslash as it is meant, and {@code \}{@code uXXXX} and {@code \xXX} as what they stand for. */
    public static String unescaped(String text) {
        if (text.indexOf('\\') < 0) {
            return text;
        }
        StringBuilder out = new StringBuilder(text.length());
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            if (c != '\\' || i + 1 == text.length()) {
                out.append(c);
                continue;
            }
            char next = text.charAt(++i);
            int digits = next == 'u' ? 4 : next == 'x' ? 2 : 0;
            Optional<Character> coded = digits == 0 ? Optional.empty() : coded(text, i + 1, digits);
            out.append(coded.isPresent() ? coded.get() : next);
            i += coded.isPresent() ? digits : 0;
        }
        return out.toString();
    }

    private static Optional<Character> coded(String text, int from, int digits) {
        if (from + digits > text.length()) {
            return Optional.empty();
        }
        try {
            return Optional.of((char) Integer.parseInt(text.substring(from, from + digits), 16));
        } catch (NumberFormatException none) {
            return Optional.empty();
        }
    }
}
