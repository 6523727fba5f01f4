package org.opensatchel.core.pack;

import static org.opensatchel.base.fact.FactName.BYTES;
import static org.opensatchel.base.fact.FactName.FAULT;
import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.MOST_BYTES;
import static org.opensatchel.base.fact.FactName.OTHERS;
import static org.opensatchel.base.fact.FactName.PLACE;
import static org.opensatchel.base.fact.FactName.TYPE;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.FileVisitResult;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.SimpleFileVisitor;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.BasicFileAttributes;
import java.security.DigestInputStream;
import java.security.MessageDigest;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.LongConsumer;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.base.hash.Sha256;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.kit.Kit.StarterFile;
import org.opensatchel.core.kit.Marker;
import org.opensatchel.core.naming.PortableName;
import org.opensatchel.core.pack.Handout.StarterContents;

/**
 * Puts a hand-out onto a drive as a folder: beside its place first, read back and held against what was meant, and only then
 * under its name. A drive that is too small, or breaks on the way, is left as it was.
 */
public final class KitLoader {

    /** Where a kit stands until it is whole; a name no kit has. */
    static final String UNFINISHED = ".satchel-loading";
    /** What a file and a folder take at least, in bytes. */
    private static final long CLUSTER = 32 << 10;

    /** The formats of drives, with the largest file each holds, in bytes. */
    public enum DriveFormat {
        FAT32("FAT32", (1L << 32) - 1), EXFAT("exFAT", Long.MAX_VALUE);

        private final String title;
        private final long fileBytes;

        DriveFormat(String title, long fileBytes) {
            this.title = title;
            this.fileBytes = fileBytes;
        }

        public String title() {
            return title;
        }
    }

    /**
     * A drive.
     *
     * @param top its top folder
     * @param free what is left on it, in bytes
     */
    public record Drive(String label, Path top, DriveFormat format, long free) {}

    /** What came of it: the root's folder, or the sentence that says why there is none. */
    public record Loading(boolean loaded, Optional<Phrase> refusal) {
        static Loading refused(Phrase why) {
            return new Loading(false, Optional.of(why));
        }
    }

    private final Handout handout;
    private final List<StarterFile> starter;
    private final StarterContents contents;

    public KitLoader(Handout handout, List<StarterFile> starter, StarterContents contents) {
        this.handout = handout;
        this.starter = List.copyOf(starter);
        this.contents = contents;
    }

    /** What the kit takes on a drive, in bytes, whole clusters counted. */
    public long bytesNeeded() {
        long bytes = (handout.folders().size() + 1) * CLUSTER + clusters(handout.guide().length) + clusters(handout.marker().length);
        for (StarterFile file : starter) {
            bytes += clusters(file.bytes());
        }
        return bytes;
    }

    private static long clusters(long bytes) {
        return (bytes + CLUSTER - 1) / CLUSTER * CLUSTER;
    }

    /**
     * Loads the kit.
     *
     * @param progress is told how many bytes have been written and read back
     */
    public Loading load(Drive drive, LongConsumer progress) {
        Optional<Phrase> unsafe = WriteGuard.refusal(handout.root());
        if (unsafe.isPresent()) {
            return Loading.refused(PackWording.UNSAFE_ROOT.say(Facts.of(FOUND, handout.root()).and(FAULT, unsafe.get())));
        }
        Path place = drive.top().resolve(handout.root());
        if (Files.exists(place, LinkOption.NOFOLLOW_LINKS)) {
            return Loading.refused(PackWording.THERE_ALREADY.say(Facts.of(FOUND, handout.root()).and(PLACE, drive.label())));
        }
        long needed = bytesNeeded();
        if (needed > drive.free()) {
            return Loading
                    .refused(PackWording.NO_ROOM.say(Facts.of(PLACE, drive.label()).and(MOST_BYTES, drive.free()).and(BYTES, needed)));
        }
        for (StarterFile file : starter) {
            if (file.bytes() > drive.format().fileBytes) {
                return Loading.refused(PackWording.FILE_TOO_LARGE.say(
                        Facts.of(FOUND, file.path()).and(BYTES, file.bytes()).and(PLACE, drive.label()).and(TYPE, drive.format().title)));
            }
            for (String name : file.path().names()) {
                if (PortableName.refusal(name).isPresent()) {
                    return Loading.refused(PackWording.UNWRITABLE
                            .say(Facts.of(FOUND, name).and(PLACE, drive.label()).and(FAULT, PortableName.refusal(name).get().what())));
                }
            }
        }
        return written(drive, place, progress);
    }

    private Loading written(Drive drive, Path place, LongConsumer progress) {
        Path unfinished = drive.top().resolve(UNFINISHED);
        try {
            remove(unfinished);
            Files.createDirectory(unfinished);
            Meter meter = new Meter(progress);
            List<String> wrong = write(unfinished, meter);
            if (!wrong.isEmpty()) {
                return Loading.refused(PackWording.NOT_ALL.say(Facts.of(PLACE, drive.label()).and(OTHERS, wrong)));
            }
            Files.move(unfinished, place, StandardCopyOption.ATOMIC_MOVE);
            return new Loading(true, Optional.empty());
        } catch (IOException broke) {
            return Loading.refused(PackWording.BROKE_OFF.say(Facts.of(PLACE, drive.label())));
        } finally {
            removeQuietly(unfinished);
        }
    }

    /** Writes everything and reads it back; returns the files that came back different. */
    private List<String> write(Path top, Meter meter) throws IOException {
        for (ProjectPath folder : handout.folders()) {
            Files.createDirectories(top.resolve(WriteGuard.required(folder.text())));
        }
        List<String> wrong = new ArrayList<>();
        file(top.resolve(Marker.GUIDE), new ByteArrayInputStream(handout.guide()), handout.guide().length, meter, wrong);
        file(top.resolve(Marker.FILE), new ByteArrayInputStream(handout.marker()), handout.marker().length, meter, wrong);
        for (StarterFile file : starter) {
            try (InputStream content = contents.open(file)) {
                file(top.resolve(WriteGuard.required(file.path().text())), content, file.bytes(), meter, wrong);
            }
        }
        return wrong;
    }

    private static void file(Path path, InputStream content, long bytes, Meter meter, List<String> wrong) throws IOException {
        DigestInputStream meant = new DigestInputStream(content, Sha256.digest());
        try (OutputStream out = Files.newOutputStream(path, StandardOpenOption.CREATE_NEW, StandardOpenOption.WRITE)) {
            meter.copy(meant, out, bytes);
        }
        try (DigestInputStream read = new DigestInputStream(Files.newInputStream(path), Sha256.digest())) {
            meter.copy(read, OutputStream.nullOutputStream(), bytes);
            if (!MessageDigest.isEqual(read.getMessageDigest().digest(), meant.getMessageDigest().digest())) {
                wrong.add(path.getFileName().toString());
            }
        }
    }

    /** Counts what passes and tells it on. */
    private static final class Meter {
        private final LongConsumer progress;
        private long bytes;

        Meter(LongConsumer progress) {
            this.progress = progress;
        }

        /** Copies exactly so many bytes: room was made for no more. */
        void copy(InputStream in, OutputStream out, long expected) throws IOException {
            long left = expected;
            byte[] buffer = new byte[1 << 16];
            int got;
            while ((got = in.read(buffer)) >= 0) {
                left -= got;
                if (left < 0) {
                    break;
                }
                out.write(buffer, 0, got);
                bytes += got;
                progress.accept(bytes);
            }
            if (left != 0) {
                throw new IOException("another length than the kit says");
            }
        }
    }

    /**
     * What lies on a drive, in bytes, whole clusters counted; what goes away meanwhile, as a kit does that is being loaded, does not
     * count.
     */
    public static long used(Path top) throws IOException {
        long[] bytes = {0};
        Files.walkFileTree(top, new SimpleFileVisitor<>() {
            @Override
            public FileVisitResult visitFile(Path file, BasicFileAttributes attributes) {
                bytes[0] += Math.max(CLUSTER, clusters(attributes.size()));
                return FileVisitResult.CONTINUE;
            }

            @Override
            public FileVisitResult preVisitDirectory(Path folder, BasicFileAttributes attributes) {
                bytes[0] += folder.equals(top) ? 0 : CLUSTER;
                return FileVisitResult.CONTINUE;
            }

            @Override
            public FileVisitResult visitFileFailed(Path gone, IOException failed) throws IOException {
                return passed(gone, failed);
            }

            @Override
            public FileVisitResult postVisitDirectory(Path folder, IOException failed) throws IOException {
                return failed == null ? FileVisitResult.CONTINUE : passed(folder, failed);
            }

            private FileVisitResult passed(Path gone, IOException failed) throws IOException {
                if (gone.equals(top) || !(failed instanceof NoSuchFileException)) {
                    throw failed;
                }
                return FileVisitResult.CONTINUE;
            }
        });
        return bytes[0];
    }

    private static void removeQuietly(Path folder) {
        try {
            remove(folder);
        } catch (IOException left) {
            // A drive that cannot even be cleared was told of already; what is left bears a name that says what it is.
        }
    }

    private static void remove(Path folder) throws IOException {
        if (!Files.exists(folder, LinkOption.NOFOLLOW_LINKS)) {
            return;
        }
        Files.walkFileTree(folder, new SimpleFileVisitor<>() {
            @Override
            public FileVisitResult visitFile(Path file, BasicFileAttributes attributes) throws IOException {
                Files.delete(file);
                return FileVisitResult.CONTINUE;
            }

            @Override
            public FileVisitResult postVisitDirectory(Path done, IOException failed) throws IOException {
                Files.delete(done);
                return FileVisitResult.CONTINUE;
            }
        });
    }
}
