package org.opensatchel.core.pack;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.DigestInputStream;
import java.security.DigestOutputStream;
import java.security.MessageDigest;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import org.opensatchel.base.hash.Sha256;
import org.opensatchel.core.project.Intake;
import org.opensatchel.core.project.ProjectSource;
import org.opensatchel.core.project.ReadLimits;
import org.opensatchel.core.project.SourceEntry;
import org.opensatchel.core.project.ZipSource;

/**
 * Packs a project's folder into an archive, names and times as they are, and reads both back: the archive, since a disk may be full or
 * broken, and the folder once more, since drives give other bytes when they fail, and people go on working.
 */
public final class FolderPack {

    /** What was read back is not what was copied. */
    public static final class Differs extends IOException {
        private static final long serialVersionUID = 1L;

        Differs(String path) {
            super(path + " is not the same when it is read back");
        }
    }

    private final ProjectSource source;
    private final String prefix;
    private final ReadLimits limits;

    /** @param prefix the folder's path in the source with a slash at its end; empty for the source's top */
    public FolderPack(ProjectSource source, String prefix, ReadLimits limits) {
        this.source = source;
        this.prefix = prefix;
        this.limits = limits;
    }

    /**
     * @param root the one folder of the archive
     * @param to where the archive is written
     * @throws Differs when something is not the same when it is read back
     * @throws IOException when a file cannot be read, or the archive not be written
     */
    public void write(List<SourceEntry> files, List<String> folders, String root, Path to) throws IOException {
        Map<String, String> hashes = new HashMap<>();
        try (OutputStream out = Files.newOutputStream(to); ZipWriter zip = ZipWriter.asFound(out)) {
            for (String folder : new TreeSet<>(folders)) {
                zip.folder(root + "/" + folder.substring(prefix.length()));
            }
            for (SourceEntry file : files) {
                String path = root + "/" + file.path().substring(prefix.length());
                MessageDigest digest = Sha256.digest();
                zip.file(path, file.time(), content -> copy(file, new DigestOutputStream(content, digest)));
                hashes.put(path, Sha256.hex(digest.digest()));
            }
        }
        readBack(files, root, to, hashes);
    }

    private void copy(SourceEntry file, OutputStream to) throws IOException {
        try (InputStream content = source.open(file)) {
            content.transferTo(to);
        }
    }

    private void readBack(List<SourceEntry> files, String root, Path written, Map<String, String> hashes) throws IOException {
        for (SourceEntry file : files) {
            String path = root + "/" + file.path().substring(prefix.length());
            if (!hash(source, file).equals(hashes.get(path))) {
                throw new Differs(file.path());
            }
        }
        try (ZipSource archive = ZipSource.open(written)) {
            if (!(archive.list(limits) instanceof Intake.Opened opened) || opened.listing().files().size() != files.size()) {
                throw new Differs(root);
            }
            for (SourceEntry copy : opened.listing().files()) {
                if (!hash(archive, copy).equals(hashes.get(copy.path()))) {
                    throw new Differs(copy.path());
                }
            }
        }
    }

    private static String hash(ProjectSource source, SourceEntry file) throws IOException {
        try (DigestInputStream content = new DigestInputStream(source.open(file), Sha256.digest())) {
            content.transferTo(OutputStream.nullOutputStream());
            return Sha256.hex(content.getMessageDigest().digest());
        }
    }
}
