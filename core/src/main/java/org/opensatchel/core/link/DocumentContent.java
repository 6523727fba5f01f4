package org.opensatchel.core.link;

import java.io.IOException;
import java.io.InputStream;
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
}
