package org.opensatchel.formats.described;

import java.util.Locale;
import java.util.Optional;

/**
 * How a text among bytes tells where it ends.
 *
 * @param field the number before it, or the zero behind it
 * @param units whether the number counts units of the encoding instead of bytes
 * @param closed whether the number counts a closing zero as well
 */
public record Extent(Field field, boolean units, boolean closed) {

    /** The number before a text; the widest first. */
    public enum Field {
        U64LE(8, true),
        U64BE(8, false),
        U32LE(4, true),
        U32BE(4, false),
        U16LE(2, true),
        U16BE(2, false),
        VARINT(0, true),
        U8(1, true),
        /** None: a zero closes the text. */
        ZERO(0, true);

        private final int bytes;
        private final boolean little;

        Field(int bytes, boolean little) {
            this.bytes = bytes;
            this.little = little;
        }
    }

    /** A text's length in bytes, and where its number begins. */
    record Told(int length, int from) {}

    String text() {
        return field.name().toLowerCase(Locale.ROOT) + (units ? " units" : "") + (closed ? " closed" : "");
    }

    static Optional<Extent> of(String text) {
        for (Field field : Field.values()) {
            for (int flags = 0; flags < 4; flags++) {
                Extent one = new Extent(field, (flags & 1) != 0, (flags & 2) != 0);
                if (one.text().equals(text)) {
                    return Optional.of(one);
                }
            }
        }
        return Optional.empty();
    }

    /** What the number that ends right before a place says; empty where there is none that fits. */
    Optional<Told> before(byte[] bytes, int start, Chars chars) {
        if (field == Field.VARINT) {
            return varint(bytes, start, chars);
        }
        if (start < field.bytes) {
            return Optional.empty();
        }
        long number = 0;
        for (int i = 0; i < field.bytes; i++) {
            int at = field.little ? start - 1 - i : start - field.bytes + i;
            number = number << 8 | (bytes[at] & 0xFF);
            if (number > bytes.length) {
                return Optional.empty();
            }
        }
        return told(number, start - field.bytes, chars, bytes.length - start);
    }

    /** What the number that begins at a place says, and where the text behind it begins. */
    Optional<Told> at(byte[] bytes, int from, Chars chars) {
        if (field == Field.ZERO) {
            int end = from;
            while (end + chars.width() <= bytes.length && !chars.isZero(bytes, end)) {
                end += chars.width();
            }
            return end + chars.width() > bytes.length ? Optional.empty() : Optional.of(new Told(end - from, from));
        }
        if (field == Field.VARINT) {
            int end = from;
            while (end < bytes.length && end - from < 4 && bytes[end] < 0) {
                end++;
            }
            int start = end + 1;
            return end >= bytes.length ? Optional.empty() : before(bytes, start, chars).map(told -> new Told(told.length, start));
        }
        int start = from + field.bytes;
        return start > bytes.length ? Optional.empty() : before(bytes, start, chars).map(told -> new Told(told.length, start));
    }

    private Optional<Told> varint(byte[] bytes, int start, Chars chars) {
        if (start < 1 || bytes[start - 1] < 0) {
            return Optional.empty();
        }
        int first = start - 1;
        while (first > 0 && start - first < 4 && bytes[first - 1] < 0) {
            first--;
        }
        long number = 0;
        for (int at = start - 1; at >= first; at--) {
            number = number << 7 | (bytes[at] & 0x7F);
        }
        return told(number, first, chars, bytes.length - start);
    }

    private Optional<Told> told(long number, int from, Chars chars, int left) {
        long length = (units ? number * chars.width() : number) - (closed ? chars.width() : 0);
        return length > 0 && length <= left && length % chars.width() == 0 ? Optional.of(new Told((int) length, from)) : Optional.empty();
    }
}
