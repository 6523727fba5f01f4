package org.opensatchel.worker;

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
import org.opensatchel.core.kit.Marker;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.pack.FolderPack;
import org.opensatchel.core.project.Intake;
import org.opensatchel.core.project.ProjectSource;
import org.opensatchel.core.project.ReadLimits;
import org.opensatchel.core.project.SourceEntry;
import org.opensatchel.core.project.SourceListing;
import org.opensatchel.core.project.ZipSource;
import org.opensatchel.core.roster.Delivery;
import org.opensatchel.worker.Delivered.Fault;

/** Many people's work, open: one archive, a folder, or projects that lie one by one. */
final class Batch implements Closeable {

    private final List<Part> parts = new ArrayList<>();
    private final List<Closeable> open = new ArrayList<>();
    private final ReadLimits limits;
    private boolean readable = true;

    /** A delivery with what it is read from, or why it cannot be. */
    private record Part(Delivery delivery, ProjectSource source, Optional<Fault> fault) {}

    private Batch(ReadLimits limits) {
        this.limits = limits;
    }

    /** Opens what lies in it, to be closed. */
    static Batch open(List<Errand.Lot> lots) throws IOException {
        Batch batch = new Batch(lots.isEmpty() ? ReadLimits.DEFAULT : lots.get(0).project().limits());
        try {
            for (Errand.Lot lot : lots) {
                if (lot.alone().isPresent()) {
                    batch.addAlone(lot);
                } else {
                    batch.addAll(lot);
                }
            }
            return batch;
        } catch (IOException broken) {
            batch.close();
            throw broken;
        }
    }

    private void addAll(Errand.Lot lot) throws IOException {
        ProjectSource source = lot.project().open();
        open.add(source);
        if (source.list(limits) instanceof Intake.Opened opened) {
            SourceListing listing = opened.listing();
            Delivery.of(listing.files(), listing.folders())
                    .forEach(delivery -> parts.add(new Part(delivery, source, fault(listing, delivery.prefix()))));
        } else {
            readable = false;
        }
    }

    /** A project on a drive, which may be pulled out at any time. */
    private void addAlone(Errand.Lot lot) {
        String name = lot.alone().orElseThrow();
        Part nothing = new Part(Delivery.project(name, List.of(), List.of()), null, Optional.of(Fault.UNREADABLE));
        try {
            ProjectSource source = lot.project().open();
            open.add(source);
            parts.add(source.list(limits) instanceof Intake.Opened opened
                    ? new Part(Delivery.project(name, opened.listing().files(), opened.listing().folders()), source,
                            fault(opened.listing(), ""))
                    : nothing);
        } catch (IOException unplugged) {
            parts.add(nothing);
        }
    }

    /** A file of a folder that cannot be read is not left out without a word: the folder is not taken in. */
    private static Optional<Fault> fault(SourceListing listing, String prefix) {
        return listing.faults().stream().anyMatch(fault -> fault.code() == Code.PACKAGE_UNREADABLE && fault.path().startsWith(prefix))
                ? Optional.of(Fault.UNREADABLE)
                : Optional.empty();
    }

    /** What lies in it, each with whom the marker inside names. */
    Delivered.All all(Errand.Look look) {
        List<Delivered> out = new ArrayList<>();
        long left = look.mostBytes();
        for (Part part : parts.stream().limit(look.most()).toList()) {
            RosterFields marker = RosterFields.NONE;
            Optional<Fault> fault = part.fault;
            boolean packed = part.delivery.archive().isPresent();
            if (fault.isEmpty() && (!packed || part.delivery.bytes() <= left)) {
                left -= packed ? part.delivery.bytes() : 0;
                try {
                    marker = marker(part);
                } catch (IOException unreadable) {
                    fault = Optional.of(Fault.UNREADABLE);
                }
            }
            out.add(new Delivered(part.delivery.name(), part.delivery.bareName(), part.delivery.bytes(), marker.values(), fault));
        }
        return new Delivered.All(readable && !out.isEmpty(), out, Math.max(0, parts.size() - out.size()));
    }

    private RosterFields marker(Part part) throws IOException {
        if (part.delivery.archive().isEmpty()) {
            return read(part.source, nearest(part.delivery.files()));
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
                return read(inner, nearest(opened.listing().files()));
            }
        } finally {
            Files.deleteIfExists(copy);
        }
    }

    private static Optional<SourceEntry> nearest(List<SourceEntry> files) {
        return files.stream().filter(file -> file.path().endsWith("/" + Marker.FILE) || file.path().equals(Marker.FILE))
                .min(Comparator.comparingInt(file -> file.path().length()));
    }

    private static RosterFields read(ProjectSource source, Optional<SourceEntry> file) throws IOException {
        if (file.isEmpty()) {
            return RosterFields.NONE;
        }
        try (InputStream content = source.open(file.get())) {
            return Marker.read(content.readNBytes(Marker.MAX_BYTES)).fields();
        }
    }

    /** Writes a delivery as the archive that it is, or is packed into and read back. */
    Delivered.Single take(Errand.Take take) {
        Optional<Part> found = part(take.number(), take.name());
        if (found.isEmpty()) {
            return failed(readable ? Fault.GONE : Fault.UNREADABLE);
        }
        Part part = found.get();
        if (part.fault.isPresent()) {
            return failed(part.fault.get());
        }
        if (part.delivery.bytes() > take.mostBytes()) {
            return failed(Fault.TOO_LARGE);
        }
        Path to = Path.of(take.to());
        try {
            if (part.delivery.archive().isPresent()) {
                try (InputStream content = part.source.open(part.delivery.archive().get())) {
                    Target.write(content, to, take.mostBytes());
                }
            } else {
                new FolderPack(part.source, part.delivery.prefix(), limits).write(part.delivery.files(), part.delivery.folders(),
                        part.delivery.root(), to);
            }
            String path = part.delivery.archive().map(SourceEntry::path).orElse(part.delivery.root() + ".zip");
            return new Delivered.Single(path.substring(path.lastIndexOf('/') + 1), Optional.empty());
        } catch (FolderPack.Differs changed) {
            return failed(Fault.CHANGED);
        } catch (Target.TooLarge tooLarge) {
            return failed(Fault.TOO_LARGE);
        } catch (IOException unreadable) {
            return failed(Target.isFull(to) ? Fault.NO_ROOM : Fault.UNREADABLE);
        }
    }

    private static Delivered.Single failed(Fault why) {
        return new Delivered.Single("", Optional.of(why));
    }

    /** The one that was assigned: by its place, unless something came or went meanwhile, then by its name. */
    private Optional<Part> part(int number, String name) {
        if (number < parts.size() && Delivery.kept(parts.get(number).delivery.name()).equals(name)) {
            return Optional.of(parts.get(number));
        }
        List<Part> same = parts.stream().filter(part -> Delivery.kept(part.delivery.name()).equals(name)).toList();
        return same.size() == 1 ? Optional.of(same.get(0)) : Optional.empty();
    }

    @Override
    public void close() throws IOException {
        for (Closeable one : open) {
            one.close();
        }
    }
}
