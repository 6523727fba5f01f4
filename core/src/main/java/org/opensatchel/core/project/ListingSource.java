package org.opensatchel.core.project;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Path;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * A list of a folder's files (docs/schema/listing.schema.json), with the small documents from elsewhere: so that a
 * project is checked without its media.
 */
public final class ListingSource implements ProjectSource {

    private final Path listing;
    private final Optional<ProjectSource> documents;

    public ListingSource(Path listing, Optional<ProjectSource> documents) {
        this.listing = listing;
        this.documents = documents;
    }

    @Override
    public Intake list(ReadLimits limits) throws IOException {
        Intake intake = new ListingReader(limits).read(listing);
        if (documents.isEmpty() || intake instanceof Intake.Blocked) {
            return intake;
        }
        Intake beside = documents.get().list(limits);
        if (!(beside instanceof Intake.Opened opened)) {
            return beside;
        }
        SourceListing listed = ((Intake.Opened) intake).listing();
        Map<String, SourceEntry> available = new HashMap<>();
        for (SourceEntry entry : opened.listing().files()) {
            available.put(entry.path(), entry);
            // Documents packed as they lie on disk stand below the root's own name.
            listed.name().filter(name -> entry.path().startsWith(name + "/"))
                    .ifPresent(name -> available.putIfAbsent(entry.path().substring(name.length() + 1), entry));
        }
        available.forEach((path, document) -> give(listed.files(), path, document));
        return intake;
    }

    /** A document that was handed in beside the list. */
    private record Given(SourceEntry document) implements EntryHandle {}

    /** A file that is listed gets its content from the document at its path; the list is in order. */
    private static void give(List<SourceEntry> files, String path, SourceEntry document) {
        EntryHandle given = new Given(document);
        SourceEntry wanted = new SourceEntry(path, 0, Optional.empty(), Optional.empty(), false, 0, given);
        int at = Collections.binarySearch(files, wanted, Comparator.comparing(SourceEntry::path));
        if (at >= 0) {
            SourceEntry file = files.get(at);
            files.set(at,
                    new SourceEntry(file.path(), file.bytes(), file.time(), file.sha256(), file.placeholder(), file.checksum(), given));
        }
    }

    @Override
    public boolean hasContent(SourceEntry entry) {
        return entry.handle() instanceof Given;
    }

    @Override
    public InputStream open(SourceEntry entry) throws IOException {
        return documents.orElseThrow().open(((Given) entry.handle()).document());
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
