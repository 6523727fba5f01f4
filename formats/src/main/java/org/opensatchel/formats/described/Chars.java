package org.opensatchel.formats.described;

import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Optional;

/** How a text among bytes is encoded. */
public enum Chars {
    UTF_8("utf-8", StandardCharsets.UTF_8, 1),
    UTF_16LE("utf-16le", StandardCharsets.UTF_16LE, 2),
    UTF_16BE("utf-16be",
            StandardCharsets.UTF_16BE, 2);

    private final String word;
    private final Charset charset;
    private final int width;

    Chars(String word, Charset charset, int width) {
        this.word = word;
        this.charset = charset;
        this.width = width;
    }

    public String word() {
        return word;
    }

    /** Bytes of its smallest unit. */
    int width() {
        return width;
    }

    static Optional<Chars> of(String word) {
        return Arrays.stream(values()).filter(chars -> chars.word.equals(word)).findFirst();
    }

    boolean isZero(byte[] bytes, int at) {
        return bytes[at] == 0 && (width == 1 || bytes[at + 1] == 0);
    }

    /** The unit at a place, as far as it is one that stands in a text; 0 for any other. */
    char sign(byte[] bytes, int at) {
        int unit = width == 1 ? bytes[at] & 0xFF
                : this == UTF_16LE ? (bytes[at] & 0xFF) | (bytes[at + 1] & 0xFF) << 8 : (bytes[at] & 0xFF) << 8 | (bytes[at + 1] & 0xFF);
        return unit < ' ' || unit == 0x7F ? 0 : (char) unit;
    }

    /** The text; empty where the bytes are none, or hold signs that stand in no path. */
    Optional<String> decode(byte[] bytes, int from, int length) {
        try {
            String text = charset.newDecoder().onMalformedInput(CodingErrorAction.REPORT).onUnmappableCharacter(CodingErrorAction.REPORT)
                    .decode(ByteBuffer.wrap(bytes, from, length)).toString();
            return text.chars().allMatch(c -> c >= ' ' && c != 0x7F) ? Optional.of(text) : Optional.empty();
        } catch (CharacterCodingException none) {
            return Optional.empty();
        }
    }
}
