package org.opensatchel.formats.text;

import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import org.opensatchel.base.place.SourcePosition;
import org.opensatchel.formats.link.ReadWording;
import org.opensatchel.formats.link.Unreadable;

/** Turns bytes of unknown encoding into text: by byte-order mark, as UTF-8 where valid, else as Windows-1252. */
public final class TextDecoding {

    private static final Charset LATIN = Charset.forName("windows-1252");

    private TextDecoding() {
    }

    public static String decode(byte[] bytes) {
        if (starts(bytes, 0xEF, 0xBB, 0xBF)) {
            return new String(bytes, 3, bytes.length - 3, StandardCharsets.UTF_8);
        }
        if (starts(bytes, 0xFF, 0xFE)) {
            return new String(bytes, 2, bytes.length - 2, StandardCharsets.UTF_16LE);
        }
        if (starts(bytes, 0xFE, 0xFF)) {
            return new String(bytes, 2, bytes.length - 2, StandardCharsets.UTF_16BE);
        }
        return decodeUnmarked(bytes);
    }

    /** UTF-8 where the bytes are valid UTF-8, else Windows-1252, which takes every byte. */
    public static String decodeUnmarked(byte[] bytes) {
        try {
            return StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(bytes)).toString();
        } catch (CharacterCodingException notUtf8) {
            return new String(bytes, LATIN);
        }
    }

    /**
     * Makes sure that bytes are text: no zero bytes at their beginning but those of UTF-16 and UTF-32.
     *
     * @throws Unreadable when they are not
     */
    public static void requireText(byte[] bytes) throws Unreadable {
        boolean wide = starts(bytes, 0xFF, 0xFE) || starts(bytes, 0xFE, 0xFF) || starts(bytes, 0, 0, 0xFE, 0xFF);
        for (int i = 0; !wide && i < Math.min(bytes.length, 1_024); i++) {
            if (bytes[i] == 0) {
                throw Unreadable.broken(SourcePosition.WHOLE, ReadWording.NO_TEXT);
            }
        }
    }

    private static boolean starts(byte[] bytes, int... mark) {
        if (bytes.length < mark.length) {
            return false;
        }
        for (int i = 0; i < mark.length; i++) {
            if ((bytes[i] & 0xFF) != mark[i]) {
                return false;
            }
        }
        return true;
    }
}
