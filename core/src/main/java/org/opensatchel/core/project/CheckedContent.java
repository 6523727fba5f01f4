package org.opensatchel.core.project;

import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.zip.CRC32;

/** Unpacked content held against the size and the checksum (CRC-32) its archive promises. */
final class CheckedContent extends FilterInputStream {

    private final CRC32 crc = new CRC32();
    private final long promisedBytes;
    private final long promisedCrc;
    private long count;

    CheckedContent(InputStream content, long promisedBytes, long promisedCrc) {
        super(content);
        this.promisedBytes = promisedBytes;
        this.promisedCrc = promisedCrc;
    }

    @Override
    public int read() throws IOException {
        byte[] one = new byte[1];
        return read(one, 0, 1) < 0 ? -1 : one[0] & 0xFF;
    }

    @Override
    public int read(byte[] into, int from, int length) throws IOException {
        int got;
        try {
            got = in.read(into, from, length);
        } catch (ContentUnavailable told) {
            throw told;
        } catch (IOException | RuntimeException damaged) {
            throw new ContentUnavailable("is damaged and cannot be unpacked");
        }
        if (got > 0) {
            crc.update(into, from, got);
            count += got;
            if (count > promisedBytes) {
                throw new ContentUnavailable("unpacks to more than the archive promises");
            }
        } else if (got < 0) {
            verify();
        }
        return got;
    }

    private void verify() throws ContentUnavailable {
        if (count < promisedBytes) {
            throw new ContentUnavailable("is cut off after " + count + " of " + promisedBytes + " bytes");
        }
        if (crc.getValue() != promisedCrc) {
            throw new ContentUnavailable("has a wrong checksum: it was damaged on the way");
        }
    }

    @Override
    public long skip(long bytes) throws IOException {
        return in.skip(0);
    }

    @Override
    public boolean markSupported() {
        return false;
    }
}
