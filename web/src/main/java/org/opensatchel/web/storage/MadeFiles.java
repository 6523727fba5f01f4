package org.opensatchel.web.storage;

import java.io.Closeable;
import java.io.IOException;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.FileTime;
import java.time.Clock;
import java.time.Duration;
import java.util.Optional;
import java.util.UUID;
import java.util.regex.Pattern;
import org.apache.commons.io.file.PathUtils;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/**
 * Files that workers make, on the disk where contents lie, since they may be as large: folders to work in, and what was made for somebody to
 * fetch, which stays for a while. Other servers with the same storage find them.
 */
@Component
public class MadeFiles {

    private static final Logger LOG = LoggerFactory.getLogger(MadeFiles.class);
    private static final Duration STAYS = Duration.ofHours(2);
    private static final String WORK = "work-";
    private static final Pattern NAME = Pattern.compile("[0-9a-f-]{36}");

    private final Path root;
    private final ContentStore store;
    private final Clock clock;

    MadeFiles(SatchelProperties properties, ContentStore store, Clock clock) throws IOException {
        this.root = Files.createDirectories(properties.storage().toAbsolutePath().resolve("made"));
        this.store = store;
        this.clock = clock;
    }

    /** A folder to work in, gone with all that is in it when it is closed. */
    public record Folder(Path path) implements Closeable {
        @Override
        public void close() throws IOException {
            PathUtils.deleteDirectory(path);
        }
    }

    /** @throws NoRoom when there can be none */
    public Folder folder() throws NoRoom {
        try {
            return new Folder(Files.createTempDirectory(root, WORK));
        } catch (IOException full) {
            throw new NoRoom("nothing can be written to " + root, full);
        }
    }

    /** How many bytes may be written now. */
    public long room() {
        return store.room();
    }

    /** Keeps a file for a while; returns what it is called. */
    public String keep(Path file) throws IOException {
        String name = UUID.randomUUID().toString();
        Files.move(file, root.resolve(name), StandardCopyOption.ATOMIC_MOVE);
        return name;
    }

    /** A file that was kept, if it still is; reading it keeps it a while longer. */
    public Optional<Path> find(String name) throws IOException {
        Path file = root.resolve(name);
        if (!NAME.matcher(name).matches() || !Files.isRegularFile(file)) {
            return Optional.empty();
        }
        Files.setLastModifiedTime(file, FileTime.from(clock.instant()));
        return Optional.of(file);
    }

    /** Removes what has stayed its time, and what a crash left. */
    public void removeOld() {
        try (DirectoryStream<Path> all = Files.newDirectoryStream(root)) {
            for (Path one : all) {
                if (FolderStore.isOlder(one, clock.instant().minus(STAYS))) {
                    PathUtils.delete(one);
                }
            }
        } catch (IOException later) {
            LOG.warn("what workers made could not be removed: {}", later.toString());
        }
    }
}
