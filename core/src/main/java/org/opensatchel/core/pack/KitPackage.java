package org.opensatchel.core.pack;

import static org.opensatchel.base.fact.FactName.FAULT;
import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.PLACE;

import java.io.Closeable;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.security.DigestInputStream;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.base.hash.Sha256;
import org.opensatchel.base.json.JsonFault;
import org.opensatchel.base.path.Leftovers;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.KitReader;
import org.opensatchel.core.kit.KitReading;
import org.opensatchel.core.kit.KitWording;
import org.opensatchel.core.kit.KitWriter;
import org.opensatchel.core.project.ContentUnavailable;
import org.opensatchel.core.project.Intake;
import org.opensatchel.core.project.ReadLimits;
import org.opensatchel.core.project.SourceEntry;
import org.opensatchel.core.project.ZipSource;

/**
 * A kit with its starter files as one ZIP ({@code *.satchelkit}, docs/formats.md): {@code kit.json}, and each starter file at
 * {@code starter/PATH}. What comes from elsewhere is hostile until all of it has been read.
 */
public final class KitPackage implements Closeable, Handout.StarterContents {

    static final String DOCUMENT = "kit.json";
    static final String STARTER = "starter/";
    /** Of entries that do not belong in it so many are named: the first ones tell what it is. */
    private static final int MOST_TOLD = 5;

    private final ZipSource source;
    private final Kit kit;
    private final Map<String, SourceEntry> entries;

    private KitPackage(ZipSource source, Kit kit, Map<String, SourceEntry> entries) {
        this.source = source;
        this.kit = kit;
        this.entries = entries;
    }

    /** A package that is whole, or everything that is wrong with it; a package has to be closed. */
    public record Reading(Optional<KitPackage> kitPackage, List<Phrase> faults) {
        public Reading {
            faults = List.copyOf(faults);
        }
    }

    /** Writes a kit with its starter files; the stream is flushed, not closed. The same kit is the same bytes. */
    public static void write(Kit kit, Handout.StarterContents contents, OutputStream out) throws IOException {
        try (ZipWriter zip = new ZipWriter(out, true)) {
            zip.file(DOCUMENT, KitWriter.write(kit));
            for (Kit.StarterFile file : kit.starter()) {
                try (InputStream content = contents.open(file)) {
                    zip.file(STARTER + file.path(), content, file.bytes());
                }
            }
        }
    }

    /** Opens a package and reads all of it: every starter file has to be there, and be the one the kit names. */
    public static Reading open(Path file, ReadLimits limits) throws IOException {
        ZipSource source = ZipSource.open(file);
        boolean kept = false;
        try {
            Reading reading = read(source, limits);
            kept = reading.kitPackage.isPresent();
            return reading;
        } finally {
            if (!kept) {
                source.close();
            }
        }
    }

    private static Reading read(ZipSource source, ReadLimits limits) throws IOException {
        Intake intake = source.list(limits);
        if (intake instanceof Intake.Blocked blocked) {
            return refused(blocked.what());
        }
        List<Phrase> faults = new ArrayList<>();
        Map<String, SourceEntry> entries = new HashMap<>();
        ((Intake.Opened) intake).listing().faults().stream().limit(MOST_TOLD)
                .forEach(fault -> faults.add(PackWording.MEMBER.say(Facts.of(FOUND, fault.path()).and(FAULT, fault.what()))));
        ((Intake.Opened) intake).listing().files().stream().filter(entry -> Leftovers.in(entry.path()).isEmpty())
                .forEach(entry -> entries.put(entry.path(), entry));
        SourceEntry document = entries.remove(DOCUMENT);
        if (document == null) {
            return refused(PackWording.NO_PACKAGE.say());
        }
        if (!faults.isEmpty()) {
            return new Reading(Optional.empty(), faults);
        }
        KitReading reading = kit(source, document);
        if (reading.kit().isEmpty()) {
            return new Reading(Optional.empty(),
                    reading.faults().stream()
                            .map(fault -> PackWording.DOCUMENT.say(
                                    Facts.NONE.and(PLACE, Optional.of(fault.at()).filter(at -> !at.isEmpty())).and(FAULT, fault.what())))
                            .toList());
        }
        KitPackage whole = new KitPackage(source, reading.kit().get(), Map.copyOf(entries));
        faults.addAll(whole.starterFaults());
        return faults.isEmpty() ? new Reading(Optional.of(whole), List.of()) : new Reading(Optional.empty(), faults);
    }

    private static Reading refused(Phrase why) {
        return new Reading(Optional.empty(), List.of(why));
    }

    private static KitReading kit(ZipSource source, SourceEntry document) throws IOException {
        try (InputStream content = source.open(document)) {
            return KitReader.read(content.readNBytes(KitReader.MAX_BYTES + 1));
        } catch (ContentUnavailable damaged) {
            return new KitReading(Optional.empty(), List.of(new JsonFault("", KitWording.UNREADABLE.say(Facts.of(FAULT, damaged.what())))));
        }
    }

    private List<Phrase> starterFaults() throws IOException {
        List<Phrase> faults = new ArrayList<>();
        Map<String, SourceEntry> left = new HashMap<>(entries);
        for (Kit.StarterFile file : kit.starter()) {
            SourceEntry entry = left.remove(STARTER + file.path());
            if (entry == null) {
                faults.add(PackWording.STARTER_MISSING.say(Facts.of(FOUND, file.path())));
            } else {
                starterFault(file).ifPresent(faults::add);
            }
        }
        left.keySet().stream().sorted().limit(MOST_TOLD).forEach(path -> faults.add(PackWording.FOREIGN.say(Facts.of(FOUND, path))));
        return faults;
    }

    private Optional<Phrase> starterFault(Kit.StarterFile file) throws IOException {
        try (InputStream content = open(file)) {
            DigestInputStream digest = new DigestInputStream(content, Sha256.digest());
            long bytes = digest.transferTo(OutputStream.nullOutputStream());
            boolean same = bytes == file.bytes() && Sha256.hex(digest.getMessageDigest().digest()).equals(file.sha256());
            return same ? Optional.empty() : Optional.of(PackWording.STARTER_DIFFERS.say(Facts.of(FOUND, file.path())));
        } catch (ContentUnavailable damaged) {
            return Optional.of(PackWording.MEMBER.say(Facts.of(FOUND, file.path()).and(FAULT, damaged.what())));
        }
    }

    public Kit kit() {
        return kit;
    }

    @Override
    public InputStream open(Kit.StarterFile file) throws IOException {
        SourceEntry entry = entries.get(STARTER + file.path());
        if (entry == null) {
            throw new NoSuchFileException(file.path().text());
        }
        return source.open(entry);
    }

    @Override
    public void close() throws IOException {
        source.close();
    }
}
