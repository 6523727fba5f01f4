package org.opensatchel.core.pack;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.kit.Kit.StarterFile;
import org.opensatchel.core.kit.Marker;
import org.opensatchel.core.project.ContentUnavailable;
import org.opensatchel.core.project.EntryHandle;
import org.opensatchel.core.project.Intake;
import org.opensatchel.core.project.PackageWording;
import org.opensatchel.core.project.ProjectSource;
import org.opensatchel.core.project.ReadLimits;
import org.opensatchel.core.project.SourceEntry;
import org.opensatchel.core.project.SourceListing;

/** A hand-out as a project that nobody has worked in yet, so that a kit can be checked before it goes out. */
final class HandoutSource implements ProjectSource {

    private final Handout handout;
    private final List<StarterFile> starter;
    private final Optional<Handout.StarterContents> contents;

    HandoutSource(Handout handout, List<StarterFile> starter, Optional<Handout.StarterContents> contents) {
        this.handout = handout;
        this.starter = starter;
        this.contents = contents;
    }

    @Override
    public Intake list(ReadLimits limits) {
        List<SourceEntry> files = new ArrayList<>();
        files.add(made(Marker.FILE, handout.marker()));
        files.add(made(Marker.GUIDE, handout.guide()));
        starter.forEach(file -> files.add(new SourceEntry(file.path().text(), file.bytes(), Optional.empty(), Optional.of(file.sha256()),
                false, 0, new Starter(file))));
        return new Intake.Opened(new SourceListing(true, Optional.of(handout.root()), files,
                handout.folders().stream().map(ProjectPath::text).toList(), List.of()));
    }

    /** A file that was made for this hand-out. */
    private record Made(byte[] content) implements EntryHandle {}

    /** A file of the kit. */
    private record Starter(StarterFile file) implements EntryHandle {}

    private static SourceEntry made(String path, byte[] content) {
        return new SourceEntry(path, content.length, Optional.empty(), Optional.empty(), false, 0, new Made(content));
    }

    @Override
    public InputStream open(SourceEntry entry) throws IOException {
        if (entry.handle() instanceof Made made) {
            return new ByteArrayInputStream(made.content());
        }
        return contents.orElseThrow(() -> new ContentUnavailable(PackageWording.NOT_AT_HAND.say())).open(((Starter) entry.handle()).file());
    }

    @Override
    public boolean hasContent(SourceEntry entry) {
        return entry.handle() instanceof Made || contents.isPresent();
    }

    @Override
    public void close() {
        // Nothing is held open.
    }
}
