package org.opensatchel.web.storage;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Path;

/** Files kept by their content: the same bytes are stored once, under their SHA-256. */
public interface ContentStore {

    /** What was stored. */
    record Stored(String sha256, long bytes) {
    }

    /** A stream that turned out longer than allowed; nothing of it is kept. */
    final class TooLarge extends IOException {
        private static final long serialVersionUID = 1L;

        TooLarge() {
            super("longer than allowed");
        }
    }

    /**
     * Stores a stream as it arrives.
     *
     * @throws TooLarge when it is longer than allowed
     */
    Stored store(InputStream content, long mostBytes) throws IOException;

    InputStream open(String sha256) throws IOException;

    /** The content as a file on this machine, to be read only. */
    Path file(String sha256) throws IOException;
}
