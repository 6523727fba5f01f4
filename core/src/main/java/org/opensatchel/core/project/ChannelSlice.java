package org.opensatchel.core.project;

import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;

/** A stretch of a file as a stream, read by position so that several can be read at once. */
final class ChannelSlice extends InputStream {

    private final FileChannel file;
    private long at;
    private final long end;

    ChannelSlice(FileChannel file, long start, long bytes) {
        this.file = file;
        this.at = start;
        this.end = start + bytes;
    }

    @Override
    public int read() throws IOException {
        byte[] one = new byte[1];
        return read(one, 0, 1) < 0 ? -1 : one[0] & 0xFF;
    }

    @Override
    public int read(byte[] into, int from, int length) throws IOException {
        if (length == 0) {
            return 0;
        }
        if (at >= end) {
            return -1;
        }
        int count = file.read(ByteBuffer.wrap(into, from, (int) Math.min(length, end - at)), at);
        if (count > 0) {
            at += count;
        }
        return count;
    }
}
