package org.opensatchel.web.intake;

import java.io.Closeable;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.intake.Delivery;
import org.opensatchel.core.marker.Marker;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.pack.FolderPack;
import org.opensatchel.core.project.FolderSource;
import org.opensatchel.core.project.Intake;
import org.opensatchel.core.project.ProjectSource;
import org.opensatchel.core.project.ReadLimits;
import org.opensatchel.core.project.SourceEntry;
import org.opensatchel.core.project.SourceListing;
import org.opensatchel.core.project.ZipSource;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.drive.PluggedIn;
import org.opensatchel.web.storage.Contents;
import org.opensatchel.web.storage.LocalFile;

/** Many people's work, open to be looked into: one archive, a folder of the server, or the projects on the drives that are plugged in. */
final class Batch implements Closeable {

    private final List<Part> parts;
    private final Optional<Closeable> file;

    /** A delivery with what it is read from, or why it cannot be. */
    record Part(Delivery delivery, ProjectSource source, Optional<String> trouble) {}

    private Batch(List<Part> parts, Optional<Closeable> file) {
        this.parts = parts;
        this.file = file;
    }

    /** Opens what an intake is about, to be closed. */
    static Batch open(AssignmentView assignment, IntakeView intake, Contents contents, PluggedIn drives, ReadLimits limits)
            throws IOException {
        if (intake.folder().isEmpty()) {
            LocalFile file = contents.local(intake.sha256().orElseThrow());
            return archive(file.path(), file, limits);
        }
        return intake.isOfDrives() ? drives(drives.projects(assignment), limits) : folder(Path.of(intake.folder().get()), limits);
    }

    /** @param file is let go of when the batch is closed */
    static Batch archive(Path archive, Closeable file, ReadLimits limits) throws IOException {
        try {
            return of(ZipSource.open(archive), limits, Optional.of(file));
        } catch (IOException broken) {
            file.close();
            throw broken;
        }
    }

    static Batch folder(Path folder, ReadLimits limits) throws IOException {
        return of(new FolderSource(folder), limits, Optional.empty());
    }

    private static Batch of(ProjectSource source, ReadLimits limits, Optional<Closeable> file) throws IOException {
        List<Part> parts = new ArrayList<>();
        if (source.list(limits) instanceof Intake.Opened opened) {
            SourceListing listing = opened.listing();
            Delivery.of(listing.files(), listing.folders())
                    .forEach(delivery -> parts.add(new Part(delivery, source, trouble(listing, delivery.prefix()))));
        }
        return new Batch(parts, Optional.of(() -> {
            source.close();
            if (file.isPresent()) {
                file.get().close();
            }
        }));
    }

    static Batch drives(List<PluggedIn.Project> projects, ReadLimits limits) {
        List<Part> parts = new ArrayList<>();
        for (PluggedIn.Project project : projects) {
            Delivery nothing = Delivery.project(project.name(), List.of(), List.of());
            try {
                ProjectSource source = new FolderSource(project.folder());
                if (source.list(limits) instanceof Intake.Opened opened) {
                    SourceListing listing = opened.listing();
                    parts.add(new Part(Delivery.project(project.name(), listing.files(), listing.folders()), source,
                            trouble(listing, "")));
                } else {
                    parts.add(new Part(nothing, source, Optional.of("unreadable")));
                }
            } catch (IOException unplugged) {
                parts.add(new Part(nothing, null, Optional.of("unreadable")));
            }
        }
        return new Batch(parts, Optional.empty());
    }

    /** A file of a folder that cannot be read is not left out without a word: the folder is not taken in. */
    private static Optional<String> trouble(SourceListing listing, String prefix) {
        return listing.faults().stream().anyMatch(fault -> fault.code() == Code.PACKAGE_UNREADABLE && fault.path().startsWith(prefix))
                ? Optional.of("unreadable")
                : Optional.empty();
    }

    List<Part> parts() {
        return parts;
    }

    /** The one that was assigned: by its place, unless something came or went meanwhile, then by its name. */
    Optional<Part> part(int ordinal, String name) {
        if (ordinal < parts.size() && IntakeService.cut(parts.get(ordinal).delivery.name()).equals(name)) {
            return Optional.of(parts.get(ordinal));
        }
        List<Part> same = parts.stream().filter(part -> IntakeService.cut(part.delivery.name()).equals(name)).toList();
        return same.size() == 1 ? Optional.of(same.get(0)) : Optional.empty();
    }

    /** Whom the kit's marker in it names. */
    static RosterFields marker(Part part, ReadLimits limits) throws IOException {
        if (part.delivery.archive().isEmpty()) {
            Optional<SourceEntry> file = nearest(part.delivery.files());
            return file.isPresent() ? read(part.source, file.get()) : RosterFields.NONE;
        }
        Path copy = Files.createTempFile("satchel-intake", ".zip");
        try {
            try (InputStream content = part.source.open(part.delivery.archive().get())) {
                Files.copy(content, copy, StandardCopyOption.REPLACE_EXISTING);
            }
            try (ZipSource inner = ZipSource.open(copy)) {
                if (!(inner.list(limits) instanceof Intake.Opened opened)) {
                    throw new IOException("no archive");
                }
                Optional<SourceEntry> file = nearest(opened.listing().files());
                return file.isPresent() ? read(inner, file.get()) : RosterFields.NONE;
            }
        } finally {
            Files.deleteIfExists(copy);
        }
    }

    private static Optional<SourceEntry> nearest(List<SourceEntry> files) {
        return files.stream().filter(file -> file.path().endsWith("/" + Marker.FILE) || file.path().equals(Marker.FILE))
                .min(Comparator.comparingInt(file -> file.path().length()));
    }

    private static RosterFields read(ProjectSource source, SourceEntry file) throws IOException {
        try (InputStream content = source.open(file)) {
            return Marker.read(content.readNBytes(Marker.MAX_BYTES)).fields();
        }
    }

    /** What is done with an archive's bytes. */
    interface Use<T> {
        T of(InputStream archive) throws IOException;
    }

    /** A delivery as the archive that it is, or is packed into and read back. */
    static <T> T packed(Part part, ReadLimits limits, Use<T> use) throws IOException {
        if (part.trouble.isPresent()) {
            throw new IOException("not all of it can be read");
        }
        if (part.delivery.archive().isPresent()) {
            try (InputStream content = part.source.open(part.delivery.archive().get())) {
                return use.of(content);
            }
        }
        Path packed = Files.createTempFile("satchel-intake", ".zip");
        try {
            new FolderPack(part.source, part.delivery.prefix(), limits).write(part.delivery.files(), part.delivery.folders(),
                    part.delivery.root(), packed);
            try (InputStream content = Files.newInputStream(packed)) {
                return use.of(content);
            }
        } finally {
            Files.deleteIfExists(packed);
        }
    }

    @Override
    public void close() throws IOException {
        if (file.isPresent()) {
            file.get().close();
        }
    }
}
