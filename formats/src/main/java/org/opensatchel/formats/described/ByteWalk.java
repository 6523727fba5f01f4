package org.opensatchel.formats.described;

import java.util.Collection;
import java.util.Optional;
import org.opensatchel.base.place.SourcePosition;
import org.opensatchel.formats.described.Where.InBytes;

/** A walk over bytes that are no text: at each mark the length behind it is read, and what it measures. */
final class ByteWalk {

    /** Longer runs are no paths. */
    private static final int LONGEST = 4_096;

    private ByteWalk() {
    }

    static void read(byte[] bytes, Collection<Where> sought, SpotSink sink) {
        Level top = new Level(null);
        for (Where where : sought) {
            if (where instanceof InBytes mark) {
                new Marked(bytes, mark, top, sink).read();
            }
        }
    }

    /** The bytes of a mark, negative for any. */
    static int[] mark(String text) {
        int[] out = new int[text.length() / 2];
        for (int i = 0; i < out.length; i++) {
            String two = text.substring(2 * i, 2 * i + 2);
            out[i] = two.equals("??") ? -1 : Integer.parseInt(two, 16);
        }
        return out;
    }

    private static final class Marked {
        private final byte[] bytes;
        private final InBytes where;
        private final int[] mark;
        private final Level top;
        private final SpotSink sink;

        Marked(byte[] bytes, InBytes where, Level top, SpotSink sink) {
            this.bytes = bytes;
            this.where = where;
            this.mark = mark(where.mark());
            this.top = top;
            this.sink = sink;
        }

        void read() {
            int at = next(0);
            while (at + mark.length <= bytes.length && !sink.isFull(where)) {
                int past = isMark(at) ? text(at + mark.length) : 0;
                // What was a text is not read again from its middle.
                at = next(past > 0 ? past : at + 1);
            }
        }

        /** The next place at which the mark may begin. */
        private int next(int from) {
            if (mark.length == 0 || mark[0] < 0) {
                return from;
            }
            byte first = (byte) mark[0];
            int at = from;
            while (at < bytes.length && bytes[at] != first) {
                at++;
            }
            return at;
        }

        private boolean isMark(int at) {
            for (int i = 0; i < mark.length; i++) {
                if (mark[i] >= 0 && mark[i] != (bytes[at + i] & 0xFF)) {
                    return false;
                }
            }
            return true;
        }

        private int text(int at) {
            Optional<Extent.Told> told = where.length().at(bytes, at, where.chars());
            if (told.isEmpty() || told.get().length() > LONGEST || told.get().length() < 3) {
                return 0;
            }
            Optional<String> text = where.chars().decode(bytes, told.get().from(), told.get().length()).filter(ByteWalk::mayBeFile);
            if (text.isEmpty()) {
                return 0;
            }
            int from = told.get().from();
            // Told by its end: where a text begins among letters, several marks may say differently.
            sink.take(where, text.get(), () -> new SourcePosition.InBytes(from), top, (long) from + told.get().length());
            return from + told.get().length();
        }
    }

    /** Whether a text among bytes may name a file or a folder: whatever else stands there is left alone. */
    static boolean mayBeFile(String text) {
        return text.indexOf('.') >= 0 || text.indexOf('/') >= 0 || text.indexOf('\\') >= 0;
    }
}
