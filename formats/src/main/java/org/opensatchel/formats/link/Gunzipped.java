package org.opensatchel.formats.link;

import java.io.ByteArrayInputStream;
import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.util.Arrays;
import java.util.Optional;
import java.util.zip.GZIPInputStream;
import java.util.zip.ZipException;
import org.apache.commons.io.input.BoundedInputStream;
import org.opensatchel.base.place.SourcePosition;

/**
 * A document that is packed as a whole (RFC 1952), unpacked as it is read. A part that is not there, a wrong checksum and more than is read
 * of a document end the reading, and {@link #fault} says which of them it was.
 */
public final class Gunzipped extends InputStream {

    private static final int ENOUGH_TO_TELL = 1_024;

    private final BoundedInputStream packed;
    private final InputStream unpacked;
    private final long most;
    private long count;
    private Unreadable fault;

    /** @param most most bytes that are unpacked */
    public Gunzipped(InputStream content, long most) throws IOException, Unreadable {
        this.packed = BoundedInputStream.builder().setInputStream(content).get();
        this.most = most;
        try {
            this.unpacked = new GZIPInputStream(packed, 1 << 16);
        } catch (ZipException | EOFException none) {
            throw Unreadable.broken(SourcePosition.WHOLE, ReadWording.NOT_UNPACKED);
        }
    }

    /** The beginning of what a file's beginning packs; empty for what is not packed in this way. */
    public static Optional<Head> head(byte[] head) {
        if (head.length < 3 || (head[0] & 0xFF) != 0x1F || (head[1] & 0xFF) != 0x8B || head[2] != 8) {
            return Optional.empty();
        }
        byte[] out = new byte[ENOUGH_TO_TELL];
        int length = 0;
        try (InputStream unpacked = new GZIPInputStream(new ByteArrayInputStream(head))) {
            for (int read = unpacked.read(out, 0, out.length); read > 0; read = unpacked.read(out, length, out.length - length)) {
                length += read;
            }
        } catch (IOException ends) {
            // A beginning ends somewhere; what came before that is what is wanted.
        }
        return length == 0 ? Optional.empty() : Optional.of(new Head(Arrays.copyOf(out, length)));
    }

    /** What was wrong, once the reading ended; empty when nothing was. */
    public Optional<Unreadable> fault() {
        return Optional.ofNullable(fault);
    }

    /** How many bytes were unpacked. */
    public long count() {
        return count;
    }

    /** Whether more came out than anything real packs into so few bytes. */
    public boolean isBomb() {
        return Growth.isTooMuch(count, packed.getCount());
    }

    @Override
    public int read() throws IOException {
        byte[] one = new byte[1];
        return read(one, 0, 1) < 0 ? -1 : one[0] & 0xFF;
    }

    @Override
    public int read(byte[] into, int at, int length) throws IOException {
        try {
            int read = unpacked.read(into, at, length);
            count += Math.max(0, read);
            if (count > most || isBomb()) {
                throw ended(Unreadable.tooLarge(most));
            }
            return read;
        } catch (ZipException | EOFException broken) {
            throw ended(Unreadable.broken(SourcePosition.WHOLE, ReadWording.NOT_UNPACKED));
        }
    }

    private EOFException ended(Unreadable why) {
        fault = fault == null ? why : fault;
        return new EOFException("not to be unpacked");
    }

    /**
     * Reads on to the end, where the checksum stands, which not every reader reads.
     *
     * @throws Unreadable what was wrong on the way, now or before
     */
    public void finish() throws IOException, Unreadable {
        try {
            transferTo(OutputStream.nullOutputStream());
        } catch (EOFException ends) {
            if (fault == null) {
                throw ends;
            }
        } finally {
            unpacked.close();
        }
        if (fault != null) {
            throw fault;
        }
    }

    /** A reader may close what it reads; the rest still has to be unpacked. */
    @Override
    public void close() {
        // Closed when it is finished.
    }
}
