package org.opensatchel.base.path;

import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.util.Locale;

/** Percent-encoding (RFC 3986 section 2.1), undone leniently: a stray percent sign is kept as it is. */
public final class PercentCoding {

    private PercentCoding() {
    }

    /** The text with its UTF-8 escapes undone; a run of escapes that is no UTF-8 stays as written. */
    public static String decode(String text) {
        if (text.indexOf('%') < 0) {
            return text;
        }
        StringBuilder out = new StringBuilder(text.length());
        int at = 0;
        while (at < text.length()) {
            if (!isEscape(text, at)) {
                out.append(text.charAt(at++));
                continue;
            }
            int end = at;
            ByteArrayOutputStream bytes = new ByteArrayOutputStream();
            while (isEscape(text, end)) {
                bytes.write(Integer.parseInt(text.substring(end + 1, end + 3), 16));
                end += 3;
            }
            out.append(utf8(bytes.toByteArray(), text.substring(at, end)));
            at = end;
        }
        return out.toString();
    }

    private static boolean isEscape(String text, int at) {
        return at + 2 < text.length() && text.charAt(at) == '%'
                && Character.digit(text.charAt(at + 1), 16) >= 0 && Character.digit(text.charAt(at + 2), 16) >= 0
                && text.charAt(at + 1) < 128 && text.charAt(at + 2) < 128;
    }

    private static String utf8(byte[] bytes, String asWritten) {
        try {
            return StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(bytes)).toString();
        } catch (CharacterCodingException notUtf8) {
            return asWritten;
        }
    }

    /** A path as a URI reference has it: everything that could be read as something else is encoded, slashes are kept. */
    public static String encode(String path) {
        StringBuilder out = new StringBuilder(path.length() + 16);
        for (byte b : path.getBytes(StandardCharsets.UTF_8)) {
            char c = (char) (b & 0xFF);
            boolean plain = (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z') || (c >= '0' && c <= '9') || "-._~/!'()*".indexOf(c) >= 0;
            out.append(plain ? String.valueOf(c) : String.format(Locale.ROOT, "%%%02X", (int) c));
        }
        return out.toString();
    }
}
