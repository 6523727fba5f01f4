package org.opensatchel.core.pack;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.opensatchel.core.check.CheckRequest;
import org.opensatchel.core.check.ProjectCheck;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.project.ContentUnavailable;
import org.opensatchel.core.project.FolderSource;
import org.opensatchel.core.project.Intake;
import org.opensatchel.core.project.PackageWording;
import org.opensatchel.core.project.ProjectSource;
import org.opensatchel.core.project.ReadLimits;
import org.opensatchel.core.project.SourceEntry;
import org.opensatchel.core.project.SourceListing;
import org.opensatchel.core.project.ZipSource;

/** A folder that is collected is the same as an archive: names, times and empty folders, and every byte of it. */
class FolderPackTest {

    private static final Instant CHANGED = Instant.parse("2026-10-03T07:08:09Z");

    @TempDir
    Path temp;
    private Path folder;

    @BeforeEach
    void project() throws IOException {
        folder = Files.createDirectories(temp.resolve("drive/Marsh"));
        Files.createDirectories(folder.resolve("edit/autosave"));
        write("edit/a.svg", "<svg xmlns=\"http://www.w3.org/2000/svg\"><image href=\"../sound/b.png\"/></svg>");
        write("sound/b.png", "b");
    }

    private void write(String path, String content) throws IOException {
        Path file = folder.resolve(path);
        Files.createDirectories(file.getParent());
        Files.writeString(file, content);
        Files.setLastModifiedTime(file, FileTime.from(CHANGED));
    }

    private Path packed(ProjectSource source) throws IOException {
        SourceListing listing = ((Intake.Opened) source.list(ReadLimits.DEFAULT)).listing();
        Path to = temp.resolve("packed.zip");
        new FolderPack(source, "", ReadLimits.DEFAULT).write(listing.files(), listing.folders(), "Marsh", to);
        return to;
    }

    @Test
    void everythingIsInItAsItWas() throws IOException {
        try (ZipSource archive = ZipSource.open(packed(new FolderSource(folder)))) {
            SourceListing listing = ((Intake.Opened) archive.list(ReadLimits.DEFAULT)).listing();
            assertThat(listing.folders()).contains("Marsh/edit/autosave");
            assertThat(listing.files()).extracting(SourceEntry::path).containsExactlyInAnyOrder("Marsh/edit/a.svg", "Marsh/sound/b.png");
            assertThat(listing.files()).allSatisfy(file -> assertThat(file.time()).contains(CHANGED));
        }
    }

    /** A name that no other computer takes is what the check has to tell: it may not keep the project from coming in. */
    @ParameterizedTest
    @ValueSource(strings = {"AUX.txt", "ends with a dot.", "a:b.png", "what?.txt", "  blanks.txt", "ünïcödé.txt", "x\u202Ey.txt"})
    void aWrongNameComesAlong(String name) throws IOException {
        write("sound/" + name, "x");
        try (ZipSource archive = ZipSource.open(packed(new FolderSource(folder)))) {
            assertThat(((Intake.Opened) archive.list(ReadLimits.DEFAULT)).listing().files()).extracting(SourceEntry::path)
                    .contains("Marsh/sound/" + name);
        }
    }

    @Test
    void theCheckSaysTheSameOfBoth() throws IOException {
        write("sound/AUX.txt", "x");
        write("edit/c.svg", "<svg xmlns=\"http://www.w3.org/2000/svg\"><image href=\"C:/gone.png\"/></svg>");
        CheckRequest request = CheckRequest.of(Optional.empty(), RosterFields.NONE).at(CHANGED);
        try (ProjectSource there = new FolderSource(folder); ProjectSource collected = ZipSource.open(packed(there))) {
            assertThat(new ProjectCheck(request).run(collected).findings()).isNotEmpty()
                    .isEqualTo(new ProjectCheck(request).run(there).findings());
        }
    }

    @Test
    void whatIsOtherTheSecondTimeIsNotTakenForTheSame() throws IOException {
        assertThatThrownBy(() -> packed(new Failing(new FolderSource(folder), 2, () -> "other"))).isInstanceOf(FolderPack.Differs.class);
        assertThatThrownBy(() -> packed(new Failing(new FolderSource(folder), 1, () -> {
            throw new ContentUnavailable(PackageWording.REFUSED.say());
        }))).isInstanceOf(ContentUnavailable.class);
    }

    @Test
    void nothingLeadsOutOfTheArchive() throws IOException {
        ProjectSource source = new FolderSource(folder);
        SourceListing listing = ((Intake.Opened) source.list(ReadLimits.DEFAULT)).listing();
        assertThatThrownBy(
                () -> new FolderPack(source, "", ReadLimits.DEFAULT).write(listing.files(), List.of(), "..", temp.resolve("x.zip")))
                .isInstanceOf(IOException.class);
    }

    /** What a drive gives when it is asked. */
    private interface Given {
        String text() throws IOException;
    }

    /** A drive that gives something else from the n-th time that a file is asked for. */
    private static final class Failing implements ProjectSource {
        private final ProjectSource source;
        private final int from;
        private final Given given;
        private final Map<String, Integer> times = new HashMap<>();

        Failing(ProjectSource source, int from, Given given) {
            this.source = source;
            this.from = from;
            this.given = given;
        }

        @Override
        public Intake list(ReadLimits limits) throws IOException {
            return source.list(limits);
        }

        @Override
        public InputStream open(SourceEntry entry) throws IOException {
            return times.merge(entry.path(), 1, Integer::sum) < from ? source.open(entry)
                    : new ByteArrayInputStream(given.text().getBytes(StandardCharsets.UTF_8));
        }

        @Override
        public void close() throws IOException {
            source.close();
        }
    }
}
