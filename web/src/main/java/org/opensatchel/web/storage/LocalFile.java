package org.opensatchel.web.storage;

import java.io.Closeable;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;

/**
 * A content as a file of this machine, to be read only, until it is closed.
 *
 * @param copied whether the file was made for this alone
 */
public record LocalFile(Path path, boolean copied) implements Closeable {

    @Override
    public void close() throws IOException {
        if (copied) {
            Files.deleteIfExists(path);
        }
    }
}
