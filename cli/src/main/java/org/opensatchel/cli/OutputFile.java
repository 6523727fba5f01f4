package org.opensatchel.cli;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;

/** A file that a command writes: beside and moved, so that a broken run leaves nothing half under the name asked for. */
final class OutputFile {

    private final String text;
    private final Path path;

    /** Writes what goes into it. */
    interface Content {
        void write(OutputStream out) throws IOException;
    }

    private OutputFile(String text, Path path) {
        this.text = text;
        this.path = path;
    }

    static OutputFile of(String text) throws Refusal {
        try {
            Path path = Path.of(text).toAbsolutePath();
            if (Files.isDirectory(path) || !Files.isDirectory(path.getParent())) {
                throw new Refusal(Files.isDirectory(path) ? "output.folder" : "output.no-folder", text);
            }
            return new OutputFile(text, path);
        } catch (InvalidPathException impossible) {
            throw new Refusal("path.impossible", text);
        }
    }

    String name() {
        return path.getFileName().toString();
    }

    void write(Content content) throws Refusal {
        Path part = null;
        try {
            part = Files.createTempFile(path.getParent(), ".satchel", ".part");
            try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(part), 1 << 16)) {
                content.write(out);
            }
            Files.move(part, path, StandardCopyOption.REPLACE_EXISTING);
        } catch (IOException failed) {
            throw new Refusal("output.failed", text);
        } finally {
            discard(part);
        }
    }

    private static void discard(Path part) {
        try {
            if (part != null) {
                Files.deleteIfExists(part);
            }
        } catch (IOException left) {
            // It stays behind under a name that says what it is; the file itself is written or was refused above.
        }
    }
}
