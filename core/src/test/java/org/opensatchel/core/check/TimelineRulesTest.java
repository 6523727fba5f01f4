package org.opensatchel.core.check;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Family;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.KitReader;
import org.opensatchel.core.kit.KitWriter;
import org.opensatchel.core.naming.RosterField;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.project.FolderSource;
import org.opensatchel.core.report.Report;
import org.opensatchel.formats.timeline.MadeTimeline;

/** Every rule of a timeline, against a timeline that keeps it and one that does not. */
class TimelineRulesTest {

    private static final RosterFields MARSH = new RosterFields(Map.of(RosterField.LAST, "Marsh"));

    @TempDir
    private Path temp;

    private static byte[] kit(String rule) {
        return ("{\"kit\": 1, \"title\": \"K\", \"root\": {\"name\": \"P\"}, \"documents\": [{\"role\": \"Timeline\", \"in\": \"edit\", "
                + "\"name\": \"{last}_v{version:2}\", \"types\": [\"otio\", \"edl\"], \"timeline\": {" + rule.replace('\'', '"') + "}}]}")
                .getBytes(StandardCharsets.UTF_8);
    }

    private static Kit read(String rule) {
        return KitReader.read(kit(rule)).kit().orElseThrow(() -> new AssertionError(KitReader.read(kit(rule)).faults()));
    }

    private Report check(String rule, String name, String document) throws IOException {
        Path folder = temp.resolve("P/edit");
        Files.createDirectories(folder);
        for (String clip : List.of("a.mp4", "b.mp4", "v.wav")) {
            Files.writeString(folder.resolve(clip), clip);
        }
        Files.writeString(folder.resolve(name), document);
        try (FolderSource source = new FolderSource(temp.resolve("P"))) {
            return new ProjectCheck(CheckRequest.of(Optional.of(read(rule)), MARSH)).run(source);
        }
    }

    private static List<String> told(Report report) {
        return report.findings().stream().filter(finding -> finding.code().startsWith("timeline."))
                .map(finding -> finding.severity() + " " + finding.code() + " " + finding.at().orElse("")).toList();
    }

    private static MadeTimeline clean() {
        return new MadeTimeline("Marsh market", 30).startsAt(108_000).track("Video", "Pictures", "a.mp4 45", "b.mp4 45", "a.mp4 90")
                .track("Video", "Titles", "- 30", "b.mp4 60").track("Audio", "Voice", "- 60", "v.wav 30");
    }

    private record Case(String rule, UnaryOperator<MadeTimeline> fault, String... findings) {
        @Override
        public String toString() {
            return rule;
        }
    }

    private static MadeTimeline bare(double rate) {
        return new MadeTimeline("Marsh market", rate).startsAt(3_600 * rate);
    }

    static Stream<Case> cases() {
        return Stream.of(
                new Case("'video': {'atLeast': 2}", was -> bare(30).track("Video", "Pictures", "a.mp4 99"),
                        "should timeline.tracks-too-few "),
                new Case("'sound': {'atMost': 1}", was -> was.track("Audio", "More", "v.wav 9"), "should timeline.tracks-too-many "),
                new Case("'sound': {'atLeast': 1, 'names': ['Voice', 'Market {word}']}", was -> was.track("Audio", "Audio 2", "v.wav 9"),
                        "should timeline.track-name /tracks/children/3"),
                new Case("'video': {'names': '{text}'}", was -> was.track("Video", " ", "a.mp4 99"),
                        "should timeline.track-unnamed /tracks/children/3"),
                new Case("'name': '{last} {word}'", was -> new MadeTimeline("Timeline 1", 30).track("Video", "P", "a.mp4 99"),
                        "should timeline.name "),
                new Case("'startsAt': '01:00:00:00'", was -> new MadeTimeline("m", 30).track("Video", "P", "a.mp4 99"),
                        "note timeline.starts-late "),
                new Case("'startsAt': 3600", was -> new MadeTimeline("m", 30).startsAt(0).track("Video", "P", "a.mp4 99"),
                        "note timeline.starts-late "),
                new Case("'minSeconds': 6", was -> bare(30).track("Video", "P", "a.mp4 99"), "should timeline.too-short "),
                new Case("'maxSeconds': 6", was -> was.track("Audio", "Voice 2", "- 300", "v.wav 5"), "should timeline.too-long "),
                new Case("'frameRate': 30", was -> bare(29.97).track("Video", "P", "a.mp4 99"), "should timeline.rate-differs "),
                new Case("'maxGapFrames': 0", was -> bare(30).track("Video", "P", "a.mp4 45", "- 2", "b.mp4 45"),
                        "should timeline.gap /tracks/children/0/children/1"),
                new Case("'minClipFrames': 3", was -> bare(30).track("Video", "P", "a.mp4 45", "b.mp4 2", "b.mp4 45"),
                        "should timeline.flash-frame /tracks/children/0/children/1"),
                new Case("'offline': 'forbid'", was -> was.track("Video", "P", "! 30"),
                        "should timeline.offline /tracks/children/3/children/0"),
                new Case("'offline': 'note'", was -> was.track("Video", "P", "! 30"),
                        "note timeline.offline /tracks/children/3/children/0"),
                new Case("", was -> bare(30).track("Video", "P", "- 30"), "must timeline.empty "));
    }

    @ParameterizedTest
    @MethodSource("cases")
    void aRuleIsKeptOrNot(Case one) throws IOException {
        assertThat(told(check(one.rule, "Marsh_v01.otio", clean().toString()))).isEmpty();
        Report faulty = check(one.rule, "Marsh_v01.otio", one.fault.apply(clean()).toString());
        assertThat(told(faulty)).containsExactly(one.findings);
        assertThat(faulty.findings()).filteredOn(finding -> finding.code().startsWith("timeline."))
                .allSatisfy(finding -> assertThat(finding.message()).contains("Marsh_v01.otio").doesNotContain("{", "timeline."));
    }

    @Test
    void everyCodeOfATimelineIsGivenHere() {
        // That proxies are used is a rule of its own: ProxiesTest.
        TreeSet<String> given = new TreeSet<>(List.of("timeline.not-judged", "timeline.proxy-used"));
        cases().flatMap(one -> Stream.of(one.findings)).forEach(line -> given.add(line.split(" ")[1]));
        assertThat(given).isEqualTo(Stream.of(Code.values()).filter(code -> code.family() == Family.TIMELINE).map(Code::id)
                .collect(Collectors.toCollection(TreeSet::new)));
    }

    @Test
    void aListOfEventsThatSaysNoRateIsNotJudgedByItsPictures() throws IOException {
        String edl = """
                TITLE: Marsh market
                001  AX       V     C        00:00:00:00 00:00:00:02 01:00:00:23 01:00:01:01
                002  AX       V     C        00:00:00:00 00:00:02:00 01:00:01:01 01:00:03:01
                """;
        assertThat(told(check("'minClipFrames': 3, 'sound': {'atLeast': 1}", "Marsh_v01.edl", edl)))
                .containsExactlyInAnyOrder("note timeline.not-judged ", "should timeline.tracks-too-few ");
        // Where the kit says the rate that its times allow, it is known.
        assertThat(told(check("'minClipFrames': 3, 'frameRate': 24", "Marsh_v01.edl", edl)))
                .containsExactly("should timeline.flash-frame 2:1");
    }

    @Test
    void whatHoldsNoTimelineSaysSo() throws IOException {
        assertThat(told(check("'minSeconds': 3", "Marsh_v01.otio", "{\"OTIO_SCHEMA\": \"Clip.1\"}")))
                .containsExactly("note timeline.not-judged ");
    }

    @Test
    void theNewestVersionIsJudged() throws IOException {
        check("'maxSeconds': 6", "Marsh_v01.otio", clean().track("Audio", "V", "- 900", "v.wav 5").toString());
        assertThat(told(check("'maxSeconds': 6", "Marsh_v02.otio", clean().toString()))).isEmpty();
    }

    @Test
    void whatIsReadIsWrittenAgain() {
        String all = "'video': {'atLeast': 1, 'atMost': 3, 'names': ['V{number:1}']}, 'sound': {'atLeast': 2}, 'name': '{last}', 'startsAt': '01:00:00:00', "
                + "'minSeconds': 1.5, 'maxSeconds': 20, 'frameRate': 29.97, 'maxGapFrames': 0, 'minClipFrames': 3, 'offline': 'forbid'";
        Kit kit = read(all);
        Kit again = KitReader.read(KitWriter.write(kit)).kit().orElseThrow();
        assertThat(again.documents()).isEqualTo(kit.documents());
        assertThat(read("'startsAt': 3600.5").documents()).isEqualTo(KitReader.read(KitWriter.write(read("'startsAt': 3600.5"))).kit()
                .orElseThrow().documents());
    }

    @Test
    void whatNoTimelineCanBeIsAFault() {
        Map<String, String> wrong = new HashMap<>(Map.of("'startsAt': 'noon'", "startsAt", "'minSeconds': 5, 'maxSeconds': 3", "maxSeconds",
                "'frameRate': 0", "frameRate", "'minClipFrames': 0", "minClipFrames", "'offline': 'maybe'", "offline",
                "'video': {'atLeast': 3, 'atMost': 1}",
                "video/atMost", "'sound': {'names': ['{lst}']}", "sound/names", "'colour': 1", "colour"));
        wrong.forEach((rule, at) -> assertThat(KitReader.read(kit(rule)).faults()).as(rule).extracting(fault -> fault.at())
                .containsExactly("/documents/0/timeline/" + at));
    }
}
