package org.opensatchel.formats.described;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** What may be texts among bytes: every one whose length a number before it tells, and every one that a zero closes. */
public final class Texts {

    private static final int LONGEST = 2_048;
    /** So many say enough of any file. */
    private static final int MOST = 40_000;
    private static final int LEAST = 3;
    /** Behind a mark of letters a text that a zero closes begins somewhere in the same run. */
    private static final int DEEP = 16;

    private final byte[] bytes;
    private final Chars chars;
    private final List<Hit> out;

    /**
     * What may be a text.
     *
     * @param number where the number begins that tells its length; where it begins itself, if none does
     */
    public record Hit(String text, Extent extent, Chars chars, int number, int from) {}

    private Texts(byte[] bytes, Chars chars, List<Hit> out) {
        this.bytes = bytes;
        this.chars = chars;
        this.out = out;
    }

    /** The texts that may name files, wherever and however they may be told. */
    public static List<Hit> among(byte[] bytes) {
        List<Hit> out = new ArrayList<>();
        for (Chars chars : Chars.values()) {
            for (int shift = 0; shift < chars.width(); shift++) {
                new Texts(bytes, chars, out).runs(shift);
            }
        }
        return out;
    }

    private void runs(int shift) {
        int width = chars.width();
        int at = shift;
        while (at + width <= bytes.length && out.size() < MOST) {
            int end = at;
            boolean dotted = false;
            while (end + width <= bytes.length) {
                char sign = chars.sign(bytes, end);
                if (sign == 0) {
                    break;
                }
                dotted |= sign == '.';
                end += width;
            }
            if (dotted && end - at >= LEAST * width) {
                run(at, end);
            }
            at = Math.max(end, at) + width;
        }
    }

    private void run(int from, int end) {
        int last = Math.min(end, from + LONGEST);
        for (int at = from; at < last; at += chars.width()) {
            for (Extent.Field field : Extent.Field.values()) {
                for (int flags = 0; field != Extent.Field.ZERO && flags < (chars.width() == 1 ? 1 : 2); flags++) {
                    told(at, end, new Extent(field, flags == 1, false));
                    told(at, end, new Extent(field, flags == 1, true));
                }
            }
        }
        boolean closed = end + chars.width() <= bytes.length && chars.isZero(bytes, end);
        for (int at = from; closed && at < Math.min(end - LEAST * chars.width(), from + DEEP * chars.width()); at += chars.width()) {
            hit(at, end - at, new Extent(Extent.Field.ZERO, false, false), at);
        }
    }

    private void told(int at, int end, Extent extent) {
        Optional<Extent.Told> told = extent.before(bytes, at, chars);
        if (told.isEmpty() || told.get().length() > end - at || told.get().length() < LEAST * chars.width()) {
            return;
        }
        int behind = at + told.get().length();
        boolean zero = behind + chars.width() <= bytes.length && chars.isZero(bytes, behind);
        if (!extent.closed() || zero) {
            hit(at, told.get().length(), extent, told.get().from());
        }
    }

    private void hit(int at, int length, Extent extent, int number) {
        if (length <= LONGEST && out.size() < MOST) {
            chars.decode(bytes, at, length).filter(ByteWalk::mayBeFile)
                    .ifPresent(text -> out.add(new Hit(text, extent, chars, number, at)));
        }
    }
}
