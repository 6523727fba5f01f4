package org.opensatchel.formats.sound;

import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;

/** Bits of a stream, the highest of each byte first. */
final class Bits {

    private final InputStream in;
    private final byte[] buffer = new byte[1 << 16];
    private int at;
    private int end;
    private long left;
    private long held;
    private int count;

    /** @param most so many bytes are read at most */
    Bits(InputStream in, long most) {
        this.in = in;
        this.left = most;
    }

    private int next() throws IOException {
        if (at == end) {
            end = left <= 0 ? -1 : in.read(buffer, 0, (int) Math.min(buffer.length, left));
            at = 0;
            if (end <= 0) {
                end = 0;
                throw new EOFException();
            }
            left -= end;
        }
        return buffer[at++] & 0xff;
    }

    /** Up to 56 bits as a number without a sign. */
    long bits(int wanted) throws IOException {
        while (count < wanted) {
            held = held << 8 | next();
            count += 8;
        }
        count -= wanted;
        return held >>> count & (1L << wanted) - 1;
    }

    long signed(int wanted) throws IOException {
        return wanted == 0 ? 0 : bits(wanted) << 64 - wanted >> 64 - wanted;
    }

    /** How many zeros stand before the next one. */
    int unary(int most) throws IOException {
        int zeros = 0;
        while (bits(1) == 0) {
            if (++zeros > most) {
                throw new FlacDamaged("a number of more than " + most + " zeros");
            }
        }
        return zeros;
    }

    /** The rest of a byte that has begun is passed over. */
    void align() {
        count -= count % 8;
    }

    /** Whether nothing comes any more. */
    boolean isEnd() throws IOException {
        if (count > 0 || at < end) {
            return false;
        }
        try {
            held = held << 8 | next();
            count += 8;
            return false;
        } catch (EOFException none) {
            return true;
        }
    }
}
