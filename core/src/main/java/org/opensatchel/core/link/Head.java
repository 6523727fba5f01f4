package org.opensatchel.core.link;

import java.nio.charset.StandardCharsets;
import java.util.Locale;

/** How a file begins, as bytes and as a guess at its text, for telling its format. */
public final class Head {

    private final byte[] bytes;
    private String text;

    public Head(byte[] bytes) {
        this.bytes = bytes;
    }

    public boolean startsWith(int... signature) {
        if (bytes.length < signature.length) {
            return false;
        }
        for (int i = 0; i < signature.length; i++) {
            if ((bytes[i] & 0xFF) != signature[i]) {
                return false;
            }
        }
        return true;
    }

    /** The beginning as text with byte-order marks, zero bytes (of UTF-16 and UTF-32) and leading blanks gone. */
    public String text() {
        if (text == null) {
            text = new String(bytes, StandardCharsets.ISO_8859_1).replace("\u00ef\u00bb\u00bf", "").replace("\u00ff\u00fe", "").replace("\u00fe\u00ff", "")
                    .replace("\0", "").stripLeading();
        }
        return text;
    }

    public boolean looksLikeJson() {
        return text().startsWith("{") || text().startsWith("[");
    }

    public boolean looksLikeXml() {
        return text().startsWith("<");
    }

    /** Whether the beginning holds a word, letter case overlooked. */
    public boolean mentions(String word) {
        return text().toLowerCase(Locale.ROOT).contains(word.toLowerCase(Locale.ROOT));
    }

    /** Whether there are bytes that stand in no text. */
    public boolean isBinary() {
        return text().chars().limit(1_024).anyMatch(c -> c < 9 || (c > 13 && c < 27));
    }
}
