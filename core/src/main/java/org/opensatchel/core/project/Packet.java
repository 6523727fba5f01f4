package org.opensatchel.core.project;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What a pre-check sends instead of a project (docs/formats.md): a ZIP archive that holds the list of the folder's files as
 * {@code listing.json}, the documents themselves below {@code documents/}, and parts of other files below {@code ranges/}.
 */
final class Packet implements ProjectSource {

    static final String LIST = "listing.json";
    static final String DOCUMENTS = "documents/";
    static final String RANGES = "ranges/";

    private final ZipSource zip;
    private final Map<String, SourceEntry> ranges = new HashMap<>();
    private Optional<SourceEntry> list = Optional.empty();

    Packet(ZipSource zip) {
        this.zip = zip;
    }

    /** A document, by its path in the project. */
    private record Inside(SourceEntry member) implements EntryHandle {}

    @Override
    public Intake list(ReadLimits limits) throws IOException {
        Intake intake = zip.list(limits);
        if (!(intake instanceof Intake.Opened opened)) {
            return intake;
        }
        List<SourceEntry> documents = new ArrayList<>();
        for (SourceEntry member : opened.listing().files()) {
            if (member.path().equals(LIST)) {
                list = Optional.of(member);
            } else if (member.path().startsWith(RANGES)) {
                ranges.put(member.path().substring(RANGES.length()), member);
            } else if (member.path().startsWith(DOCUMENTS)) {
                documents.add(new SourceEntry(member.path().substring(DOCUMENTS.length()), member.bytes(), member.time(), member.sha256(),
                        member.placeholder(), member.checksum(), new Inside(member)));
            }
        }
        return new Intake.Opened(new SourceListing(true, Optional.empty(), documents, List.of(), opened.listing().faults()));
    }

    /** The list's text, once the packet is listed; one that is not there reads as an empty text, which is no listing. */
    InputStream list() throws IOException {
        return list.isPresent() ? zip.open(list.get()) : new ByteArrayInputStream(new byte[0]);
    }

    @Override
    public Optional<FileParts> parts(SourceEntry entry) throws IOException {
        SourceEntry record = ranges.get(entry.path());
        if (record == null || record.bytes() > FileParts.MOST_BYTES) {
            return Optional.empty();
        }
        try (InputStream in = zip.open(record)) {
            return Optional.of(FileParts.of(in.readNBytes(FileParts.MOST_BYTES), entry.bytes()));
        } catch (ContentUnavailable damaged) {
            // Parts that cannot be read say nothing of the file.
            return Optional.empty();
        }
    }

    @Override
    public Optional<String> handle(SourceEntry entry) {
        return zip.handle(((Inside) entry.handle()).member());
    }

    @Override
    public SourceEntry entry(FileIndex.Line file) throws ContentUnavailable {
        SourceEntry member = zip.entry(file);
        return new SourceEntry(file.path(), file.bytes(), member.time(), member.sha256(), false, member.checksum(), new Inside(member));
    }

    @Override
    public InputStream open(SourceEntry entry) throws IOException {
        return zip.open(((Inside) entry.handle()).member());
    }

    @Override
    public void close() throws IOException {
        zip.close();
    }
}
