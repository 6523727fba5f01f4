package org.opensatchel.web.storage;

import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.channels.Channels;
import java.nio.channels.FileChannel;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.security.MessageDigest;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HexFormat;
import java.util.List;
import java.util.Set;
import org.apache.commons.io.input.BoundedInputStream;
import org.opensatchel.base.hash.Sha256;
import org.springframework.stereotype.Component;

/** The store as a folder on disk. What is half written lies apart, and becomes visible in one step. */
@Component
class FolderStore implements ContentStore, OnDisk {

    private static final Duration ABANDONED = Duration.ofMinutes(30);

    private final Path contents;
    private final Path incoming;

    private final long reserve;
    /** Held while a content is put into its place, or found old and removed: never both at once. */
    private final Object placing = new Object();

    FolderStore(SatchelProperties properties) throws IOException {
        Path root = properties.storage().toAbsolutePath();
        this.contents = Files.createDirectories(root.resolve("contents"));
        this.incoming = Files.createDirectories(root.resolve("incoming"));
        this.reserve = properties.reserve().toBytes();
        removeAbandoned();
    }

    @Override
    public void removeAbandoned() throws IOException {
        Instant before = Instant.now().minus(ABANDONED);
        try (var left = Files.newDirectoryStream(incoming)) {
            for (Path file : left) {
                if (isOlder(file, before)) {
                    Files.deleteIfExists(file);
                }
            }
        }
    }

    /** What went meanwhile, to its place or for good, is not old. */
    static boolean isOlder(Path file, Instant before) throws IOException {
        try {
            return Files.getLastModifiedTime(file).toInstant().isBefore(before);
        } catch (NoSuchFileException gone) {
            return false;
        }
    }

    @Override
    public Stored store(InputStream content, long mostBytes, long leastBytes) throws IOException {
        Path part = part();
        try {
            MessageDigest digest = Sha256.digest();
            long bytes = 0;
            byte[] buffer = new byte[1 << 16];
            try (FileChannel out = FileChannel.open(part, StandardOpenOption.WRITE)) {
                int got;
                while ((got = content.read(buffer)) >= 0) {
                    bytes += got;
                    if (bytes > mostBytes) {
                        throw new TooLarge();
                    }
                    digest.update(buffer, 0, got);
                    write(out, ByteBuffer.wrap(buffer, 0, got));
                }
                if (bytes < leastBytes) {
                    throw new Incomplete(bytes == 0);
                }
                force(out);
            }
            String hash = Sha256.hex(digest.digest());
            keep(part, place(hash));
            return new Stored(hash, bytes);
        } finally {
            Files.deleteIfExists(part);
        }
    }

    private Path part() throws NoRoom {
        try {
            return Files.createTempFile(incoming, "part", "");
        } catch (IOException full) {
            throw new NoRoom("nothing can be written to " + incoming, full);
        }
    }

    /** A file that grows. */
    static FileChannel appending(Path file) throws NoRoom {
        try {
            return FileChannel.open(file, StandardOpenOption.CREATE, StandardOpenOption.WRITE, StandardOpenOption.APPEND);
        } catch (IOException full) {
            throw new NoRoom("nothing can be written to " + file, full);
        }
    }

    static void write(FileChannel out, ByteBuffer bytes) throws NoRoom {
        try {
            while (bytes.hasRemaining()) {
                out.write(bytes);
            }
        } catch (IOException full) {
            throw new NoRoom("a content could not be written", full);
        }
    }

    static void force(FileChannel out) throws NoRoom {
        try {
            out.force(true);
        } catch (IOException failing) {
            throw new NoRoom("a content could not be brought onto the disk", failing);
        }
    }

    /** The file is on the disk; now its name has to be, before it counts. */
    private void keep(Path part, Path place) throws NoRoom {
        try {
            boolean fresh = !Files.isDirectory(place.getParent());
            place(part, place);
            forceFolder(place.getParent());
            if (fresh) {
                forceFolder(contents);
            }
        } catch (IOException failing) {
            throw new NoRoom("a content could not be put into its place", failing);
        }
    }

    @Override
    public void adopt(Path file, String sha256) throws IOException {
        Path place = place(sha256);
        try {
            place(file, place);
        } catch (IOException failing) {
            throw new NoRoom("a content could not be put into its place", failing);
        }
    }

    /** One look at each folder, instead of one for each of twenty thousand files. */
    @Override
    public void settle() throws IOException {
        try (DirectoryStream<Path> folders = Files.newDirectoryStream(contents)) {
            for (Path folder : folders) {
                forceFolder(folder);
            }
            forceFolder(contents);
        } catch (IOException failing) {
            throw new NoRoom("contents could not be brought onto the disk", failing);
        }
    }

    @Override
    public boolean has(String sha256, long bytes) {
        try {
            return Files.size(place(sha256)) == bytes;
        } catch (IOException none) {
            return false;
        }
    }

    private void place(Path file, Path place) throws IOException {
        Files.createDirectories(place.getParent());
        synchronized (placing) {
            Files.move(file, place, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        }
    }

    /**
     * A content that comes once more while it is looked at is new, and stays; also when another server puts it there, which knows nothing of
     * what is locked here: it is set apart first, and then looked at once more.
     */
    private boolean removed(Path file, Instant before) {
        Path apart = incoming.resolve("collected-" + file.getFileName() + "-" + ProcessHandle.current().pid());
        synchronized (placing) {
            try {
                Files.move(file, apart, StandardCopyOption.ATOMIC_MOVE);
                if (isOlder(apart, before)) {
                    return Files.deleteIfExists(apart);
                }
                // What was put there meanwhile is the same content; either may stay.
                Files.move(apart, file, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
                return false;
            } catch (IOException later) {
                return false;
            }
        }
    }

    private static void forceFolder(Path folder) throws IOException {
        try (FileChannel open = FileChannel.open(folder, StandardOpenOption.READ)) {
            open.force(true);
        }
    }

    @Override
    public long room() {
        try {
            return Math.max(0, Files.getFileStore(contents).getUsableSpace() - reserve);
        } catch (IOException unknown) {
            return 0;
        }
    }

    @Override
    public boolean isSound() {
        try {
            Path probe = Files.createTempFile(incoming, "probe", "");
            try {
                Files.write(probe, new byte[]{1});
                return Files.size(probe) == 1;
            } finally {
                Files.deleteIfExists(probe);
            }
        } catch (IOException failing) {
            return false;
        }
    }

    @Override
    public int remove(Collection<String> hashes, Owners owners, Instant before) {
        return (int) hashes.stream().filter(hash -> isOld(place(hash), before))
                .filter(hash -> owners.whileNobodyHas(hash, () -> removed(place(hash), before))).count();
    }

    private static boolean isOld(Path file, Instant before) {
        try {
            return isOlder(file, before);
        } catch (IOException unreadable) {
            return false;
        }
    }

    /** A part is a folder, by the first two digits of the hashes in it. */
    @Override
    public int sweep(int part, Owners owners, Instant before) throws IOException {
        String beginning = HexFormat.of().toHexDigits((byte) part);
        Path folder = contents.resolve(beginning);
        if (!Files.isDirectory(folder)) {
            return 0;
        }
        Set<String> owned = owners.owned(beginning);
        List<String> strangers = new ArrayList<>();
        try (DirectoryStream<Path> files = Files.newDirectoryStream(folder)) {
            for (Path file : files) {
                if (!owned.contains(file.getFileName().toString())) {
                    strangers.add(file.getFileName().toString());
                }
            }
        }
        return remove(strangers, owners, before);
    }

    @Override
    public InputStream open(String sha256) throws IOException {
        return Files.newInputStream(place(sha256));
    }

    @Override
    public InputStream open(String sha256, long from, long length) throws IOException {
        FileChannel file = FileChannel.open(place(sha256), StandardOpenOption.READ);
        file.position(from);
        return BoundedInputStream.builder().setInputStream(Channels.newInputStream(file)).setMaxCount(length).get();
    }

    @Override
    public Path file(String sha256) {
        return place(sha256);
    }

    private Path place(String sha256) {
        return contents.resolve(sha256.substring(0, 2)).resolve(sha256);
    }
}
