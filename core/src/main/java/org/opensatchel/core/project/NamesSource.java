package org.opensatchel.core.project;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.List;
import java.util.Optional;

/** The names in an archive, and the content of one file among them: for a look before anything is sent. */
public final class NamesSource implements ProjectSource {

    private final List<String> paths;
    private final String known;
    private final Optional<byte[]> content;

    /** The one file with a content, and all others. */
    private enum Listed implements EntryHandle {
        KNOWN, NAME
    }

    /**
     * @param paths as the archive writes them
     * @param known the name of the file whose content is known, in whatever folder
     * @param content what is in it
     */
    public NamesSource(List<String> paths, String known, Optional<byte[]> content) {
        this.paths = List.copyOf(paths);
        this.known = known;
        this.content = content;
    }

    @Override
    public Intake list(ReadLimits limits) {
        List<SourceEntry> files = paths.stream().filter(path -> !path.endsWith("/")).map(EntryPath::read)
                .filter(EntryPath.Safe.class::isInstance).map(path -> ((EntryPath.Safe) path).path()).distinct().sorted().map(this::entry)
                .toList();
        return files.isEmpty() ? Intake.unreadable(PackageWording.ZIP_EMPTY.say())
                : new Intake.Opened(new SourceListing(false, Optional.empty(), files, List.of(), List.of()));
    }

    private SourceEntry entry(String path) {
        boolean isKnown = content.isPresent() && (path.equals(known) || path.endsWith("/" + known));
        return new SourceEntry(path, isKnown ? content.get().length : 1, Optional.empty(), Optional.empty(), false, 0,
                isKnown ? Listed.KNOWN : Listed.NAME);
    }

    @Override
    public boolean hasContent(SourceEntry entry) {
        return entry.handle() == Listed.KNOWN;
    }

    @Override
    public InputStream open(SourceEntry entry) throws IOException {
        return new ByteArrayInputStream(content.orElseThrow());
    }

    @Override
    public void close() {
        // There is nothing to close.
    }
}
