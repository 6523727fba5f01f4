package org.opensatchel.core.project;

import java.nio.ByteBuffer;
import java.util.Arrays;
import java.util.Map;
import java.util.TreeMap;

/**
 * Parts of a file that did not come along as a whole (docs/formats.md, ranges): how it begins, how it ends, and where it describes itself.
 * What does not fit into the file, or into its own record, is passed over.
 */
public final class FileParts {

    /** Longest record of parts that is read. */
    public static final int MOST_BYTES = 8 << 20;
    private static final int HEAD = 12;

    private final long length;
    private final TreeMap<Long, byte[]> parts = new TreeMap<>();

    private FileParts(long length) {
        this.length = length;
    }

    /**
     * @param record parts one after the other: where each lies (8 bytes, highest first), how long it is (4 bytes), and its bytes
     * @param length of the file itself
     */
    static FileParts of(byte[] record, long length) {
        FileParts out = new FileParts(length);
        ByteBuffer in = ByteBuffer.wrap(record);
        while (in.remaining() >= HEAD) {
            long at = in.getLong();
            int count = in.getInt();
            if (count < 0 || count > in.remaining()) {
                break;
            }
            byte[] bytes = new byte[count];
            in.get(bytes);
            if (at >= 0 && count > 0 && at <= length - count) {
                out.parts.merge(at, bytes, (one, other) -> one.length >= other.length ? one : other);
            }
        }
        return out;
    }

    /** How long the whole file is. */
    public long length() {
        return length;
    }

    /** How many bytes of its beginning are there. */
    public int head() {
        byte[] first = parts.get(0L);
        return first == null ? 0 : first.length;
    }

    /**
     * As many bytes from a place as are asked for, fewer only where the file ends.
     *
     * @return null where they are not there
     */
    public byte[] read(long at, int count) {
        int some = (int) Math.max(0, Math.min(count, length - at));
        byte[] out = new byte[some];
        for (int done = 0; done < some;) {
            Map.Entry<Long, byte[]> part = parts.floorEntry(at + done);
            int in = part == null ? 0 : (int) Math.min(Integer.MAX_VALUE, at + done - part.getKey());
            if (part == null || in >= part.getValue().length) {
                return null;
            }
            int here = Math.min(some - done, part.getValue().length - in);
            System.arraycopy(part.getValue(), in, out, done, here);
            done += here;
        }
        return out;
    }

    /** The first of its bytes, as many as are there. */
    public byte[] beginning(int most) {
        return head() == 0 ? new byte[0] : Arrays.copyOf(parts.get(0L), Math.min(most, head()));
    }
}
