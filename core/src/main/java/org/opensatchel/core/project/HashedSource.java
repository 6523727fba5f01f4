package org.opensatchel.core.project;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;

/**
 * A folder of which there is a list with the hash of every file (docs/schema/listing.schema.json), and the contents by their hashes:
 * what was sent file by file, each content once.
 */
public final class HashedSource implements ProjectSource {

    private final Path listing;
    private final ByHash contents;

    /** Where contents are had. */
    public interface ByHash {
        /**
         * The content with a hash, to be closed.
         *
         * @param sha256 in hexadecimal, small letters
         * @throws IOException when it cannot be had, which is no fault of the project
         */
        InputStream open(String sha256) throws IOException;
    }

    public HashedSource(Path listing, ByHash contents) {
        this.listing = listing;
        this.contents = contents;
    }

    @Override
    public Intake list(ReadLimits limits) throws IOException {
        try (InputStream text = Files.newInputStream(listing)) {
            return new ListingReader(limits).read(text);
        }
    }

    @Override
    public boolean hasContent(SourceEntry entry) {
        return entry.bytes() == 0 || entry.sha256().isPresent();
    }

    @Override
    public Optional<String> handle(SourceEntry entry) {
        return entry.sha256();
    }

    @Override
    public SourceEntry entry(FileIndex.Line file) {
        return new SourceEntry(file.path(), file.bytes(), Optional.empty(), Optional.of(file.handle()), false, 0, Hashed.BY_HASH);
    }

    /** What is opened here is found by its hash alone. */
    private enum Hashed implements EntryHandle { BY_HASH }

    @Override
    public InputStream open(SourceEntry entry) throws IOException {
        return entry.bytes() == 0 ? InputStream.nullInputStream() : contents.open(entry.sha256().orElseThrow());
    }

    @Override
    public void close() {
        // Each content is opened and closed by itself.
    }
}
