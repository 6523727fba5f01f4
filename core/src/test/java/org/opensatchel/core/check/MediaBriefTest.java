package org.opensatchel.core.check;

import static org.assertj.core.api.Assertions.assertThat;
import static org.opensatchel.formats.media.MadeMedia.film;
import static org.opensatchel.formats.media.MadeMedia.png;
import static org.opensatchel.formats.media.MadeMedia.tone;
import static org.opensatchel.formats.media.MadeMedia.wav;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.opensatchel.base.hash.Sha256;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.KitReader;
import org.opensatchel.core.naming.RosterField;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.project.FolderSource;
import org.opensatchel.core.project.ListingSource;
import org.opensatchel.core.project.ProjectSource;
import org.opensatchel.core.project.ZipSource;
import org.opensatchel.core.report.Report;
import org.opensatchel.formats.media.MadeMedia.Film;

/** Briefs of files, documents and folders, against projects with real media in them, as folders, archives and lists. */
class MediaBriefTest {

    private static final RosterFields MARSH = new RosterFields(Map.of(RosterField.LAST, "Marsh"));

    @TempDir
    private Path temp;

    private final Map<String, byte[]> files = new TreeMap<>();
    private Kit kit;

    private void kit(String parts) {
        kit = KitReader.read(("{\"kit\": 1, \"title\": \"Kit\", \"root\": {\"name\": \"P\"}, " + parts.replace('\'', '"') + "}")
                .getBytes(StandardCharsets.UTF_8)).kit().orElseThrow();
    }

    private Report folder() throws IOException {
        Path top = Files.createDirectories(temp.resolve("P"));
        for (Map.Entry<String, byte[]> file : files.entrySet()) {
            Path path = top.resolve(file.getKey());
            Files.createDirectories(path.getParent());
            Files.write(path, file.getValue());
        }
        return check(new FolderSource(top));
    }

    private Report packed() throws IOException {
        Path path = temp.resolve("p.zip");
        try (OutputStream out = Files.newOutputStream(path); ZipOutputStream zip = new ZipOutputStream(out)) {
            for (Map.Entry<String, byte[]> file : files.entrySet()) {
                zip.putNextEntry(new ZipEntry("P/" + file.getKey()));
                zip.write(file.getValue());
            }
        }
        return check(ZipSource.open(path));
    }

    private Report listed() throws IOException {
        Path path = temp.resolve("list.json");
        Files.writeString(path, "{\"listing\": 1, \"root\": \"P\", \"files\": [" + files.entrySet().stream()
                .map(file -> "{\"path\": \"" + file.getKey() + "\", \"bytes\": " + file.getValue().length + "}")
                .collect(Collectors.joining(", ")) + "]}");
        return check(new ListingSource(path, Optional.empty()));
    }

    private Report check(ProjectSource source) throws IOException {
        try (source) {
            return new ProjectCheck(CheckRequest.of(Optional.of(kit), MARSH)).run(source);
        }
    }

    /** What is told of media, consequences under their causes. */
    private static List<String> told(Report report) {
        return report.findings().stream().filter(finding -> finding.code().startsWith("media."))
                .map(finding -> finding.severity() + " " + finding.code() + " " + finding.path()
                        + finding.consequences().orElse(List.of()).stream().map(more -> " > " + more.code()).collect(Collectors.joining()))
                .toList();
    }

    private static String message(Report report, String code) {
        return report.findings().stream().filter(finding -> finding.code().equals(code)).map(Report.FindingLine::message).findFirst()
                .orElse("");
    }

    private static final String FILM = """
            'folders': [{'path': 'delivery', 'purpose': '', 'accepts': ['mp4']}],
            'files': [{'role': 'Finished film', 'in': 'delivery', 'name': '{last}_final', 'types': ['mp4'],
             'media': {'width': 1280, 'height': 720, 'aspect': '16:9', 'frameRate': 30, 'maxSeconds': 20, 'peakDb': [-12, -3]}}]""";

    private static Film right() {
        return new Film("avc1", 1280, 720, 30, 1, 360).heard(16_000, 12, 24, tone(16_000, -6));
    }

    @Test
    void whatIsAsAskedForIsToldOfInNoWay() throws IOException {
        kit(FILM);
        files.put("delivery/Marsh_final.mp4", right().bytes());
        for (Report report : List.of(folder(), packed())) {
            assertThat(told(report)).isEmpty();
            assertThat(report.notChecked()).isEmpty();
        }
    }

    @Test
    void bothValuesAreSaidInWords() throws IOException {
        kit(FILM);
        files.put("delivery/Marsh_final.mp4",
                new Film("avc1", 960, 720, 25, 1, 25 * 27).heard(16_000, 27, 9, tone(16_000, 3)).bytes());
        Report report = folder();
        assertThat(told(report)).containsExactlyInAnyOrder("should media.size delivery/Marsh_final.mp4 > media.aspect",
                "should media.frame-rate delivery/Marsh_final.mp4", "should media.too-long delivery/Marsh_final.mp4",
                "should media.clipping delivery/Marsh_final.mp4 > media.peak-high");
        assertThat(message(report, "media.size")).isEqualTo("“delivery/Marsh_final.mp4” is 960 × 720 pixels; 1280 × 720 is asked for.");
        assertThat(message(report, "media.frame-rate")).contains("25 frames a second; 30 are asked for");
        assertThat(message(report, "media.too-long")).contains("plays 27 seconds; at most 20 seconds are asked for");
        assertThat(report.verdict().word()).isEqualTo("ready");
        assertThat(told(packed())).isEqualTo(told(report));
    }

    @Test
    void soundThatIsCodedIsANoteAndNoFault() throws IOException {
        kit(FILM);
        files.put("delivery/Marsh_final.mp4", new Film("avc1", 1280, 720, 30, 1, 360).coded("alac", 48_000, 12).bytes());
        Report report = folder();
        assertThat(told(report)).containsExactly("note media.not-judged delivery/Marsh_final.mp4");
        assertThat(message(report, "media.not-judged")).contains("its peaks").contains("ALAC");
        assertThat(report.notChecked()).containsExactly("peaks", "peaks: delivery/Marsh_final.mp4");
    }

    @Test
    void aListSaysNothingOfMediaAndTheReportSaysThat() throws IOException {
        kit(FILM);
        files.put("delivery/Marsh_final.mp4", right().bytes());
        Report report = listed();
        assertThat(told(report)).isEmpty();
        assertThat(report.notChecked()).contains("media").doesNotContain("peaks");
    }

    /** The list with parts of each file, cut at whole pages as a browser does. */
    private Report sent(int head, int tail) throws IOException {
        Path path = temp.resolve("packet.zip");
        try (OutputStream out = Files.newOutputStream(path); ZipOutputStream zip = new ZipOutputStream(out)) {
            for (Map.Entry<String, byte[]> file : files.entrySet()) {
                zip.putNextEntry(new ZipEntry("ranges/" + file.getKey()));
                int length = file.getValue().length;
                part(zip, file.getValue(), 0, Math.min(head, length));
                int from = Math.max(0, (length - tail) / 4_096 * 4_096);
                part(zip, file.getValue(), from, length);
            }
            zip.putNextEntry(new ZipEntry("listing.json"));
            zip.write(("{\"listing\": 1, \"root\": \"P\", \"files\": [" + files.entrySet().stream()
                    .map(file -> "{\"path\": \"" + file.getKey() + "\", \"bytes\": " + file.getValue().length + "}")
                    .collect(Collectors.joining(", ")) + "]}").getBytes(StandardCharsets.UTF_8));
        }
        return check(ListingSource.packet(path));
    }

    private static void part(OutputStream out, byte[] file, int from, int to) throws IOException {
        out.write(ByteBuffer.allocate(12).putLong(from).putInt(to - from).array());
        out.write(file, from, to - from);
    }

    @Test
    void partsOfAFileSayWhatItIs() throws IOException {
        kit(FILM);
        files.put("delivery/Marsh_final.mp4", right().bytes());
        Report report = sent(4_096, 8_192);
        assertThat(told(report)).containsExactly("note media.not-judged delivery/Marsh_final.mp4");
        assertThat(message(report, "media.not-judged")).contains("only a part of it was looked at").contains("its peaks");
        assertThat(report.notChecked()).contains("peaks").doesNotContain("media");
        files.put("delivery/Marsh_final.mp4", new Film("avc1", 960, 540, 30, 1, 900).heard(16_000, 30, 4, tone(16_000, -6)).bytes());
        assertThat(told(sent(4_096, 8_192))).contains("should media.size delivery/Marsh_final.mp4",
                "should media.too-long delivery/Marsh_final.mp4");
    }

    @Test
    void aCopyThatBrokeOffIsSeenByItsParts() throws IOException {
        kit(FILM);
        byte[] film = right().bytes();
        files.put("delivery/Marsh_final.mp4", Arrays.copyOf(film, film.length / 2));
        assertThat(sent(4_096, 8_192).findings()).extracting(Report.FindingLine::code).contains("asset.truncated");
    }

    @Test
    void ofABeginningAloneTheSizeIsKnownAndTheLengthIsNot() throws IOException {
        kit("'files': [{'role': 'Still', 'in': 'art', 'name': 'still', 'types': ['png'], 'media': {'width': 640, 'maxSeconds': 3}}]");
        byte[] still = png(320, 200, false);
        files.put("art/still.png", Arrays.copyOf(still, 400_000));
        Report report = sent(4_096, 4_096);
        assertThat(told(report)).containsExactly("should media.size art/still.png");
        assertThat(report.findings()).extracting(Report.FindingLine::code).doesNotContain("asset.truncated");
    }

    @Test
    void partsAreReadAsHostile() throws IOException {
        kit(FILM);
        files.put("delivery/Marsh_final.mp4", right().bytes());
        Random random = new Random(4);
        for (int i = 0; i < 60; i++) {
            Path path = temp.resolve("packet.zip");
            try (OutputStream out = Files.newOutputStream(path); ZipOutputStream zip = new ZipOutputStream(out)) {
                zip.putNextEntry(new ZipEntry("ranges/delivery/Marsh_final.mp4"));
                byte[] record = new byte[random.nextInt(9_000)];
                random.nextBytes(record);
                byte[] head = ByteBuffer.allocate(12).putLong(random.nextInt(3) == 0 ? -1 : random.nextInt(90_000)).putInt(random.nextInt())
                        .array();
                System.arraycopy(head, 0, record, 0, Math.min(12, record.length));
                zip.write(record);
                zip.putNextEntry(new ZipEntry("listing.json"));
                zip.write("{\"listing\": 1, \"root\": \"P\", \"files\": [{\"path\": \"delivery/Marsh_final.mp4\", \"bytes\": 80000}]}"
                        .getBytes(StandardCharsets.UTF_8));
            }
            assertThat(told(check(ListingSource.packet(path)))).isEmpty();
        }
    }

    @Test
    void aFileUnderAWrongNameOrInAWrongPlaceIsJudgedToo() throws IOException {
        kit(FILM);
        files.put("delivery/film.mp4", film("avc1", 640, 360, 30, 1, 360));
        assertThat(told(folder())).containsExactlyInAnyOrder("should media.size delivery/film.mp4",
                "should media.silent delivery/film.mp4");
    }

    @Test
    void whatBreaksOffOrIsEmptyIsToldAsThat() throws IOException {
        kit(FILM);
        byte[] film = right().bytes();
        files.put("delivery/Marsh_final.mp4", new byte[0]);
        assertThat(told(folder())).isEmpty();
        files.put("delivery/Marsh_final.mp4", Arrays.copyOf(film, film.length / 2));
        Report report = folder();
        assertThat(report.findings()).extracting(Report.FindingLine::code).contains("asset.truncated");
        assertThat(told(report)).isEmpty();
        files.put("delivery/Marsh_final.mp4", "no film at all, but a text".getBytes(StandardCharsets.UTF_8));
        assertThat(told(folder())).filteredOn(line -> !line.startsWith("note")).isEmpty();
    }

    private static final String FOLDERS = """
            'folders': [{'path': 'footage', 'purpose': '', 'sealed': true, 'media': {'frameRate': 25, 'width': 640, 'height': 360}},
             {'path': 'footage/phone', 'purpose': '', 'need': 'optional', 'media': {'frameRate': 30}},
             {'path': 'footage/cache', 'purpose': '', 'need': 'optional', 'managed': true},
             {'path': 'sound', 'purpose': '', 'media': {'sampleRate': 48000, 'channels': 2, 'peakDb': [-12, -1], 'loudness': [-24, -6]}},
             {'path': 'stills/{word}', 'purpose': '', 'need': 'optional', 'media': {'multipleOf': 16, 'minPixels': 4096, 'alpha': false}}]""";

    private void clean() {
        kit(FOLDERS);
        files.put("footage/a.mp4", film("avc1", 640, 360, 25, 1, 50));
        files.put("footage/day1/b.mov", film("hvc1", 640, 360, 50, 2, 50));
        files.put("footage/notes.txt", "of the day".getBytes(StandardCharsets.UTF_8));
        files.put("footage/phone/c.mp4", film("avc1", 320, 240, 30, 1, 50));
        files.put("footage/cache/d.mp4", film("avc1", 64, 36, 12, 1, 5));
        files.put("sound/bell.wav", wav(2, 48_000, 1, tone(48_000, -9)));
        files.put("stills/one/a.png", png(128, 64, false));
    }

    @Test
    void everythingInAFolderIsAsAskedFor() throws IOException {
        clean();
        for (Report report : List.of(folder(), packed())) {
            assertThat(told(report)).isEmpty();
        }
    }

    @Test
    void oneThingInAFolderIsNot() throws IOException {
        clean();
        files.put("footage/day1/b.mov", film("hvc1", 640, 360, 24, 1, 50));
        files.put("footage/phone/c.mp4", film("avc1", 320, 240, 25, 1, 50));
        files.put("sound/bell.wav", wav(1, 44_100, 1, tone(44_100, -9)));
        files.put("sound/loud.wav", wav(2, 48_000, 1, tone(48_000, -0.5)));
        files.put("stills/two/b.png", png(60, 64, true));
        files.put("stills/two/c.png", png(64, 48, false));
        List<String> expected = List.of("should media.alpha stills/two/b.png", "should media.channels sound/bell.wav",
                "should media.frame-rate footage/day1/b.mov", "should media.frame-rate footage/phone/c.mp4",
                "should media.loudness sound/loud.wav", "should media.peak-high sound/loud.wav", "should media.sample-rate sound/bell.wav",
                "should media.size stills/two/b.png", "should media.size stills/two/c.png");
        for (Report report : List.of(folder(), packed())) {
            assertThat(told(report)).containsExactlyInAnyOrderElementsOf(expected);
        }
    }

    @Test
    void aRenamedFolderIsStillTheFolder() throws IOException {
        clean();
        files.put("Sounds/bell.wav", wav(2, 44_100, 1, tone(44_100, -9)));
        files.remove("sound/bell.wav");
        assertThat(told(folder())).containsExactly("should media.sample-rate Sounds/bell.wav");
    }

    @Test
    void starterFilesAreTheInstructorsOwn() throws IOException {
        byte[] bell = wav(1, 16_000, 1, tone(16_000, -1));
        kit(FOLDERS + ", 'starter': [{'path': 'sound/market.wav', 'sha256': '" + Sha256.of(bell) + "', 'bytes': " + bell.length + "}]");
        files.put("footage/a.mp4", film("avc1", 640, 360, 25, 1, 50));
        files.put("sound/market.wav", bell);
        assertThat(told(folder())).isEmpty();
    }

    @Test
    void ofSeveralVersionsTheNewestIsJudged() throws IOException {
        kit("'documents': [{'role': 'Picture', 'in': 'art', 'name': '{last}_v{version:2}', 'types': ['png'], 'versions': 2, 'media': {'width': 64}}]");
        files.put("art/Marsh_v01.png", png(32, 32, false));
        files.put("art/Marsh_v02.png", png(64, 32, false));
        assertThat(told(folder())).isEmpty();
        files.put("art/Marsh_v03.png", png(65, 32, false));
        assertThat(told(folder())).containsExactly("should media.size art/Marsh_v03.png");
    }

    @Test
    void aKitMayWeighABriefAsItLikes() throws IOException {
        kit(FILM + ", 'severities': {'media.size': 'must', 'media.silent': 'off'}");
        files.put("delivery/Marsh_final.mp4", film("avc1", 640, 360, 30, 1, 360));
        Report report = folder();
        assertThat(told(report)).containsExactly("must media.size delivery/Marsh_final.mp4");
        assertThat(report.verdict().word()).isEqualTo("fix");
    }

    @Test
    void samplesAreFoundBetweenPicturesHoweverTheyAreCut() throws IOException {
        for (int chunks : new int[]{1, 2, 7, 500}) {
            kit("'files': [{'role': 'Film', 'in': 'delivery', 'name': 'film', 'types': ['mov'], 'media': {'peakDb': [-3.2, -2.8]}}]");
            files.put("delivery/film.mov",
                    new Film("avc1", 64, 36, 25, 1, 25).heard(8_000, 1, chunks, i -> i == 7_999 ? 0.7079 : 0.01).bytes());
            assertThat(told(folder())).as("in %d chunks", chunks).isEmpty();
            assertThat(told(packed())).as("in %d chunks", chunks).isEmpty();
        }
    }

    @Test
    void everyMessageNamesTheFileAndNoCodeStandsInIt() throws IOException {
        clean();
        files.put("sound/loud.wav", wav(1, 44_100, 1, tone(44_100, 2)));
        files.put("stills/two/b.png", png(60, 6, true));
        files.put("footage/a.mp4", film("avc1", 320, 180, 12, 1, 50));
        Report report = folder();
        assertThat(report.findings()).filteredOn(finding -> finding.code().startsWith("media.")).hasSizeGreaterThan(5)
                .allSatisfy(finding -> {
                    assertThat(finding.message()).contains(finding.path()).doesNotContain("media.").doesNotContain("{");
                    assertThat(finding.remedy()).isNotEmpty().noneMatch(step -> step.contains("{") || step.contains("  "));
                });
        assertThat(Stream.of("media.size", "media.alpha", "media.clipping").map(code -> message(report, code)))
                .noneMatch(String::isEmpty);
    }
}
