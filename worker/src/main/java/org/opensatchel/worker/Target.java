package org.opensatchel.worker;

import java.io.BufferedOutputStream;
import java.io.FilterOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;

/** A file that a worker writes for the server: bounded, and where the disk is full that is known from what else may go wrong. */
final class Target {

    private static final int CHUNK = 1 << 16;
    /** With less than this left on a disk, what could not be written could not for want of room. */
    private static final long ROOM = 1L << 20;

    private Target() {
    }

    /** That it became longer than it may. */
    static final class TooLarge extends IOException {
        private static final long serialVersionUID = 1L;

        TooLarge() {
            super("longer than it may be");
        }
    }

    /**
     * A file to be written.
     *
     * @param mostBytes more than so many are refused with {@link TooLarge}
     */
    static OutputStream open(Path to, long mostBytes) throws IOException {
        return new Bounded(new BufferedOutputStream(Files.newOutputStream(to), CHUNK), mostBytes);
    }

    /** Writes a stream to its end. */
    static void write(InputStream content, Path to, long mostBytes) throws IOException {
        try (OutputStream out = open(to, mostBytes)) {
            content.transferTo(out);
        }
    }

    private static final class Bounded extends FilterOutputStream {
        private long left;

        Bounded(OutputStream out, long mostBytes) {
            super(out);
            this.left = mostBytes;
        }

        @Override
        public void write(int one) throws IOException {
            take(1);
            out.write(one);
        }

        @Override
        public void write(byte[] from, int at, int length) throws IOException {
            take(length);
            out.write(from, at, length);
        }

        private void take(int length) throws TooLarge {
            left -= length;
            if (left < 0) {
                throw new TooLarge();
            }
        }
    }

    /** Whether there is no room left where a file is. */
    static boolean isFull(Path file) {
        try {
            return Files.getFileStore(file.toAbsolutePath().getParent()).getUsableSpace() < ROOM;
        } catch (IOException unknown) {
            return false;
        }
    }
}
