package org.opensatchel.core.scan;

import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;

/**
 * The texts of a small binary property list ({@code bplist00}: objects, a table of where each stands, and 32 bytes that tell of the
 * table). Nothing else of it is read, and whatever it claims is held against its length.
 */
final class BinaryPropertyList {

    private static final int TRAILER = 32;
    private static final int MOST_OBJECTS = 64;

    private BinaryPropertyList() {
    }

    /** Every text in it, keys among them; none where it is damaged, or holds too much for an address alone. */
    static List<String> texts(byte[] list) {
        ByteBuffer bytes = ByteBuffer.wrap(list);
        int trailer = list.length - TRAILER;
        if (trailer < 8) {
            return List.of();
        }
        int width = list[trailer + 6];
        long count = bytes.getLong(trailer + 8);
        long table = bytes.getLong(trailer + 24);
        if (width < 1 || width > 4 || count < 1 || count > MOST_OBJECTS || table < 8 || table > trailer - count * width) {
            return List.of();
        }
        List<String> out = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            int at = number(list, (int) table + i * width, width);
            if (at < 8 || at >= table) {
                return List.of();
            }
            text(list, at, (int) table, out);
        }
        return out;
    }

    private static void text(byte[] list, int at, int end, List<String> out) {
        int kind = (list[at] & 0xF0) >> 4;
        if (kind != 5 && kind != 6) {
            return;
        }
        int length = list[at] & 0x0F;
        int start = at + 1;
        if (length == 0x0F && start < end) {
            // A longer text tells its length in a whole number of its own.
            int size = 1 << (list[start] & 0x0F);
            if (size > 4 || start + 1 + size > end) {
                return;
            }
            length = number(list, start + 1, size);
            start += 1 + size;
        }
        long bytes = kind == 6 ? 2L * length : length;
        if (length >= 0 && start + bytes <= end) {
            out.add(new String(list, start, (int) bytes, kind == 6 ? StandardCharsets.UTF_16BE : StandardCharsets.US_ASCII));
        }
    }

    private static int number(byte[] list, int at, int width) {
        int out = 0;
        for (int i = 0; i < width; i++) {
            out = out << 8 | (list[at + i] & 0xFF);
        }
        return out;
    }
}
