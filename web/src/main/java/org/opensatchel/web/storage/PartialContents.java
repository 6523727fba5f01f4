package org.opensatchel.web.storage;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import org.opensatchel.web.storage.PartialContent.Running;
import org.springframework.stereotype.Component;
import org.springframework.util.FileSystemUtils;

/** What is arriving, each in a folder of its own beside the store. */
@Component
public class PartialContents {

    /** Of so many the hash so far is kept in memory; of others the part is read again. */
    private static final int RUNNING = 200;

    private final Path root;
    private final ContentStore store;
    private final Map<String, Running> running = new LinkedHashMap<>(16, 0.75f, true) {
        private static final long serialVersionUID = 1L;

        @Override
        protected boolean removeEldestEntry(Map.Entry<String, Running> eldest) {
            return size() > RUNNING;
        }
    };

    PartialContents(SatchelProperties properties, ContentStore store) throws IOException {
        this.root = Files.createDirectories(properties.storage().toAbsolutePath().resolve("arriving"));
        this.store = store;
    }

    /**
     * What is arriving under a name of ours; empty while somebody else holds it. A lock on a file of its own says so to other servers too,
     * and is gone with whoever held it.
     *
     * @param token letters and digits
     */
    public Optional<PartialContent> hold(String token) throws IOException {
        Path folder = Files.createDirectories(folder(token));
        FileChannel channel = FileChannel.open(folder.resolve("lock"), StandardOpenOption.CREATE, StandardOpenOption.WRITE);
        FileLock lock = null;
        try {
            lock = channel.tryLock();
        } catch (OverlappingFileLockException heldHere) {
            // By a request of this server.
        } finally {
            if (lock == null) {
                channel.close();
            }
        }
        if (lock == null) {
            return Optional.empty();
        }
        synchronized (running) {
            return Optional.of(PartialContent.open(folder, store, running.computeIfAbsent(token, fresh -> new Running()), lock));
        }
    }

    private Path folder(String token) {
        if (!token.matches("[0-9a-z]{1,64}")) {
            throw new IllegalArgumentException(token);
        }
        return root.resolve(token);
    }

    /** Forgets what came under a name. */
    public void remove(String token) throws IOException {
        FileSystemUtils.deleteRecursively(folder(token));
        synchronized (running) {
            running.remove(token);
        }
    }

    /** Forgets all that nobody knows of any more and nobody touched since a time. */
    public void removeOthers(Predicate<String> known, Instant before) throws IOException {
        try (DirectoryStream<Path> folders = Files.newDirectoryStream(root)) {
            for (Path folder : folders) {
                String token = folder.getFileName().toString();
                if (!known.test(token) && FolderStore.isOlder(folder, before)) {
                    remove(token);
                }
            }
        }
    }
}
