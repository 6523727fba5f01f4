package org.opensatchel.core.project;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.apache.commons.compress.archivers.zip.ZipArchiveEntry;
import org.apache.commons.compress.archivers.zip.ZipArchiveOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.opensatchel.core.check.CheckRequest;
import org.opensatchel.core.check.ProjectCheck;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.report.Report;
import org.opensatchel.core.words.Words;

class ZipSourceTest {

    @TempDir
    Path folder;

    private Intake list(Path zip) throws IOException {
        try (ZipSource source = ZipSource.open(zip)) {
            return source.list(ReadLimits.DEFAULT);
        }
    }

    private SourceListing opened(Path zip) throws IOException {
        return ((Intake.Opened) list(zip)).listing();
    }

    private Intake.Blocked blocked(byte[] content) throws IOException {
        Path file = folder.resolve("blocked.zip");
        Files.write(file, content);
        return (Intake.Blocked) list(file);
    }

    @ParameterizedTest
    @ValueSource(strings = {"../evil.txt", "/abs.txt", "C:\\x.txt", "a/../../b.txt", "nul\0byte", "..\\up.txt"})
    void whatWouldEscapeIsLeftOut(String name) throws IOException {
        SourceListing listing = opened(Zips.of(folder, Map.of(name, "x", "ok/a.txt", "y")));
        assertThat(listing.files()).extracting(SourceEntry::path).containsExactly("ok/a.txt");
        assertThat(listing.faults()).extracting(PackageFault::code).containsExactly(Code.PACKAGE_UNSAFE_ENTRY);
    }

    @Test
    void backslashesAreSeparators() throws IOException {
        assertThat(opened(Zips.of(folder, Map.of("kit\\edit\\a.otio", "x"))).files()).extracting(SourceEntry::path)
                .containsExactly("kit/edit/a.otio");
    }

    @Test
    void aFileAndAFolderOfOneNameIsUnsafe() throws IOException {
        SourceListing listing = opened(Zips.of(folder, Map.of("kit/a", "x", "kit/a/b.txt", "y")));
        assertThat(listing.faults()).singleElement().satisfies(fault -> assertThat(fault.code()).isEqualTo(Code.PACKAGE_UNSAFE_ENTRY));
        assertThat(listing.files()).extracting(SourceEntry::path).containsExactly("kit/a/b.txt");
    }

    @Test
    void namesWithoutTheFlagAreUtf8WhereValidElseTheOldCodePage() throws IOException {
        Path zip = folder.resolve("old.zip");
        try (ZipOutputStream out = new ZipOutputStream(Files.newOutputStream(zip), Charset.forName("IBM437"))) {
            out.putNextEntry(new ZipEntry("kit/é.txt"));
            out.closeEntry();
        }
        assertThat(opened(zip).files()).extracting(SourceEntry::path).containsExactly("kit/é.txt");
    }

    @Test
    void aSymlinkIsAShortcutAndNeverFollowed() throws IOException {
        Path zip = folder.resolve("link.zip");
        try (ZipArchiveOutputStream out = new ZipArchiveOutputStream(zip)) {
            ZipArchiveEntry entry = new ZipArchiveEntry("kit/clip.mp4");
            entry.setUnixMode(0120777);
            out.putArchiveEntry(entry);
            out.write("/etc/passwd".getBytes(StandardCharsets.UTF_8));
            out.closeArchiveEntry();
        }
        SourceListing listing = opened(zip);
        assertThat(listing.files()).isEmpty();
        assertThat(listing.faults()).singleElement().satisfies(fault -> assertThat(fault.code()).isEqualTo(Code.PACKAGE_SHORTCUT));
    }

    @Test
    void refusesWhatIsNoArchiveOrACutOne() throws IOException {
        assertThat(Words.ENGLISH.text(blocked(new byte[0]).what())).contains("empty");
        assertThat(Words.ENGLISH.text(blocked("hello, this is no archive at all".getBytes(StandardCharsets.UTF_8)).what()))
                .contains("no ZIP");
        byte[] whole = Files.readAllBytes(Zips.of(folder, Map.of("kit/a.txt", "x".repeat(1_000), "kit/b.txt", "y")));
        assertThat(Words.ENGLISH.text(blocked(Arrays.copyOf(whole, whole.length / 2)).what())).contains("cut off");
    }

    @Test
    void refusesBombsByRatioCountAndSize() throws IOException {
        Path zip = folder.resolve("bomb.zip");
        try (ZipOutputStream out = new ZipOutputStream(Files.newOutputStream(zip))) {
            out.putNextEntry(new ZipEntry("kit/zeros"));
            out.write(new byte[12 << 20]);
            out.closeEntry();
        }
        assertThat(((Intake.Blocked) list(zip)).code()).isEqualTo(Code.PACKAGE_BOMB);
        Path small = Zips.of(folder, Map.of("kit/a", "1", "kit/b", "2"));
        try (ZipSource source = ZipSource.open(small)) {
            assertThat(source.list(new ReadLimits(1, 9, 1 << 20, 200, 9, 9, 99, 9, ReadLimits.Sums.DEFAULT)))
                    .isInstanceOf(Intake.Blocked.class);
            assertThat(source.list(new ReadLimits(9, 9, 1, 200, 9, 9, 99, 9, ReadLimits.Sums.DEFAULT))).isInstanceOf(Intake.Blocked.class);
        }
    }

    @Test
    void whatLiesTooDeepIsToldOnceAndTheRestIsListed() throws IOException {
        String deep = "kit/" + "d/".repeat(100);
        SourceListing listing = opened(Zips.of(folder, Map.of(deep + "a.txt", "x", deep + "b/c.txt", "x", deep + "e/", "",
                "kit/" + "d/".repeat(99) + "last.txt", "x", "kit/a.txt", "y")));
        assertThat(listing.files()).extracting(SourceEntry::path).containsExactlyInAnyOrder("kit/" + "d/".repeat(99) + "last.txt",
                "kit/a.txt");
        assertThat(listing.faults()).singleElement().satisfies(fault -> {
            assertThat(fault.code()).isEqualTo(Code.PACKAGE_UNREADABLE);
            assertThat(fault.path()).isEqualTo("kit" + "/d".repeat(100));
            assertThat(Words.ENGLISH.text(fault.what().orElseThrow())).contains("more than 100 folders deep");
        });
    }

    @ParameterizedTest
    @ValueSource(longs = {0xFFFF_FFF0L, 60_000})
    void anEntryThatClaimsWhatItCannotHoldIsToldAndTheRestIsListed(long claimed) throws IOException {
        byte[] zip = Files.readAllBytes(Zips.of(folder, Map.of("kit/a.txt", "x")));
        int record = find(zip, 0x02014b50, 0);
        for (int i = 0; i < 4; i++) {
            zip[record + 24 + i] = (byte) (claimed >>> 8 * i);
        }
        Path file = folder.resolve("claims.zip");
        Files.write(file, zip);
        SourceListing listing = opened(file);
        assertThat(listing.files()).isEmpty();
        assertThat(listing.faults()).singleElement().satisfies(fault -> {
            assertThat(fault.path()).isEqualTo("kit/a.txt");
            assertThat(Words.ENGLISH.text(fault.what().orElseThrow())).contains("claims");
        });
    }

    @Test
    void anEndRecordThatIsWrongAboutItsDirectoryHidesNothing() throws IOException {
        byte[] zip = Files.readAllBytes(Zips.of(folder, Map.of("kit/a.txt", "first", "kit/b.txt", "second")));
        int end = find(zip, 0x06054b50, 0);
        for (int i = 0; i < 4; i++) {
            zip[end + 16 + i] = 0;
        }
        Path file = folder.resolve("offset.zip");
        Files.write(file, zip);
        try (ZipSource source = ZipSource.open(file)) {
            for (SourceEntry entry : ((Intake.Opened) source.list(ReadLimits.DEFAULT)).listing().files()) {
                try (InputStream content = source.open(entry)) {
                    assertThat(new String(content.readAllBytes(), StandardCharsets.UTF_8))
                            .isEqualTo(entry.path().endsWith("a.txt") ? "first" : "second");
                }
            }
        }
        zip[0] = 0;
        zip[find(zip, 0x02014b50, 0) + 42] = 9;
        assertThat(Words.ENGLISH.text(blocked(zip).what())).contains("table of contents");
    }

    @Test
    void overlappingEntriesAreABomb() throws IOException {
        byte[] zip = Files.readAllBytes(Zips.of(folder, Map.of("kit/a.txt", "same content", "kit/b.txt", "same content")));
        int first = find(zip, 0x02014b50, 0);
        int second = find(zip, 0x02014b50, first + 4);
        System.arraycopy(zip, first + 42, zip, second + 42, 4);
        assertThat(blocked(zip).code()).isEqualTo(Code.PACKAGE_BOMB);
    }

    @Test
    void aDamagedMemberIsToldWhenItIsRead() throws IOException {
        Path zip = folder.resolve("stored.zip");
        try (ZipArchiveOutputStream out = new ZipArchiveOutputStream(zip)) {
            out.setMethod(ZipEntry.STORED);
            out.putArchiveEntry(new ZipArchiveEntry("kit/a.txt"));
            out.write("precious content".getBytes(StandardCharsets.UTF_8));
            out.closeArchiveEntry();
        }
        byte[] bytes = Files.readAllBytes(zip);
        bytes[new String(bytes, StandardCharsets.ISO_8859_1).indexOf("precious")] ^= 1;
        Files.write(zip, bytes);
        try (ZipSource source = ZipSource.open(zip)) {
            SourceEntry entry = ((Intake.Opened) source.list(ReadLimits.DEFAULT)).listing().files().get(0);
            try (InputStream content = source.open(entry)) {
                assertThatThrownBy(content::readAllBytes).isInstanceOf(ContentUnavailable.class).hasMessageContaining("checksum");
            }
        }
    }

    @Test
    void anyDamagedByteGivesAResultNeverAnotherException() throws IOException {
        long seed = new Random().nextLong();
        Random random = new Random(seed);
        byte[] whole = Files
                .readAllBytes(Zips.of(folder, Map.of("kit/a.txt", "some text to be packed", "kit/b/", "", "kit/c.txt", "more")));
        Path file = folder.resolve("fuzz.zip");
        for (int i = 0; i < 3_000; i++) {
            byte[] spoilt = whole.clone();
            for (int j = 0; j <= random.nextInt(3); j++) {
                spoilt[random.nextInt(spoilt.length)] = (byte) random.nextInt(256);
            }
            Files.write(file, spoilt);
            try (ZipSource source = ZipSource.open(file)) {
                if (source.list(ReadLimits.DEFAULT) instanceof Intake.Opened opened) {
                    for (SourceEntry entry : opened.listing().files()) {
                        drain(source, entry);
                    }
                }
            } catch (RuntimeException broke) {
                throw new AssertionError("seed " + seed, broke);
            }
        }
    }

    private static void drain(ZipSource source, SourceEntry entry) throws IOException {
        try (InputStream content = source.open(entry)) {
            content.transferTo(new ByteArrayOutputStream());
        } catch (ContentUnavailable told) {
            assertThat(Words.ENGLISH.text(told.what())).isNotBlank();
        }
    }

    private static int find(byte[] bytes, int signature, int from) {
        for (int i = from; i + 4 <= bytes.length; i++) {
            int here = (bytes[i] & 0xFF) | (bytes[i + 1] & 0xFF) << 8 | (bytes[i + 2] & 0xFF) << 16 | (bytes[i + 3] & 0xFF) << 24;
            if (here == signature) {
                return i;
            }
        }
        throw new AssertionError("no such record");
    }

    /** Names that all begin at the top of a disk are told once, and what they name is judged. */
    @Test
    void namesFromTheTopAreToldOnce() throws IOException {
        Path zip = Zips.of(folder, Map.of("/Project/a.html", "<img src=b.png>", "/Project/b.png", "x"));
        Report report = check(zip);
        assertThat(report.findings()).filteredOn(finding -> !finding.severity().equals("note")).singleElement().satisfies(finding -> {
            assertThat(finding.code()).isEqualTo("package.unsafe-entry");
            assertThat(Words.ENGLISH.of(finding).message().toString()).contains("2 entries");
        });
        assertThat(report.links()).singleElement().satisfies(link -> assertThat(link.outcome()).isEqualTo("ok"));
    }

    /** A password locks an archive as a whole: that is told, and not each file. */
    @Test
    void aLockedArchiveIsToldOnce() throws IOException {
        Path zip = Zips.of(folder, Map.of("Project/a.html", "<img src=b.png>", "Project/b.png", "x", "Project/c.txt", "y"));
        byte[] bytes = Files.readAllBytes(zip);
        for (int i = 0; i + 4 < bytes.length; i++) {
            boolean header = bytes[i] == 'P' && bytes[i + 1] == 'K';
            if (header && bytes[i + 2] == 3 && bytes[i + 3] == 4) {
                bytes[i + 6] |= 1;
            } else if (header && bytes[i + 2] == 1 && bytes[i + 3] == 2) {
                bytes[i + 8] |= 1;
            }
        }
        Report report = check(Files.write(zip, bytes));
        assertThat(report.findings()).filteredOn(finding -> !finding.severity().equals("note")).singleElement().satisfies(finding -> {
            assertThat(finding.code()).isEqualTo("package.unreadable");
            assertThat(Words.ENGLISH.of(finding).message().toString())
                    .isEqualTo("The archive is locked with a password: its 3 files cannot be read.");
        });
    }

    private static Report check(Path zip) throws IOException {
        try (ZipSource source = ZipSource.open(zip)) {
            return new ProjectCheck(CheckRequest.of(Optional.empty(), RosterFields.NONE)).run(source);
        }
    }

    /** The last entry may claim as much as it likes: nothing comes after it that it could overlap. */
    @Test
    void anEntryThatEndsBeyondTheArchiveIsToldThoughItsContentComesOut() throws IOException {
        byte[] zip = Files.readAllBytes(Zips.of(folder, Map.of("P/a.txt", "some text that is packed")));
        ByteBuffer bytes = ByteBuffer.wrap(zip).order(ByteOrder.LITTLE_ENDIAN);
        for (int i = 0; i + 4 < zip.length; i++) {
            if (bytes.getInt(i) == 0x02014b50) {
                bytes.putInt(i + 20, 1_000_000);
            }
        }
        try (ZipSource source = ZipSource.open(Files.write(folder.resolve("beyond.zip"), zip))) {
            SourceListing listing = ((Intake.Opened) source.list(ReadLimits.DEFAULT)).listing();
            assertThat(listing.files()).isEmpty();
            assertThat(listing.faults()).singleElement()
                    .satisfies(
                            fault -> assertThat(Words.ENGLISH.text(fault.what().orElseThrow())).contains("beyond the end of the archive"));
        }
    }

    /** A file that was found once is opened again without anything being listed. */
    @Test
    void aHandleOpensItsFileAlone() throws IOException {
        Path zip = Zips.of(folder, Map.of("P/a.txt", "first", "P/b.txt", "second"));
        FileIndex.Line line;
        try (ZipSource source = ZipSource.open(zip)) {
            SourceEntry entry = ((Intake.Opened) source.list(ReadLimits.DEFAULT)).listing().files().stream()
                    .filter(file -> file.path().endsWith("b.txt")).findFirst().orElseThrow();
            line = new FileIndex.Line("b.txt", entry.bytes(), source.handle(entry).orElseThrow());
        }
        try (ZipSource again = ZipSource.open(zip); InputStream content = again.open(again.entry(line))) {
            assertThat(content.readAllBytes()).asString(StandardCharsets.UTF_8).isEqualTo("second");
        }
        try (ZipSource again = ZipSource.open(zip)) {
            for (String handle : List.of("", "x", "1 2 3 4", "99999999 5 8 0 1", "0 5 8 0 99999999999")) {
                assertThatThrownBy(() -> again.open(again.entry(new FileIndex.Line("b.txt", 6, handle))).readAllBytes()).as(handle)
                        .isInstanceOf(IOException.class);
            }
        }
    }
}
