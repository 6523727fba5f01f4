package org.opensatchel.core.check;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.opensatchel.core.kit.Demand;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.KitReader;
import org.opensatchel.core.kit.KitReading;
import org.opensatchel.core.kit.KitWriter;
import org.opensatchel.core.naming.ProxyName;
import org.opensatchel.core.naming.RosterField;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.project.FolderSource;
import org.opensatchel.core.report.Report;
import org.opensatchel.core.report.Report.FindingLine;
import org.opensatchel.core.words.Words;
import org.opensatchel.formats.media.MadeMedia;
import org.opensatchel.formats.media.MadeMedia.Film;
import org.opensatchel.formats.timeline.MadeTimeline;

/** Stand-ins and their originals, and what may be deleted since it is made again. */
class ProxiesTest {

    private static final RosterFields MARSH = new RosterFields(java.util.Map.of(RosterField.LAST, "Marsh"));
    private static final String IN_FOLDER = ", \"proxies\": [{\"in\": \"footage/proxies\"}]";

    @TempDir
    private Path temp;

    private static KitReading reading(String more) {
        return KitReader.read(
                ("{\"kit\": 1, \"title\": \"K\", \"root\": {\"name\": \"P\"}, \"folders\": [{\"path\": \"footage/proxies\", \"need\": \"optional\"}, "
                        + "{\"path\": \"footage\", \"media\": {\"width\": 640, \"height\": 360}}, "
                        + "{\"path\": \"edit/Preview Cache\", \"need\": \"optional\", \"managed\": true}, "
                        + "{\"path\": \"edit/autosave cache\", \"need\": \"optional\", \"managed\": true, \"autosave\": true}, "
                        + "{\"path\": \"edit/settings\", \"need\": \"optional\", \"managed\": true}, "
                        + "{\"path\": \"edit/waves\", \"need\": \"optional\", \"rebuildable\": true}], "
                        + "\"documents\": [{\"role\": \"Timeline\", \"in\": \"edit\", \"name\": \"{last}_v{version:2}\", \"types\": [\"otio\"]}], \"otherFolders\": \"allow\", \"severities\": {\"habit.autosave-missing\": \"off\", "
                        + "\"media.mixed-rates\": \"off\"}"
                        + more + "}").getBytes(StandardCharsets.UTF_8));
    }

    private static Kit kit(String more) {
        return reading(more).kit().orElseThrow();
    }

    @BeforeEach
    void clean() throws IOException {
        put("footage/lamp.mp4", film(640, 360, 30, 90));
        put("footage/street.mp4", film(640, 360, 30, 60));
        put("footage/proxies/lamp.mp4", film(160, 90, 30, 90));
        put("footage/proxies/street.mp4", film(160, 90, 30, 60));
        put("sound/rain.wav", MadeMedia.wav(1, 48_000, 1, i -> 0.1));
        cut("edit/Marsh_v01.otio", "lamp.mp4", "street.mp4");
    }

    private static byte[] film(int width, int height, int rate, int frames) {
        return new Film("avc1", width, height, rate, 1, frames).bytes();
    }

    private void cut(String name, String... clips) throws IOException {
        String[] items = List.of(clips).stream().map(clip -> "../footage/" + clip + " 40").toArray(String[]::new);
        put(name, new MadeTimeline("m", 30).track("Video", "V", items).track("Audio", "A", "../sound/rain.wav 30").toString()
                .getBytes(StandardCharsets.UTF_8));
    }

    private void put(String path, byte[] content) throws IOException {
        Path file = temp.resolve("P").resolve(path);
        Files.createDirectories(file.getParent());
        Files.write(file, content);
    }

    private Report check(String more) throws IOException {
        return check(Optional.of(kit(more)));
    }

    private Report check(Optional<Kit> kit) throws IOException {
        try (FolderSource source = new FolderSource(temp.resolve("P"))) {
            return new ProjectCheck(CheckRequest.of(kit, MARSH)).run(source);
        }
    }

    private static List<String> told(Report report) {
        return report.findings().stream()
                .map(finding -> finding.severity() + " " + finding.code() + " " + finding.path() + how(finding)).sorted().toList();
    }

    private static String how(FindingLine finding) {
        return finding.facts().flatMap(facts -> facts.text(org.opensatchel.base.fact.FactName.HOW)).map(how -> " " + how).orElse("");
    }

    @Test
    void proxiesOfOriginalsAreNoFaultAndMayBeDeleted() throws IOException {
        Report report = check(IN_FOLDER);
        assertThat(told(report)).containsExactly("note asset.rebuildable footage/proxies proxies");
        assertThat(report.findings().get(0).message()).contains("2 proxies take", "from their originals");
    }

    @Test
    void withoutARuleNobodyKnowsThatTheyAreProxies() throws IOException {
        assertThat(told(check(""))).contains("should media.size footage/proxies/lamp.mp4 size",
                "note asset.unused footage/proxies/lamp.mp4").noneMatch(line -> line.contains("proxy") || line.contains("rebuildable"));
    }

    @Test
    void aProxyWithoutAnOriginalIsTold() throws IOException {
        put("footage/proxies/gone.mp4", film(160, 90, 30, 30));
        Report report = check(IN_FOLDER);
        assertThat(told(report)).containsExactly("note asset.rebuildable footage/proxies proxies",
                "should asset.proxy-alone footage/proxies/gone.mp4 alone");
        assertThat(report.findings().get(0).message()).contains("no original called “gone”");
    }

    @Test
    void anOriginalOfAnotherLengthOrRateIsNone() throws IOException {
        put("footage/proxies/lamp.mp4", film(160, 90, 30, 60));
        put("footage/proxies/street.mp4", film(160, 90, 15, 30));
        assertThat(told(check(IN_FOLDER))).containsExactly("should asset.proxy-alone footage/proxies/lamp.mp4 length",
                "should asset.proxy-alone footage/proxies/street.mp4 rate");
    }

    @Test
    void oneOfSeveralFilesOfThatNameIsEnough() throws IOException {
        put("footage/day 2/lamp.mp4", film(640, 360, 25, 500));
        put("footage/proxies/day 2/lamp.mp4", film(160, 90, 25, 500));
        cut("edit/Marsh_v01.otio", "lamp.mp4", "street.mp4", "day 2/lamp.mp4");
        assertThat(told(check(IN_FOLDER)))
                .containsExactly("note asset.rebuildable  proxies");
    }

    @ParameterizedTest
    @CsvSource({"mov, true", "MXF, true", "raw, true", "txt, false", "wav, false", "png, false"})
    void anOriginalIsOfTheSameKindOrOfOneNobodyKnows(String type, boolean taken) throws IOException {
        put("footage/proxies/night.mp4", film(160, 90, 30, 60));
        put("originals/night." + type, new byte[]{1, 2, 3, 4});
        assertThat(check(IN_FOLDER).findings()).extracting(FindingLine::code).filteredOn("asset.proxy-alone"::equals)
                .hasSize(taken ? 0 : 1);
    }

    @Test
    void namesAloneTellThemToo() throws IOException {
        String byName = ", \"proxies\": [{\"name\": \"{original}_small\"}]";
        put("footage/lamp_SMALL.mp4", film(160, 90, 30, 90));
        put("footage/fog_small.mp4", film(160, 90, 30, 90));
        assertThat(told(check(byName)))
                .contains("should asset.proxy-alone footage/fog_small.mp4 alone", "note asset.rebuildable footage proxies")
                .noneMatch(line -> line.contains("media.size footage/lamp_SMALL") || line.contains("unused footage/lamp_SMALL"));
    }

    @Test
    void inTheirFolderOnlyThoseThatAreCalledSo() throws IOException {
        put("footage/proxies/P-lamp.mp4", film(160, 90, 30, 90));
        assertThat(told(check(", \"proxies\": [{\"in\": \"footage/proxies\", \"name\": \"p-{original}\"}]")))
                .contains("note asset.rebuildable footage/proxies proxies").noneMatch(line -> line.contains("alone"));
    }

    @Test
    void aTimelineThatIsHandedInUsesOriginals() throws IOException {
        cut("edit/Marsh_v01.otio", "proxies/lamp.mp4", "street.mp4");
        assertThat(check(IN_FOLDER).findings()).extracting(FindingLine::code).contains("timeline.proxy-used")
                .doesNotContain("media.below-timeline");
        // The original is what is meant, and must not be called left over.
        assertThat(check(IN_FOLDER).findings()).extracting(FindingLine::code).doesNotContain("asset.unused");
        // An older version may have been made with them.
        cut("edit/Marsh_v02.otio", "lamp.mp4", "street.mp4");
        assertThat(check(IN_FOLDER).findings()).extracting(FindingLine::code).doesNotContain("timeline.proxy-used");
        // What nobody asks for is somebody's own.
        cut("tries/try.otio", "proxies/lamp.mp4");
        assertThat(check(IN_FOLDER).findings()).extracting(FindingLine::code).doesNotContain("timeline.proxy-used");
    }

    @Test
    void whatIsUsedMayNotBeDeleted() throws IOException {
        cut("edit/Marsh_v01.otio", "proxies/lamp.mp4", "proxies/street.mp4");
        assertThat(check(IN_FOLDER).findings()).extracting(FindingLine::code).contains("timeline.proxy-used")
                .doesNotContain("asset.rebuildable");
    }

    @Test
    void aProgramsOwnCacheMayBeDeletedAndItsSavesAndSettingsMayNot() throws IOException {
        put("edit/Preview Cache/0a.bin", new byte[2_000]);
        put("edit/Preview Cache/deep/0b.bin", new byte[]{1});
        put("edit/autosave cache/Marsh_v01.bin", new byte[]{1});
        put("edit/settings/cache.ini", new byte[]{1});
        put("edit/waves/rain.dat", new byte[]{7, 7});
        assertThat(told(check("")))
                .contains("note asset.rebuildable edit/Preview Cache planned", "note asset.rebuildable edit/waves planned")
                .noneMatch(line -> line.contains("autosave cache") || line.contains("settings"));
    }

    @Test
    void anUnplannedCacheHasToShowWhatItIsMadeOf() throws IOException {
        put("cache/rain.wav.peak", new byte[]{1});
        put("cache/lamp.mp4.small.jpg", new byte[]{1});
        put("cache/street.pk7", new byte[]{1});
        assertThat(told(check(""))).contains("note asset.rebuildable cache made");
        // One file that nobody can tell anything of, and the folder may be somebody's work.
        put("cache/poem.pk7", new byte[]{1});
        assertThat(told(check(""))).noneMatch(line -> line.contains("asset.rebuildable"));
    }

    @Test
    void withoutAKitTooButNotWhatAPageShows() throws IOException {
        put("thumbnails/lamp.mp4.jpg", new byte[]{1});
        assertThat(told(check(Optional.empty()))).contains("note asset.rebuildable thumbnails made");
        put("index.html", "<img src=\"thumbnails/lamp.mp4.jpg\">".getBytes(StandardCharsets.UTF_8));
        assertThat(told(check(Optional.empty()))).noneMatch(line -> line.contains("asset.rebuildable"));
    }

    @Test
    void aFolderOfAnotherNameIsNoCacheWhateverItHolds() throws IOException {
        put("takes/rain.wav.peak", new byte[]{1});
        put("temperature/rain.wav.peak", new byte[]{1});
        assertThat(told(check(""))).noneMatch(line -> line.contains("asset.rebuildable"));
    }

    @ParameterizedTest
    @ValueSource(strings = {"{}", "{\"name\": \"small\"}", "{\"name\": \"{original}\"}", "{\"name\": \"{original}{original}\"}",
            "{\"name\": \"{last}_{original}\"}", "{\"in\": \"../x\"}", "{\"name\": \"a/{original}\"}",
            "{\"in\": \"footage\", \"name\": \"\"}"})
    void aRuleThatSaysNothingIsAFaultOfTheKit(String rule) {
        assertThat(reading(", \"proxies\": [" + rule + "]").faults()).hasSize(1)
                .allSatisfy(fault -> assertThat(fault.at()).startsWith("/proxies/0"));
    }

    @Test
    void aKitKeepsItsRules() {
        Kit kit = kit(", \"proxies\": [{\"in\": \"footage/proxies\", \"name\": \"{original}_s\"}, {\"name\": \"low {original}\"}]");
        assertThat(KitReader.read(KitWriter.write(kit)).kit()).contains(kit);
        assertThat(kit.demands()).map(demand -> Words.ENGLISH.text(demand.say()))
                .containsExactly(
                        "Small copies for working with (proxies) lie in “footage/proxies” and are called like “{original}_s”; each belongs to an original.",
                        "Small copies for working with (proxies) are called like “low {original}”; each belongs to an original.");
        assertThat(Words.in(Locale.GERMAN).text(kit.demands().get(0).say())).contains("liegen in „footage/proxies“ und heißen wie");
        // A student need not know what a pattern is.
        assertThat(Words.ENGLISH.text(kit.demands().get(1).say(Demand.Spelling.of(MARSH, false)))).contains("are called like “low lamp”");
    }

    @ParameterizedTest
    @CsvSource(value = {"{original}_s, lamp_s, lamp", "{original}_s, LAMP_S, LAMP", "{original}_s, lamp, -", "{original}_s, _s, -",
            "low {original}, Low lamp, lamp", "{original}ä, lampa\u0308, lamp", "({original}), (a), a",
            "({original}), (), -"}, nullValues = "-")
    void theNameOfAnOriginalIsReadOutOfItsProxys(String name, String stem, String original) {
        assertThat(ProxyName.read(name).orElseThrow().original(stem)).isEqualTo(Optional.ofNullable(original));
    }
}
