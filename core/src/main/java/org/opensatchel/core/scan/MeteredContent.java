package org.opensatchel.core.scan;

import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.security.MessageDigest;
import java.util.Optional;
import org.opensatchel.base.hash.Sha256;
import org.opensatchel.core.project.ContentUnavailable;

/** A content on its way through: hashed where asked, and watched for a byte that is not zero. */
final class MeteredContent extends FilterInputStream {

    private static final long ZEROS_READ = 256L << 20;
    private static final byte[] NOTHING = {};
    /** For what is read on: there may be very many small files. */
    private static final ThreadLocal<byte[]> BUFFER = ThreadLocal.withInitial(() -> new byte[1 << 16]);
    private static final int SAMPLES = 2_048;

    private final MessageDigest digest;
    private boolean zeros = true;
    private long count;
    private KeptContent kept;
    private ContentUnavailable unavailable;
    private Optional<String> sha256 = Optional.empty();

    MeteredContent(InputStream content, boolean hashed) {
        super(content);
        this.digest = hashed ? Sha256.digest() : null;
    }

    /** From now on what passes is kept, as far as it is kept at all; {@code before} are the bytes that have passed. */
    KeptContent keep(byte[] before) {
        kept = new KeptContent();
        kept.add(before, 0, before.length);
        return kept;
    }

    @Override
    public int read() throws IOException {
        byte[] one = new byte[1];
        return read(one, 0, 1) < 0 ? -1 : one[0] & 0xFF;
    }

    @Override
    public int read(byte[] into, int from, int length) throws IOException {
        int got = readOn(into, from, length);
        if (got > 0) {
            count += got;
            if (kept != null) {
                kept.add(into, from, got);
            }
            if (digest != null) {
                digest.update(into, from, got);
            }
            for (int i = from; zeros && i < from + got; i++) {
                zeros = into[i] == 0;
            }
        }
        return got;
    }

    /** A reader that passes over something still has it read here. */
    @Override
    public long skip(long bytes) throws IOException {
        long left = bytes;
        byte[] passed = new byte[(int) Math.min(1 << 13, Math.max(0, bytes))];
        int got = 0;
        while (left > 0 && (got = read(passed, 0, (int) Math.min(passed.length, left))) > 0) {
            left -= got;
        }
        return bytes - left;
    }

    /** What cannot be had is remembered: a reader may take it for a fault of its format. */
    private int readOn(byte[] into, int from, int length) throws IOException {
        try {
            return in.read(into, from, length);
        } catch (ContentUnavailable gone) {
            unavailable = gone;
            throw gone;
        }
    }

    /**
     * Reads on as far as is needed, and tells whether all of it is zero. A file of nothing but zeros takes no room on many
     * disks and may claim any length: of what begins with so many of them, only samples of the rest are read.
     *
     * @param toTheEnd whether the rest matters for more than that
     * @param size the length of the whole content in bytes
     */
    boolean finish(boolean toTheEnd, long size) throws IOException {
        if (unavailable != null) {
            throw unavailable;
        }
        boolean more = toTheEnd || zeros;
        byte[] rest = more ? BUFFER.get() : NOTHING;
        int got = 0;
        while ((toTheEnd || (zeros && count < ZEROS_READ)) && got >= 0) {
            got = read(rest, 0, rest.length);
        }
        long stride = Math.max(rest.length, (size - count) / SAMPLES);
        while (zeros && got >= 0) {
            count += in.skip(Math.max(0, Math.min(stride, size - count) - rest.length));
            got = read(rest, 0, rest.length);
        }
        if (digest != null) {
            sha256 = Optional.of(Sha256.hex(digest.digest()));
        }
        return zeros && count > 0;
    }

    Optional<String> sha256() {
        return sha256;
    }
}
