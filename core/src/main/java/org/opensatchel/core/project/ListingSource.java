package org.opensatchel.core.project;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.text.Normalizer;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.opensatchel.base.path.NameFolding;

/**
 * A list of a folder's files (docs/schema/listing.schema.json), with the small documents from elsewhere: so that a
 * project is checked without its media.
 */
public final class ListingSource implements ProjectSource {

    private final ListText listing;
    private final Optional<ProjectSource> documents;

    /** Where the list's text is had. */
    interface ListText {
        InputStream open() throws IOException;
    }

    public ListingSource(Path listing, Optional<ProjectSource> documents) {
        this(() -> Files.newInputStream(listing), documents);
    }

    private ListingSource(ListText listing, Optional<ProjectSource> documents) {
        this.listing = listing;
        this.documents = documents;
    }

    /** The list and the documents of a packet, as a pre-check sends them. */
    public static ListingSource packet(Path packet) throws IOException {
        Packet opened = new Packet(ZipSource.open(packet));
        return new ListingSource(opened::list, Optional.of(opened));
    }

    @Override
    public Intake list(ReadLimits limits) throws IOException {
        // A packet has to be listed before its list can be read.
        Optional<Intake> packed = documents.isPresent() ? Optional.of(documents.get().list(limits)) : Optional.empty();
        Intake intake = packed.isPresent() && packed.get() instanceof Intake.Blocked blocked ? blocked : listed(limits);
        if (packed.isEmpty() || intake instanceof Intake.Blocked) {
            return intake;
        }
        Intake beside = packed.get();
        if (!(beside instanceof Intake.Opened opened)) {
            return beside;
        }
        SourceListing listed = ((Intake.Opened) intake).listing();
        Optional<String> listedTop = top(listed.files());
        for (SourceEntry entry : opened.listing().files()) {
            // Documents packed as they lie on disk stand below the root's own name, and so may what is listed.
            boolean given = give(listed.files(), entry.path(), entry);
            Optional<String> inner = Optional.of(entry.path().indexOf('/')).filter(slash -> slash > 0)
                    .filter(slash -> listed.name().isEmpty() || isSame(listed.name().get(), entry.path().substring(0, slash)))
                    .map(slash -> entry.path().substring(slash + 1));
            given = given || inner.isPresent() && give(listed.files(), inner.get(), entry);
            if (!given && listedTop.isPresent()) {
                give(listed.files(), listedTop.get() + "/" + entry.path(), entry);
            }
        }
        return intake;
    }

    private Intake listed(ReadLimits limits) throws IOException {
        try (InputStream text = listing.open()) {
            return new ListingReader(limits).read(text);
        }
    }

    /** The one folder that everything listed lies in. */
    private static Optional<String> top(List<SourceEntry> files) {
        int slash = files.isEmpty() ? -1 : files.get(0).path().indexOf('/');
        if (slash < 1) {
            return Optional.empty();
        }
        // They are in order: what the first and the last begin with, all begin with.
        String top = files.get(0).path().substring(0, slash);
        return Optional.of(top).filter(name -> files.get(files.size() - 1).path().startsWith(name + "/"));
    }

    private static boolean isSame(String name, String other) {
        return NameFolding.folded(name).equals(NameFolding.folded(other));
    }

    /** A document that was handed in beside the list. */
    private record Given(SourceEntry document) implements EntryHandle {}

    /** A file that is listed gets its content from the document at its path; the list is in order. Whether there is one. */
    private static boolean give(List<SourceEntry> files, String path, SourceEntry document) {
        return giveTo(files, path, document) || giveTo(files, Normalizer.normalize(path, Normalizer.Form.NFC), document)
                || giveTo(files, Normalizer.normalize(path, Normalizer.Form.NFD), document);
    }

    private static boolean giveTo(List<SourceEntry> files, String path, SourceEntry document) {
        EntryHandle given = new Given(document);
        SourceEntry wanted = new SourceEntry(path, 0, Optional.empty(), Optional.empty(), false, 0, given);
        int at = Collections.binarySearch(files, wanted, Comparator.comparing(SourceEntry::path));
        if (at >= 0) {
            SourceEntry file = files.get(at);
            files.set(at,
                    new SourceEntry(file.path(), file.bytes(), file.time(), file.sha256(), file.placeholder(), file.checksum(), given));
        }
        return at >= 0;
    }

    @Override
    public boolean hasContent(SourceEntry entry) {
        return entry.handle() instanceof Given;
    }

    @Override
    public Optional<String> handle(SourceEntry entry) {
        return documents.flatMap(source -> source.handle(((Given) entry.handle()).document()));
    }

    @Override
    public SourceEntry entry(FileIndex.Line file) throws ContentUnavailable {
        if (documents.isEmpty()) {
            throw new ContentUnavailable(PackageWording.ELSEWHERE.say());
        }
        SourceEntry document = documents.get().entry(file);
        return new SourceEntry(file.path(), file.bytes(), document.time(), document.sha256(), false, document.checksum(),
                new Given(document));
    }

    @Override
    public InputStream open(SourceEntry entry) throws IOException {
        return documents.orElseThrow().open(((Given) entry.handle()).document());
    }

    @Override
    public Optional<FileParts> parts(SourceEntry entry) throws IOException {
        return documents.isPresent() ? documents.get().parts(entry) : Optional.empty();
    }

    /** Whether documents came with the list; without them links cannot be checked. */
    public boolean hasDocuments() {
        return documents.isPresent();
    }

    @Override
    public void close() throws IOException {
        if (documents.isPresent()) {
            documents.get().close();
        }
    }
}
