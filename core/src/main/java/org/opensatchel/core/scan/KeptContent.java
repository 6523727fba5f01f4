package org.opensatchel.core.scan;

import java.util.Arrays;
import org.opensatchel.formats.binary.BytesNotAtHand;
import org.opensatchel.formats.binary.MediaBytes;

/**
 * What is kept of a content that passes by once, as that of a packed archive: its beginning and its end, where formats describe
 * themselves. Of a short one that is all of it. It is kept in room that the thread has for the next content too, so one has to be looked at
 * before the next passes by.
 */
final class KeptContent implements MediaBytes {

    private static final int MOST_FIRST = 1 << 20;
    private static final int MOST_LAST = 3 << 20;
    private static final ThreadLocal<Room> ROOM = ThreadLocal.withInitial(Room::new);

    /** There may be very many contents, and made anew for each the room would be most of what they cost. */
    private static final class Room {
        private byte[] first = new byte[1 << 16];
        private byte[] last = {};
    }

    private final Room room = ROOM.get();
    private long length;

    void add(byte[] bytes, int from, int count) {
        int held = (int) Math.min(length, MOST_FIRST);
        int begins = Math.min(count, MOST_FIRST - held);
        if (begins > 0) {
            if (held + begins > room.first.length) {
                room.first = Arrays.copyOf(room.first, Math.min(MOST_FIRST, Math.max(held + begins, 2 * room.first.length)));
            }
            System.arraycopy(bytes, from, room.first, held, begins);
        }
        if (begins < count) {
            turn(bytes, from + begins, count - begins, length + begins);
        }
        length += count;
    }

    /** The end goes round in a ring: each byte has its place by where it stands in the content. */
    private void turn(byte[] bytes, int from, int count, long at) {
        room.last = room.last.length == 0 ? new byte[MOST_LAST] : room.last;
        for (int done = 0; done < count;) {
            int into = (int) ((at + done) % MOST_LAST);
            int some = Math.min(count - done, MOST_LAST - into);
            System.arraycopy(bytes, from + done, room.last, into, some);
            done += some;
        }
    }

    /** What was kept of the beginning. */
    byte[] beginning() {
        return Arrays.copyOf(room.first, (int) Math.min(length, MOST_FIRST));
    }

    @Override
    public long length() {
        return length;
    }

    @Override
    public byte[] read(long at, int count) throws BytesNotAtHand {
        int some = (int) Math.max(0, Math.min(count, length - at));
        byte[] out = new byte[some];
        long first = Math.min(length, MOST_FIRST);
        long kept = Math.max(first, length - MOST_LAST);
        for (int i = 0; i < some; i++) {
            long place = at + i;
            if (place >= first && place < kept) {
                throw new BytesNotAtHand(place);
            }
            out[i] = place < first ? room.first[(int) place] : room.last[(int) (place % MOST_LAST)];
        }
        return out;
    }
}
