package org.opensatchel.formats.described;

import java.math.BigInteger;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.BitSet;
import org.opensatchel.base.place.Place;
import org.opensatchel.formats.link.ReadWording;
import org.opensatchel.formats.link.Unreadable;

/**
 * A property list in its binary form ({@code bplist00}: objects, a table of where each stands, and a trailer of 32 bytes), told to a
 * {@link TreeWalk}. Whatever it claims is held against its length; what refers to itself, and what would unfold to more than a bounded
 * number of values, is a fault.
 */
final class BinaryList {

    private static final int TRAILER = 32;
    private static final int DEEPEST = 200;
    private static final int MOST_VALUES = 2_000_000;

    private final byte[] bytes;
    private final TreeWalk walk;
    private final int table;
    private final int width;
    private final int reference;
    private final int count;
    private final BitSet open = new BitSet();
    private int values;

    /** An object: what its first byte says. */
    private record Head(int kind, int length, int start) {}

    private BinaryList(byte[] bytes, Trail trail, SpotSink sink) throws Unreadable {
        this.bytes = bytes;
        int trailer = bytes.length - TRAILER;
        if (trailer < 8) {
            throw broken();
        }
        width = bytes[trailer + 6] & 0xFF;
        reference = bytes[trailer + 7] & 0xFF;
        long objects = number(trailer + 8, 8);
        long top = number(trailer + 16, 8);
        long offsets = number(trailer + 24, 8);
        boolean fits = width >= 1 && width <= 8 && reference >= 1 && reference <= 8 && offsets >= 8 && offsets <= trailer && objects >= 1
                && objects <= (trailer - offsets) / width && top >= 0 && top < objects;
        if (!fits) {
            throw broken();
        }
        table = (int) offsets;
        count = (int) objects;
        int first = offset(top);
        walk = new TreeWalk(trail, sink, head(first).kind == 0xA);
        contents((int) top, 0);
    }

    static void read(byte[] bytes, Trail trail, SpotSink sink) throws Unreadable {
        new BinaryList(bytes, trail, sink);
    }

    private static Unreadable broken() {
        return Unreadable.broken(Place.WHOLE, ReadWording.PATH_BREAKS_OFF);
    }

    private void contents(int object, int depth) throws Unreadable {
        if (depth > DEEPEST || open.get(object)) {
            throw Unreadable.broken(Place.WHOLE, ReadWording.NESTED_TOO_DEEP);
        }
        open.set(object);
        Head head = head(offset(object));
        boolean map = head.kind == 0xD;
        long size = (long) head.length * reference;
        if (head.start + size * (map ? 2 : 1) > table) {
            throw broken();
        }
        for (int i = 0; i < head.length; i++) {
            String key = map ? text(head(offset(referred(head.start, i)))) : "";
            member(key, (int) referred(head.start, map ? head.length + i : i), depth);
        }
        open.clear(object);
    }

    private void member(String key, int object, int depth) throws Unreadable {
        if (++values > MOST_VALUES) {
            throw Unreadable.broken(Place.WHOLE, ReadWording.NESTED_TOO_DEEP);
        }
        Head head = head(offset(object));
        if (head.kind == 0xD || head.kind == 0xA || head.kind == 0xC) {
            walk.enter(key, head.kind != 0xD);
            contents(object, depth + 1);
            walk.leave();
        } else {
            walk.value(key, walk.wanted() ? text(head) : "");
        }
    }

    private long referred(int start, int index) throws Unreadable {
        long object = number(start + index * reference, reference);
        if (object < 0 || object >= count) {
            throw broken();
        }
        return object;
    }

    private int offset(long object) throws Unreadable {
        long at = number(table + (int) object * width, width);
        if (at < 8 || at >= table) {
            throw broken();
        }
        return (int) at;
    }

    private Head head(int at) throws Unreadable {
        int kind = (bytes[at] & 0xF0) >> 4;
        int length = bytes[at] & 0x0F;
        boolean counted = kind == 4 || kind == 5 || kind == 6 || kind == 0xA || kind == 0xC || kind == 0xD;
        if (!counted || length < 0x0F) {
            return new Head(kind, length, at + 1);
        }
        int size = at + 1 < table ? 1 << (bytes[at + 1] & 0x0F) : 16;
        if (size > 8 || at + 2 + size > table) {
            throw broken();
        }
        long told = number(at + 2, size);
        if (told < 0 || told > bytes.length) {
            throw broken();
        }
        return new Head(kind, (int) told, at + 2 + size);
    }

    /** A text; a number as it is written; empty for anything else. */
    private String text(Head head) throws Unreadable {
        long size = head.kind == 6 ? 2L * head.length : head.kind == 1 ? 1L << head.length : head.length;
        if (head.start + size > table) {
            throw broken();
        }
        return switch (head.kind) {
            case 1 -> new BigInteger(Arrays.copyOfRange(bytes, head.start, head.start + (int) size)).toString();
            case 5 -> new String(bytes, head.start, head.length, StandardCharsets.UTF_8);
            case 6 -> new String(bytes, head.start, 2 * head.length, StandardCharsets.UTF_16BE);
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
