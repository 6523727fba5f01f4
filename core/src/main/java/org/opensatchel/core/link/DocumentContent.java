package org.opensatchel.core.link;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.SequenceInputStream;
import org.opensatchel.core.path.ProjectPath;

/** A document on its way to a reader: its path and its bytes, as a stream that can be read once. */
public final class DocumentContent {

    private final ProjectPath path;
    private final InputStream stream;
    private final long maxBytes;

    public DocumentContent(ProjectPath path, InputStream stream, long maxBytes) {
        this.path = path;
        this.stream = stream;
        this.maxBytes = maxBytes;
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
        byte[] bytes = stream.readNBytes((int) Math.min(limit + 1, Integer.MAX_VALUE - 16));
        if (bytes.length > limit) {
            throw Unreadable.tooLarge(limit);
        }
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
        return new Peek(start, new DocumentContent(path, new SequenceInputStream(new ByteArrayInputStream(start), stream), maxBytes));
    }
}
