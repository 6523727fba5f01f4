package org.opensatchel.worker;

import java.io.BufferedWriter;
import java.io.FileNotFoundException;
import java.io.IOException;
import java.io.InputStream;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.HashMap;
import java.util.Map;
import org.opensatchel.core.project.HashedSource.ByHash;
import org.opensatchel.core.project.OpenFile;

/** Where the contents of a folder lie: a file of lines, each a hash, a blank and a path. */
public final class HeldContents implements ByHash {

    /** For projects that have their contents in themselves. */
    static final HeldContents NONE = new HeldContents(Map.of());

    private static final int HASH = 64;

    private final Map<String, Path> files;

    private HeldContents(Map<String, Path> files) {
        this.files = files;
    }

    /** Writes such a file. */
    public static void write(Map<String, Path> files, Path to) throws IOException {
        try (BufferedWriter out = Files.newBufferedWriter(to)) {
            for (Map.Entry<String, Path> file : files.entrySet()) {
                out.append(file.getKey()).append(' ').append(file.getValue().toString()).append('\n');
            }
        }
    }

    static HeldContents read(Path written) throws IOException {
        Map<String, Path> files = new HashMap<>();
        for (String line : Files.readAllLines(written)) {
            files.put(line.substring(0, HASH), Path.of(line.substring(HASH + 1)));
        }
        return new HeldContents(files);
    }

    @Override
    public InputStream open(String sha256) throws IOException {
        Path file = files.get(sha256);
        if (file == null) {
            throw new FileNotFoundException(sha256);
        }
        return new OpenFile(FileChannel.open(file, StandardOpenOption.READ));
    }
}
