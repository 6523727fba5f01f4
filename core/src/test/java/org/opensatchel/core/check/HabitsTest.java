package org.opensatchel.core.check;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.KitReader;
import org.opensatchel.core.kit.KitWriter;
import org.opensatchel.core.naming.RosterField;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.project.FolderSource;
import org.opensatchel.core.report.Report;
import org.opensatchel.formats.media.MadeMedia;
import org.opensatchel.formats.media.MadeMedia.Film;
import org.opensatchel.formats.timeline.MadeTimeline;

/** Ways of working that times and folders show, and media that do not go together; told only where they prove something. */
class HabitsTest {

    private static final RosterFields MARSH = new RosterFields(Map.of(RosterField.LAST, "Marsh"));
    private static final Instant EVENING = Instant.parse("2026-11-20T18:00:00Z");

    @TempDir
    private Path temp;

    private final Map<String, Long> minutes = new LinkedHashMap<>();

    private static Kit kit(String more) {
        return KitReader.read(
                ("{\"kit\": 1, \"title\": \"K\", \"root\": {\"name\": \"P\"}, \"documents\": [{\"role\": \"Timeline\", \"in\": \"edit\", "
                        + "\"name\": \"{last}_v{version:2}\", \"types\": [\"otio\"]}], \"files\": [{\"role\": \"Film\", \"in\": \"delivery\", \"name\": \"film\", "
                        + "\"types\": [\"mp4\"]" + more + "}]}").getBytes(StandardCharsets.UTF_8))
                .kit().orElseThrow();
    }

    @BeforeEach
    void clean() throws IOException {
        put("footage/a.mp4", new Film("avc1", 640, 360, 30, 1, 90).bytes(), 1);
        put("footage/b.mp4", new Film("avc1", 640, 360, 30, 1, 90).bytes(), 5);
        put("sound/v.wav", MadeMedia.wav(1, 48_000, 1, i -> 0.1), 9);
        put("edit/Marsh_v01.otio", timeline("a.mp4 45"), 30);
        put("edit/Marsh_v02.otio", timeline("a.mp4 45", "b.mp4 60"), 60);
        put("delivery/film.mp4", new Film("avc1", 640, 360, 30, 1, 90).bytes(), 70);
    }

    private static byte[] timeline(String... clips) {
        String[] items = List.of(clips).stream().map(clip -> "../footage/" + clip).toArray(String[]::new);
        return new MadeTimeline("m", 30).track("Video", "V", items).track("Audio", "A", "../sound/v.wav 30").toString()
                .getBytes(StandardCharsets.UTF_8);
    }

    private void put(String path, byte[] content, long minute) throws IOException {
        Path file = temp.resolve("P").resolve(path);
        Files.createDirectories(file.getParent());
        Files.write(file, content);
        at(path, minute);
    }

    private void at(String path, long minute) throws IOException {
        minutes.put(path, minute);
        Files.setLastModifiedTime(temp.resolve("P").resolve(path), FileTime.from(EVENING.plusSeconds(60 * minute)));
    }

    private Report check(Kit kit) throws IOException {
        try (FolderSource source = new FolderSource(temp.resolve("P"))) {
            return new ProjectCheck(CheckRequest.of(Optional.of(kit), MARSH)).run(source);
        }
    }

    private static List<String> told(Report report) {
        return report.findings().stream().filter(finding -> finding.code().startsWith("habit.") || finding.code().startsWith("media."))
                .map(finding -> finding.severity() + " " + finding.code() + " " + finding.path()).toList();
    }

    @Test
    void anExportAfterTheLastSaveIsFine() throws IOException {
        assertThat(told(check(kit("")))).isEmpty();
        at("delivery/film.mp4", 59);
        // Who exports and saves at once does not do both in the same moment.
        assertThat(told(check(kit("")))).isEmpty();
    }

    @Test
    void anExportBeforeTheLastSaveIsStale() throws IOException {
        at("delivery/film.mp4", 40);
        Report report = check(kit(""));
        assertThat(told(report)).containsExactly("should habit.export-stale delivery/film.mp4");
        assertThat(report.findings()).filteredOn(finding -> finding.code().equals("habit.export-stale"))
                .allSatisfy(finding -> assertThat(finding.message()).contains("20 minutes older than").contains("edit/Marsh_v02.otio"));
    }

    @Test
    void timesOfACopyProveNothing() throws IOException {
        at("delivery/film.mp4", 40);
        for (String path : List.of("footage/a.mp4", "footage/b.mp4", "sound/v.wav")) {
            at(path, 60);
        }
        assertThat(told(check(kit("")))).isEmpty();
    }

    @Test
    void anExportThatIsOlderThanAllItIsMadeOfWasCopied() throws IOException {
        // Copied one after the other in the order of their names, slowly.
        at("delivery/film.mp4", 0);
        at("edit/Marsh_v01.otio", 8);
        at("edit/Marsh_v02.otio", 9);
        at("footage/a.mp4", 12);
        at("footage/b.mp4", 20);
        at("sound/v.wav", 30);
        assertThat(told(check(kit("")))).isEmpty();
    }

    @Test
    void whatTheEditUsesIsNoExportOfIt() throws IOException {
        at("delivery/film.mp4", 40);
        put("edit/Marsh_v02.otio", new MadeTimeline("m", 30).track("Video", "V", "../delivery/film.mp4 45").toString()
                .getBytes(StandardCharsets.UTF_8), 60);
        assertThat(told(check(kit("")))).isEmpty();
    }

    @Test
    void automaticSavesAreMissedWhereTheKitSaysThatTheyAreKept() throws IOException {
        Kit kit = KitReader.read(
                ("{\"kit\": 1, \"title\": \"K\", \"root\": {\"name\": \"P\"}, \"folders\": [{\"path\": \"edit/autosave\", \"purpose\": \"Kept by the program\", "
                        + "\"need\": \"optional\", \"managed\": true, \"autosave\": true}]}").getBytes(StandardCharsets.UTF_8))
                .kit().orElseThrow();
        assertThat(KitReader.read(KitWriter.write(kit)).kit()).contains(kit);
        assertThat(told(check(kit))).containsExactly("note habit.autosave-missing edit/autosave");
        put("edit/autosave/one.tmp", new byte[]{1}, 50);
        assertThat(told(check(kit))).isEmpty();
    }

    @Test
    void ratesThatAreMixedAreToldOnceWithWhatDiffers() throws IOException {
        put("footage/b.mp4", new Film("avc1", 640, 360, 25, 1, 90).bytes(), 5);
        put("footage/unused.mp4", new Film("avc1", 640, 360, 24, 1, 90).bytes(), 5);
        put("edit/Marsh_v02.otio", timeline("a.mp4 45", "b.mp4 30"), 60);
        Report report = check(kit(""));
        assertThat(told(report)).containsExactly("note media.mixed-rates edit/Marsh_v02.otio");
        assertThat(report.findings()).filteredOn(finding -> finding.code().equals("media.mixed-rates")).allSatisfy(
                finding -> assertThat(finding.message()).contains("(25, 30)").contains("most of it has 30").contains("footage/b.mp4")
                        .doesNotContain("unused"));
    }

    @Test
    void soundsOfSeveralRatesAreToldToo() throws IOException {
        put("sound/w.wav", MadeMedia.wav(1, 44_100, 1, i -> 0.1), 9);
        put("edit/Marsh_v02.otio", new MadeTimeline("m", 30).track("Audio", "A", "../sound/v.wav 30", "../sound/w.wav 15").toString()
                .getBytes(StandardCharsets.UTF_8), 60);
        Report report = check(kit(""));
        assertThat(told(report)).containsExactly("note media.mixed-rates edit/Marsh_v02.otio");
        assertThat(report.findings().stream().map(Report.FindingLine::message)).anyMatch(message -> message.contains("(44.1, 48 kHz)"));
    }

    @Test
    void filmsSmallerThanTheyAreShownAreTold() throws IOException {
        assertThat(told(check(kit(", \"media\": {\"width\": 1280, \"height\": 720}")))).containsExactlyInAnyOrder(
                "should media.size delivery/film.mp4", "note media.below-timeline edit/Marsh_v02.otio");
        put("footage/b.mp4", new Film("avc1", 320, 180, 30, 1, 90).bytes(), 5);
        put("edit/Marsh_v02.otio", timeline("a.mp4 45", "b.mp4 30"), 60);
        assertThat(told(check(kit("")))).containsExactly("note media.below-timeline edit/Marsh_v02.otio");
    }
}
