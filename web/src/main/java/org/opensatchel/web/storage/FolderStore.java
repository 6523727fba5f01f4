package org.opensatchel.web.storage;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.security.DigestOutputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import org.springframework.stereotype.Component;

/** The store as a folder on disk. What is half written lies apart, and becomes visible in one step. */
@Component
class FolderStore implements ContentStore {

    private final Path contents;
    private final Path incoming;

    FolderStore(SatchelProperties properties) throws IOException {
        Path root = properties.storage().toAbsolutePath();
        this.contents = Files.createDirectories(root.resolve("contents"));
        this.incoming = Files.createDirectories(root.resolve("incoming"));
        removeAbandoned();
    }

    /** What a crash left half written belongs to nobody. */
    private void removeAbandoned() throws IOException {
        try (var left = Files.newDirectoryStream(incoming)) {
            for (Path file : left) {
                Files.deleteIfExists(file);
            }
        }
    }

    @Override
    public Stored store(InputStream content, long mostBytes) throws IOException {
        Path part = Files.createTempFile(incoming, "part", "");
        try {
            MessageDigest digest = sha256();
            long bytes = 0;
            byte[] buffer = new byte[1 << 16];
            try (OutputStream out = new DigestOutputStream(Files.newOutputStream(part), digest)) {
                int got;
                while ((got = content.read(buffer)) >= 0) {
                    bytes += got;
                    if (bytes > mostBytes) {
                        throw new TooLarge();
                    }
                    out.write(buffer, 0, got);
                }
            }
            String hash = HexFormat.of().formatHex(digest.digest());
            Path place = place(hash);
            Files.createDirectories(place.getParent());
            Files.move(part, place, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
            return new Stored(hash, bytes);
        } finally {
            Files.deleteIfExists(part);
        }
    }

    @Override
    public InputStream open(String sha256) throws IOException {
        return Files.newInputStream(place(sha256));
    }

    @Override
    public Path file(String sha256) {
        return place(sha256);
    }

    private Path place(String sha256) {
        return contents.resolve(sha256.substring(0, 2)).resolve(sha256);
    }

    private static MessageDigest sha256() {
        try {
            return MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException impossible) {
            throw new IllegalStateException("every Java has SHA-256", impossible);
        }
    }
}
