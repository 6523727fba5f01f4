package org.opensatchel.formats.link;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.SequenceInputStream;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.base.place.SourcePosition;

/** A document on its way to a reader: its path and its bytes, as a stream that can be read once. */
public final class DocumentContent {

    private final ProjectPath path;
    private final InputStream stream;
    private final long maxBytes;
    private final Whole whole;

    /** What was read of a document into memory at once, and whether it may be. */
    private static final class Whole {
        private final boolean allowed;
        private long bytes;

        Whole(boolean allowed) {
            this.allowed = allowed;
        }
    }

    public DocumentContent(ProjectPath path, InputStream stream, long maxBytes) {
        this(path, stream, maxBytes, new Whole(true));
    }

    private DocumentContent(ProjectPath path, InputStream stream, long maxBytes, Whole whole) {
        this.path = path;
        this.stream = stream;
        this.maxBytes = maxBytes;
        this.whole = whole;
    }

    /** A document that may only be read as a stream, since those before it took the room there is. */
    public static DocumentContent streamed(ProjectPath path, InputStream stream, long maxBytes) {
        return new DocumentContent(path, stream, maxBytes, new Whole(false));
    }

    /** How many bytes of it were read into memory at once. */
    public long bytesInMemory() {
        return whole.bytes;
    }

    public ProjectPath path() {
        return path;
    }

    public InputStream stream() {
        return stream;
    }

    /** The most that is read of it at once, in bytes. */
    public long limit() {
        return maxBytes;
    }

    /** The whole content, for readers that need it at once. */
    public byte[] bytes() throws IOException, Unreadable {
        return bytes(maxBytes);
    }

    /** The whole content, where a reader can take less than the general limit. */
    public byte[] bytes(long most) throws IOException, Unreadable {
        long limit = Math.min(most, maxBytes);
        byte[] bytes = start((int) Math.min(limit + 1, Integer.MAX_VALUE - 16));
        if (bytes.length > limit) {
            throw Unreadable.tooLarge(limit);
        }
        return bytes;
    }

    /**
     * As much of the beginning as is asked for, or all of it.
     *
     * @throws Unreadable when documents may only be streamed by now
     */
    public byte[] start(int most) throws IOException, Unreadable {
        if (!whole.allowed) {
            whole.bytes = Math.max(1, whole.bytes);
            throw new Unreadable(new ReadProblem(ReadProblem.Kind.TOO_LARGE, SourcePosition.WHOLE, ReadWording.TOO_LONG_TOGETHER.say()));
        }
        byte[] bytes = stream.readNBytes(most);
        whole.bytes += bytes.length;
        return bytes;
    }

    /** How a document begins, and the whole of it again. */
    public record Peek(byte[] start, DocumentContent content) {

        public boolean startsWith(int... signature) {
            return new Head(start).startsWith(signature);
        }
    }

    /** Looks at the first bytes; what is read on is read from the content in the answer. */
    public Peek peek(int bytes) throws IOException {
        byte[] start = stream.readNBytes(bytes);
        return new Peek(start,
                new DocumentContent(path, new SequenceInputStream(new ByteArrayInputStream(start), stream), maxBytes, whole));
    }
}
