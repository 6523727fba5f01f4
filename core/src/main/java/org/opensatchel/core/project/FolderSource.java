package org.opensatchel.core.project;

import static org.opensatchel.base.fact.FactName.MOST;

import java.io.IOException;
import java.io.InputStream;
import java.nio.channels.FileChannel;
import java.nio.file.FileVisitResult;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.SimpleFileVisitor;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.BasicFileAttributes;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.core.finding.Code;

/** A folder on disk. Shortcuts are not followed, and pipes, sockets and devices are never opened. */
public final class FolderSource implements ProjectSource {

    private final Path folder;

    public FolderSource(Path folder) throws IOException {
        this.folder = folder.toRealPath();
    }

    /** The path as the folder's own stream gave it: a name that is not UTF-8 opens through no other. */
    private record OnDisk(Path file) implements EntryHandle {}

    @Override
    public Intake list(ReadLimits limits) throws IOException {
        Walk walk = new Walk(limits);
        Files.walkFileTree(folder, walk);
        if (walk.refusal.isPresent()) {
            return walk.refusal.get();
        }
        if (walk.files.isEmpty() && walk.folders.isEmpty() && walk.faults.isEmpty()) {
            return Intake.unreadable(PackageWording.EMPTY_FOLDER.say());
        }
        String name = folder.getFileName() == null ? "" : folder.getFileName().toString();
        return new Intake.Opened(new SourceListing(true, Optional.of(name), walk.files, walk.folders, walk.faults));
    }

    /** Companions beside the folder given; when the root lies deeper, they are part of the listing already. */
    @Override
    public List<SourceEntry> besideRoot(String prefix, Set<String> names, ReadLimits limits) throws IOException {
        List<SourceEntry> out = new ArrayList<>();
        if (!prefix.isEmpty() || folder.getParent() == null) {
            return out;
        }
        for (String name : new TreeSet<>(names)) {
            Path companion = folder.getParent().resolve(name);
            if (Files.isDirectory(companion, LinkOption.NOFOLLOW_LINKS)
                    && new FolderSource(companion).list(limits) instanceof Intake.Opened opened) {
                opened.listing().files().forEach(entry -> out.add(new SourceEntry("../" + name + "/" + entry.path(), entry.bytes(),
                        entry.time(), entry.sha256(), false, 0, entry.handle())));
            }
        }
        return out;
    }

    @Override
    public InputStream open(SourceEntry entry) throws IOException {
        // The path that the directory gave: a name that is not UTF-8 cannot be made again from its text.
        Path file = ((OnDisk) entry.handle()).file();
        try {
            if (!Files.isRegularFile(file, LinkOption.NOFOLLOW_LINKS)) {
                throw new ContentUnavailable(PackageWording.GONE.say());
            }
            return new OpenFile(FileChannel.open(file, StandardOpenOption.READ, LinkOption.NOFOLLOW_LINKS));
        } catch (ContentUnavailable told) {
            throw told;
        } catch (IOException refused) {
            throw new ContentUnavailable(PackageWording.REFUSED.say());
        }
    }

    @Override
    public void close() {
        // Nothing is held open.
    }

    private final class Walk extends SimpleFileVisitor<Path> {
        private final ReadLimits limits;
        private final List<SourceEntry> files = new ArrayList<>();
        private final List<String> folders = new ArrayList<>();
        private final List<PackageFault> faults = new ArrayList<>();
        private Optional<Intake> refusal = Optional.empty();

        Walk(ReadLimits limits) {
            this.limits = limits;
        }

        @Override
        public FileVisitResult preVisitDirectory(Path dir, BasicFileAttributes attributes) {
            if (dir.equals(folder)) {
                return FileVisitResult.CONTINUE;
            }
            if (folder.relativize(dir).getNameCount() > limits.depth()) {
                faults.add(PackageFault.of(Code.PACKAGE_UNREADABLE, text(dir), Intake.tooDeep(limits)));
                return count() == FileVisitResult.CONTINUE ? FileVisitResult.SKIP_SUBTREE : FileVisitResult.TERMINATE;
            }
            folders.add(text(dir));
            return count();
        }

        @Override
        public FileVisitResult visitFile(Path file, BasicFileAttributes attributes) {
            String path = text(file);
            if (attributes.isSymbolicLink()) {
                faults.add(PackageFault.shortcut(path));
            } else if (attributes.isOther()) {
                faults.add(PackageFault.of(Code.PACKAGE_JUNK, path, PackageWording.DEVICE.say()));
            } else {
                files.add(new SourceEntry(path, attributes.size(), Optional.of(attributes.lastModifiedTime().toInstant()), Optional.empty(),
                        false, 0, new OnDisk(file)));
            }
            return count();
        }

        @Override
        public FileVisitResult visitFileFailed(Path file, IOException refused) {
            faults.add(PackageFault.of(Code.PACKAGE_UNREADABLE, text(file), PackageWording.REFUSED.say()));
            return FileVisitResult.CONTINUE;
        }

        private FileVisitResult count() {
            boolean over = files.size() + folders.size() + faults.size() > limits.files();
            return over ? refuse(Intake.bomb(PackageWording.TOO_MANY_FILES.say(Facts.of(MOST, limits.files())))) : FileVisitResult.CONTINUE;
        }

        private FileVisitResult refuse(Intake why) {
            refusal = Optional.of(why);
            return FileVisitResult.TERMINATE;
        }

        private String text(Path path) {
            return folder.relativize(path).toString().replace(path.getFileSystem().getSeparator(), "/");
        }
    }
}
