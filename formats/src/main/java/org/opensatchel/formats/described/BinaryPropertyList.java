package org.opensatchel.formats.described;

import java.math.BigInteger;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.opensatchel.base.place.SourcePosition;
import org.opensatchel.formats.link.ReadWording;
import org.opensatchel.formats.link.Unreadable;

/**
 * The objects of a property list in its binary form ({@code bplist00}: objects, a table of where each stands, and a trailer of 32 bytes that
 * tells of the table). Whatever it claims is held against its length.
 */
public final class BinaryPropertyList {

    private static final int TRAILER = 32;

    private final byte[] bytes;
    private final int table;
    private final int width;
    private final int reference;
    private final int count;
    private final int top;

    /**
     * An object.
     *
     * @param length how many members, characters or bytes it has; of a number the power of two that its bytes are
     * @param start where what it holds begins
     */
    record Item(int kind, int length, int start) {

        boolean isMap() {
            return kind == 0xD;
        }

        boolean isList() {
            return kind == 0xA || kind == 0xC;
        }

        boolean isText() {
            return kind == 5 || kind == 6;
        }
    }

    BinaryPropertyList(byte[] bytes) throws Unreadable {
        this.bytes = bytes;
        int trailer = bytes.length - TRAILER;
        if (trailer < 8) {
            throw broken();
        }
        width = bytes[trailer + 6] & 0xFF;
        reference = bytes[trailer + 7] & 0xFF;
        long objects = number(trailer + 8, 8);
        long first = number(trailer + 16, 8);
        long offsets = number(trailer + 24, 8);
        boolean fits = width >= 1 && width <= 8 && reference >= 1 && reference <= 8 && offsets >= 8 && offsets <= trailer && objects >= 1
                && objects <= (trailer - offsets) / width && first >= 0 && first < objects;
        if (!fits) {
            throw broken();
        }
        table = (int) offsets;
        count = (int) objects;
        top = (int) first;
    }

    /**
     * Every text in a list, keys among them.
     *
     * @return empty where the list is damaged, or has more objects than {@code most}
     */
    public static Optional<List<String>> texts(byte[] bytes, int most) {
        try {
            BinaryPropertyList list = new BinaryPropertyList(bytes);
            if (list.count > most) {
                return Optional.empty();
            }
            List<String> out = new ArrayList<>();
            for (int object = 0; object < list.count; object++) {
                Item item = list.item(object);
                if (item.isText()) {
                    out.add(list.text(item));
                }
            }
            return Optional.of(out);
        } catch (Unreadable damaged) {
            return Optional.empty();
        }
    }

    static Unreadable broken() {
        return Unreadable.broken(SourcePosition.WHOLE, ReadWording.PATH_BREAKS_OFF);
    }

    /** The number of the object that all others are in. */
    int top() {
        return top;
    }

    Item item(int object) throws Unreadable {
        long at = number(table + object * width, width);
        if (at < 8 || at >= table) {
            throw broken();
        }
        return item((int) at, bytes[(int) at]);
    }

    private Item item(int at, byte head) throws Unreadable {
        int kind = (head & 0xF0) >> 4;
        int length = head & 0x0F;
        boolean counted = kind == 4 || kind == 5 || kind == 6 || kind == 0xA || kind == 0xC || kind == 0xD;
        if (!counted || length < 0x0F) {
            return new Item(kind, length, at + 1);
        }
        // A longer one tells its length in a whole number of its own.
        int size = at + 1 < table ? 1 << (bytes[at + 1] & 0x0F) : 16;
        if (size > 8 || at + 2 + size > table) {
            throw broken();
        }
        long told = number(at + 2, size);
        if (told < 0 || told > bytes.length) {
            throw broken();
        }
        return new Item(kind, (int) told, at + 2 + size);
    }

    /** Makes sure that all members of a map or a list are there. */
    void requireMembers(Item item) throws Unreadable {
        if (item.start + (long) item.length * reference * (item.isMap() ? 2 : 1) > table) {
            throw broken();
        }
    }

    /** The number of a member's object; of a map the keys come first, and then as many values. */
    int member(Item item, int index) throws Unreadable {
        long object = number(item.start + index * reference, reference);
        if (object < 0 || object >= count) {
            throw broken();
        }
        return (int) object;
    }

    /** A text; a number as it is written; empty for anything else. */
    String text(Item item) throws Unreadable {
        long size = item.kind == 6 ? 2L * item.length : item.kind == 1 ? 1L << item.length : item.length;
        if (item.start + size > table) {
            throw broken();
        }
        return switch (item.kind) {
            case 1 -> new BigInteger(Arrays.copyOfRange(bytes, item.start, item.start + (int) size)).toString();
            case 5 -> new String(bytes, item.start, item.length, StandardCharsets.UTF_8);
            case 6 -> new String(bytes, item.start, 2 * item.length, StandardCharsets.UTF_16BE);
            default -> "";
        };
    }

    private long number(int at, int length) {
        long out = 0;
        for (int i = 0; i < length; i++) {
            out = out << 8 | (bytes[at + i] & 0xFF);
        }
        return out;
    }
}
