package org.opensatchel.formats.media;

import java.io.IOException;
import java.util.Arrays;
import org.opensatchel.formats.binary.MediaBytes;

/** Bytes of a test; how many were asked for is counted. */
final class Bytes implements MediaBytes {

    private final byte[] bytes;
    private final long length;
    private long asked;

    private Bytes(byte[] bytes, long length) {
        this.bytes = bytes;
        this.length = length;
    }

    static Bytes of(byte[] bytes) {
        return new Bytes(bytes, bytes.length);
    }

    /** A file so long, of which the rest is nothing. */
    static Bytes endless(byte[] beginning, long length) {
        return new Bytes(beginning, length);
    }

    long asked() {
        return asked;
    }

    @Override
    public long length() {
        return length;
    }

    @Override
    public byte[] read(long at, int count) throws IOException {
        if (at < 0 || count < 0) {
            throw new IllegalArgumentException("read at " + at);
        }
        int some = (int) Math.max(0, Math.min(count, length - at));
        asked += some;
        byte[] out = new byte[some];
        if (at < bytes.length) {
            System.arraycopy(bytes, (int) at, out, 0, Math.min(some, bytes.length - (int) at));
        }
        return out;
    }

    static byte[] cut(byte[] bytes, int at) {
        return Arrays.copyOf(bytes, at);
    }
}
