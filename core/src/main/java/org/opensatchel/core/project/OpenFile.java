package org.opensatchel.core.project;

import java.io.FilterInputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.Channels;
import java.nio.channels.FileChannel;
import java.util.Arrays;

/** A file on disk as a stream that passes over what is not wanted without reading it, and is read at any place. */
public final class OpenFile extends FilterInputStream implements RandomContent {
    private final FileChannel file;

    public OpenFile(FileChannel file) {
        super(Channels.newInputStream(file));
        this.file = file;
    }

    @Override
    public long skip(long bytes) throws IOException {
        long from = file.position();
        long to = Math.min(file.size(), from + Math.max(0, bytes));
        file.position(Math.max(from, to));
        return Math.max(0, to - from);
    }

    @Override
    public long length() throws IOException {
        return file.size();
    }

    @Override
    public byte[] read(long at, int count) throws IOException {
        ByteBuffer into = ByteBuffer.allocate((int) Math.max(0, Math.min(count, file.size() - at)));
        while (into.hasRemaining() && file.read(into, at + into.position()) >= 0) {
            // Until all is read or the file ends.
        }
        return into.hasRemaining() ? Arrays.copyOf(into.array(), into.position()) : into.array();
    }
}
