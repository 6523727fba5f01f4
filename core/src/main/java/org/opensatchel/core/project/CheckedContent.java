package org.opensatchel.core.project;

import static org.opensatchel.base.fact.FactName.COUNT;
import static org.opensatchel.base.fact.FactName.MOST;

import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.zip.CRC32;
import org.opensatchel.base.fact.Facts;

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
            throw new ContentUnavailable(PackageWording.DAMAGED.say());
        }
        if (got > 0) {
            crc.update(into, from, got);
            count += got;
            if (count > promisedBytes) {
                throw new ContentUnavailable(PackageWording.LONGER_THAN_PROMISED.say());
            }
        } else if (got < 0) {
            verify();
        }
        return got;
    }

    private void verify() throws ContentUnavailable {
        if (count < promisedBytes) {
            throw new ContentUnavailable(PackageWording.CUT_OFF.say(Facts.of(COUNT, count).and(MOST, promisedBytes)));
        }
        if (crc.getValue() != promisedCrc) {
            throw new ContentUnavailable(PackageWording.CHECKSUM.say());
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
