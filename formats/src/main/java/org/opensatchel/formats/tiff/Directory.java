package org.opensatchel.formats.tiff;

import java.io.IOException;
import java.util.HashMap;
import java.util.Map;
import org.opensatchel.formats.binary.CutOff;
import org.opensatchel.formats.binary.Window;

/**
 * A directory of a TIFF (revision 6.0, section 2), with 64-bit places too, as EXIF and TIFF files have it.
 *
 * @param start where places are counted from
 */
public record Directory(Window file, long start, boolean little, boolean large, Map<Integer, Entry> entries) {

    static final int ORIENTATION = 274;
    private static final int MOST_ENTRIES = 4_096;
    private static final int[] SIZES = {0, 1, 1, 2, 4, 8, 1, 1, 2, 4, 8, 4, 8, 4, 0, 0, 8, 8, 8};

    /**
     * A field.
     *
     * @param at where its values stand
     */
    record Entry(int type, long count, long at) {}

    /** The first directory of what begins at a place; empty where there is none. */
    public static Directory read(Window file, long start, long limit) throws IOException {
        boolean little = file.has(start, "II");
        Directory header = new Directory(file, start, little, false, new HashMap<>());
        int version = header.number16(start + 2);
        Directory out = new Directory(file, start, little, version == 43, new HashMap<>());
        if (!little && !file.has(start, "MM") || version != 42 && version != 43) {
            return out;
        }
        long at = start + (out.large ? out.number64(start + 8) : out.number32(start + 4));
        if (at <= start || at >= limit) {
            throw new CutOff(at);
        }
        long count = out.large ? out.number64(at) : out.number16(at);
        long first = at + (out.large ? 8 : 2);
        int size = out.large ? 20 : 12;
        for (int i = 0; i < Math.min(count, MOST_ENTRIES); i++) {
            long entry = first + (long) i * size;
            int type = out.number16(entry + 2);
            long values = out.large ? out.number64(entry + 4) : out.number32(entry + 4);
            long value = entry + (out.large ? 12 : 8);
            boolean here = type > 0 && type < SIZES.length && values <= (out.large ? 8 : 4) / Math.max(1, SIZES[type]);
            long away = out.large ? out.number64(value) : out.number32(value);
            out.entries.put(out.number16(entry), new Entry(type, values, here ? value : start + Math.max(0, away)));
        }
        return out;
    }

    int number16(long at) throws IOException {
        return little ? file.le16(at) : file.u16(at);
    }

    long number32(long at) throws IOException {
        return little ? file.le32(at) : file.u32(at);
    }

    long number64(long at) throws IOException {
        return little ? file.le63(at) : file.u63(at);
    }

    boolean has(int tag) {
        return entries.containsKey(tag);
    }

    long count(int tag) {
        return has(tag) ? entries.get(tag).count : 0;
    }

    /** One of a field's whole numbers; another where there is no such field. */
    long number(int tag, long index, long otherwise) throws IOException {
        Entry entry = entries.get(tag);
        if (entry == null || index >= entry.count || entry.type <= 0 || entry.type >= SIZES.length) {
            return otherwise;
        }
        long at = entry.at + index * SIZES[entry.type];
        return switch (SIZES[entry.type]) {
            case 1 -> file.u8(at);
            case 2 -> number16(at);
            case 4 -> number32(at);
            case 8 -> number64(at);
            default -> otherwise;
        };
    }

    /** By how many degrees a picture is turned; mirrored ones as those they mirror. */
    public static int turned(Directory directory) throws IOException {
        return switch ((int) directory.number(ORIENTATION, 0, 1)) {
            case 3, 4 -> 180;
            case 5, 6 -> 90;
            case 7, 8 -> 270;
            default -> 0;
        };
    }
}
