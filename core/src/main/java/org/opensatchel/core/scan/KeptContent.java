package org.opensatchel.core.scan;

import java.io.ByteArrayOutputStream;
import org.opensatchel.core.media.format.BytesNotAtHand;
import org.opensatchel.core.media.format.MediaBytes;

/**
 * What is kept of a content that passes by once, as that of a packed archive: its beginning and its end, where formats describe
 * themselves. Of a short one that is all of it.
 */
final class KeptContent implements MediaBytes {

    private static final int MOST_FIRST = 1 << 20;
    private static final int MOST_LAST = 3 << 20;

    private final ByteArrayOutputStream passing = new ByteArrayOutputStream(1 << 13);
    private byte[] first;
    private byte[] last = {};
    private long length;

    void add(byte[] bytes, int from, int count) {
        int begins = Math.min(count, MOST_FIRST - passing.size());
        passing.write(bytes, from, begins);
        if (begins < count) {
            turn(bytes, from + begins, count - begins, length + begins);
        }
        length += count;
    }

    /** The end goes round in a ring: each byte has its place by where it stands in the content. */
    private void turn(byte[] bytes, int from, int count, long at) {
        last = last.length == 0 ? new byte[MOST_LAST] : last;
        for (int done = 0; done < count;) {
            int into = (int) ((at + done) % MOST_LAST);
            int some = Math.min(count - done, MOST_LAST - into);
            System.arraycopy(bytes, from + done, last, into, some);
            done += some;
        }
    }

    @Override
    public long length() {
        return length;
    }

    @Override
    public byte[] read(long at, int count) throws BytesNotAtHand {
        first = first == null ? passing.toByteArray() : first;
        int some = (int) Math.max(0, Math.min(count, length - at));
        byte[] out = new byte[some];
        long kept = Math.max(first.length, length - MOST_LAST);
        for (int i = 0; i < some; i++) {
            long place = at + i;
            if (place >= first.length && place < kept) {
                throw new BytesNotAtHand(place);
            }
            out[i] = place < first.length ? first[(int) place] : last[(int) (place % MOST_LAST)];
        }
        return out;
    }
}
