package org.opensatchel.core.project;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;

/**
 * A list of a folder's files (docs/schema/listing.schema.json), with the small documents from elsewhere: so that a
 * project is checked without its media.
 */
public final class ListingSource implements ProjectSource {

    private final Path listing;
    private final Optional<ProjectSource> documents;
    private final Map<String, SourceEntry> available = new HashMap<>();

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
        Optional<String> root = ((Intake.Opened) intake).listing().name();
        for (SourceEntry entry : opened.listing().files()) {
            available.put(entry.path(), entry);
            // Documents packed as they lie on disk stand below the root's own name.
            root.filter(name -> entry.path().startsWith(name + "/")).ifPresent(name -> available.putIfAbsent(entry.path().substring(name.length() + 1), entry));
        }
        return intake;
    }

    @Override
    public boolean hasContent(SourceEntry entry) {
        return available.containsKey(entry.path());
    }

    @Override
    public InputStream open(SourceEntry entry) throws IOException {
        return documents.orElseThrow().open(available.get(entry.path()));
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
