package org.opensatchel.core.lint;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.NoSuchFileException;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.core.check.SampleProject;
import org.opensatchel.core.finding.Severity;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.KitReader;
import org.opensatchel.core.naming.RosterField;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.pack.Handout.StarterContents;
import org.opensatchel.core.words.Words;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** A good kit spoilt in one way at a time: the lint tells that way, at its place, and nothing else. */
class KitLintTest {

    private static final StarterContents BELL = file -> {
        if (file.path().text().contains("gone")) {
            throw new NoSuchFileException(file.path().text());
        }
        return new ByteArrayInputStream(SampleProject.BELL);
    };

    /**
     * A way to spoil a kit.
     *
     * @param at where it stands in the document
     * @param json what is put there; a list's {@code -} adds to it
     */
    private record Spoil(String at, String json) {}

    static Stream<Arguments> faults() {
        return Stream.of(
                spoilt(LintCode.TYPE_NOWHERE, "/documents/0/types", new Spoil("/documents/0/types", "[\"svg\"]")),
                spoilt(LintCode.TYPE_NOWHERE, "/files/0/types", new Spoil("/files/0/types", "[\"mov\", \"webm\"]")),
                spoilt(LintCode.NAME_CONTRADICTION, "/files/0/name", new Spoil("/files/0/name", "\"{last} final\"")),
                spoilt(LintCode.NAME_CONTRADICTION, "/files/0/name", new Spoil("/files/0/name", "\"{last}_untitled\"")),
                spoilt(LintCode.NAME_CONTRADICTION, "/documents/0/maxLength", new Spoil("/documents/0/maxLength", "12")),
                spoilt(LintCode.NAME_IMPOSSIBLE, "/files/0/name", new Spoil("/files/0/name", "\"{last}?\"")),
                spoilt(LintCode.NAME_IMPOSSIBLE, "/folders/-/path",
                        new Spoil("/folders/-", "{\"path\": \"refs/con\", \"need\": \"optional\"}")),
                spoilt(LintCode.NAME_IMPOSSIBLE, "/companions/0/name", new Spoil("/companions/0/name", "\"Take Store.\"")),
                spoilt(LintCode.HELD_NOWHERE, "/documents/0/in", new Spoil("/documents/0/in", "\"edit/autosave\"")),
                spoilt(LintCode.HELD_NOWHERE, "/files/0/in", new Spoil("/files/0/in", "\"scrap\"")),
                spoilt(LintCode.HELD_NOWHERE, "/folders/-/need",
                        new Spoil("/folders/-", "{\"path\": \"scrap/kept\", \"need\": \"required\"}")),
                spoilt(LintCode.HELD_NOWHERE, "/folders/6/atLeast", new Spoil("/folders/6/atLeast", "2")),
                spoilt(LintCode.HELD_NOWHERE, "/root/name", new Spoil("/root/name", "\"{last}_{word}\"")),
                spoilt(LintCode.SAME_NAME, "/files/-/name", new Spoil("/files/-",
                        "{\"role\": \"Long cut\", \"in\": \"delivery\", \"name\": \"{last}_{text}\", \"types\": [\"mp4\"], \"need\": \"optional\"}")),
                spoilt(LintCode.SAME_FOLDER, "/folders/-/path",
                        new Spoil("/folders/-", "{\"path\": \"shots/{text}\", \"need\": \"optional\"}")),
                spoilt(LintCode.ROLE_UNKNOWN, "/files/0/namedLike", new Spoil("/files/0/namedLike", "\"Timeline two\"")),
                spoilt(LintCode.ROLE_UNKNOWN, "/files/0/namedLike", new Spoil("/files/0/namedLike", "\"Finished film\"")),
                spoilt(LintCode.VERSIONS_UNNUMBERED, "/documents/0/versions",
                        new Spoil("/documents/0/name", "\"{last}_{assignment}_cut\"")),
                spoilt(LintCode.ROOT_TOO_LONG, "/location/maxRootLength", new Spoil("/location/maxRootLength", "30")),
                spoilt(LintCode.PATH_TOO_LONG, "/folders/-/path",
                        new Spoil("/folders/-", "{\"path\": \"" + "deep/".repeat(50) + "end\", \"need\": \"optional\"}")),
                spoilt(LintCode.FILE_TOO_LARGE, "/starter/0", new Spoil("/limits", "{\"fileBytes\": 10}")),
                spoilt(LintCode.FOLDER_UNPLANNED, "/documents/0/in", new Spoil("/documents/0/in", "\"timelines\"")),
                spoilt(LintCode.FOLDER_UNPLANNED, "/documents/0/links/0/in", new Spoil("/documents/0/links", "[{\"in\": \"takes\"}]")),
                spoilt(LintCode.FOLDER_UNPLANNED, "/limits/per/0/in",
                        new Spoil("/limits", "{\"per\": [{\"in\": \"takes\", \"fileBytes\": 9}]}")),
                spoilt(LintCode.ROLE_UNKNOWN, "/documents/0/links/0/role", new Spoil("/documents/0/links", "[{\"role\": \"Trailer\"}]")),
                spoilt(LintCode.STARTER_MISSING, "/documents/0/links/0/starter",
                        new Spoil("/documents/0/links", "[{\"starter\": \"sound/none.wav\"}]")),
                spoilt(LintCode.EITHER_ALONE, "/files/0/either", new Spoil("/files/0/either", "\"film\"")),
                spoilt(LintCode.LIMIT_TOO_HIGH, "/limits/fileBytes", new Spoil("/limits", "{\"fileBytes\": 8000000000}"),
                        new Spoil("/machines/-", "\"drive-fat32\"")),
                spoilt(LintCode.TOTAL_TOO_LARGE, "/limits/totalBytes", new Spoil("/limits", "{\"totalBytes\": 10}")),
                spoilt(LintCode.STARTER_MISSING, "/starter/1",
                        new Spoil("/starter/-", "{\"path\": \"story/gone.pdf\", \"sha256\": \"" + "0".repeat(64) + "\", \"bytes\": 7}")),
                spoilt(LintCode.PICTURE_NOWHERE, "/steps/0",
                        new Spoil("/steps", "[{\"title\": \"Look\", \"picture\": \"reference/look.png\"}]")),
                spoilt(LintCode.STARTER_DIFFERS, "/starter/0", new Spoil("/starter/0/sha256", "\"" + "1".repeat(64) + "\"")),
                spoilt(LintCode.NOT_CLEAN, "/starter/1", new Spoil("/starter/-", "{\"path\": \"titles/plate.png\", \"sha256\": \""
                        + SampleProject.sha256(SampleProject.BELL) + "\", \"bytes\": 90}")));
    }

    private static Arguments spoilt(LintCode code, String at, Spoil... spoils) {
        return Arguments.of(code, at, List.of(spoils));
    }

    @ParameterizedTest(name = "{0} {1}")
    @MethodSource("faults")
    void aSpoiltKitIsToldWhereAndAlone(LintCode code, String at, List<Spoil> spoils) throws IOException {
        ObjectNode document = (ObjectNode) JsonDocuments.MAPPER.readTree(SampleProject.kit());
        String place = at.replace("/-", "/" + document.at(at.startsWith("/folders") ? "/folders" : "/files").size());
        spoils.forEach(spoil -> put(document, spoil));
        List<LintFault> faults = KitLint.judge(new LintSubject(read(document), List.of(), Optional.of(BELL)));
        assertThat(faults).as(faults.toString()).extracting(LintFault::code).containsOnly(code);
        assertThat(faults).extracting(LintFault::at).contains(place);
        assertThat(faults).allSatisfy(fault -> assertThat(Words.ENGLISH.text(fault.what()) + Words.ENGLISH.text(fault.remedy()))
                .doesNotContain("null").matches("(?s).*[.”]$"));
        assertThat(KitLint.mayBePublished(faults)).isEqualTo(code.severity() != Severity.MUST);
    }

    @Test
    void everyCodeIsCoveredHere() {
        Set<LintCode> covered = EnumSet.of(LintCode.ROOT_CLASH, LintCode.ROOT_NAMELESS, LintCode.STARTER_LINK);
        faults().forEach(row -> covered.add((LintCode) row.get()[0]));
        assertThat(covered).containsExactlyInAnyOrder(LintCode.values());
    }

    @Test
    void aGoodKitIsToldNothing() throws IOException {
        Kit kit = KitReader.read(SampleProject.kit().getBytes(StandardCharsets.UTF_8)).kit().orElseThrow();
        assertThat(KitLint.judge(new LintSubject(kit, List.of(), Optional.of(BELL)))).isEmpty();
        assertThat(KitLint.judge(new LintSubject(kit, List.of(), Optional.empty()))).as("without its starter files").isEmpty();
    }

    /** The guide of the hand-out is a page too, and must not be taken for the page a student has to make. */
    @Test
    void aKitThatAsksForPagesIsToldNothingOfItsGuide() throws IOException {
        for (String in : List.of("web", "")) {
            String json = "{\"kit\": 1, \"title\": \"t\", \"root\": {\"name\": \"{last}\"}, \"folders\": [{\"path\": \"web\"}], \"documents\": [{\"role\": \"Page\", \"in\": \""
                    + in
                    + "\", \"name\": \"index\", \"types\": [\"html\"]}], \"files\": [{\"role\": \"Notes\", \"in\": \"\", \"name\": \"notes\", \"types\": [\"json\"]}]}";
            assertThat(KitLint.judge(new LintSubject(KitReader.read(json.getBytes(StandardCharsets.UTF_8)).kit().orElseThrow(), List.of(),
                    Optional.empty()))).as("in “" + in + "”").isEmpty();
        }
    }

    @Test
    void studentsWithOneNameOrNoNameAreToldOfTheRoster() throws IOException {
        Kit kit = KitReader.read(SampleProject.kit().getBytes(StandardCharsets.UTF_8)).kit().orElseThrow();
        List<RosterFields> roster = List.of(student("D'Amberley", "Cosima"), student("DAmberley", "Cosima"), student("Tamsin", ""),
                student("’", "Barnaby"));
        List<LintFault> faults = KitLint.judge(new LintSubject(kit, roster, Optional.of(BELL)));
        assertThat(faults).extracting(LintFault::code).containsExactly(LintCode.ROOT_CLASH, LintCode.ROOT_NAMELESS);
        assertThat(Words.ENGLISH.text(faults.get(0).what())).contains("Cosima D'Amberley and Cosima DAmberley")
                .contains("MOV120_A2_DAmberley_Cosima");
        assertThat(Words.ENGLISH.text(faults.get(1).what())).isEqualTo("No folder name for Barnaby ’: last name missing in the roster.");
    }

    @Test
    void theLongestNameOfTheRosterDecides() throws IOException {
        ObjectNode document = (ObjectNode) JsonDocuments.MAPPER.readTree(SampleProject.kit());
        put(document, new Spoil("/location/maxRootLength", "60"));
        Kit kit = read(document);
        assertThat(KitLint.judge(new LintSubject(kit, List.of(student("Rudge", "Barnaby")), Optional.of(BELL)))).isEmpty();
        assertThat(
                KitLint.judge(new LintSubject(kit, List.of(student("Rudge", "Barnaby"), student("x".repeat(50), "y")), Optional.of(BELL))))
                .extracting(LintFault::code)
                .contains(LintCode.ROOT_TOO_LONG);
    }

    @Test
    void linksOfStarterDocumentsAreFollowed() throws IOException {
        byte[] page = "<img src=\"../sound/market-bell.wav\"><img src=\"C:/Users/me/bell.png\"><img src=\"Bell.png\">"
                .getBytes(StandardCharsets.UTF_8);
        ObjectNode document = (ObjectNode) JsonDocuments.MAPPER.readTree(SampleProject.kit());
        put(document, new Spoil("/folders/0/accepts", "[\"html\", \"csv\"]"));
        put(document, new Spoil("/starter/-",
                "{\"path\": \"story/brief.html\", \"sha256\": \"" + SampleProject.sha256(page) + "\", \"bytes\": " + page.length + "}"));
        StarterContents contents = file -> file.path().text().startsWith("story") ? new ByteArrayInputStream(page) : BELL.open(file);
        List<LintFault> faults = KitLint.judge(new LintSubject(read(document), List.of(), Optional.of(contents)));
        assertThat(faults).extracting(LintFault::code).containsOnly(LintCode.STARTER_LINK).hasSize(2);
        assertThat(faults).allSatisfy(fault -> assertThat(fault.at()).isEqualTo("/starter/1"));
    }

    private static RosterFields student(String last, String first) {
        return new RosterFields(new EnumMap<>(
                Map.of(RosterField.LAST, last, RosterField.FIRST, first, RosterField.COURSE, "MOV 120", RosterField.ASSIGNMENT, "A2")));
    }

    private static Kit read(ObjectNode document) {
        // Lint also judges what was published before the reader asked for so much.
        var reading = KitReader.readPublished(JsonDocuments.MAPPER.writeValueAsBytes(document));
        assertThat(reading.faults()).isEmpty();
        return reading.kit().orElseThrow();
    }

    private static void put(ObjectNode document, Spoil spoil) {
        JsonNode value = JsonDocuments.MAPPER.readTree(spoil.json());
        String parent = spoil.at().substring(0, spoil.at().lastIndexOf('/'));
        String key = spoil.at().substring(spoil.at().lastIndexOf('/') + 1);
        JsonNode holder = document.at(parent);
        if (holder.isArray() && key.equals("-")) {
            holder.asArray().add(value);
        } else {
            ((ObjectNode) holder).set(key, value);
        }
    }

    @Test
    void theEmptyKitHandedInIsToldExactlyWhatIsLeftToDo() throws IOException {
        Kit kit = KitReader.read(SampleProject.kit().getBytes(StandardCharsets.UTF_8)).kit().orElseThrow();
        var handout = org.opensatchel.core.pack.Handout.of(kit, "0".repeat(64), student("Marsh", "Ottoline")).orElseThrow();
        try (var source = handout.asProject(Optional.of(BELL))) {
            var report = new org.opensatchel.core.check.ProjectCheck(
                    org.opensatchel.core.check.CheckRequest.of(Optional.of(kit), student("Marsh", "Ottoline"))).run(source);
            assertThat(report.findings().stream().filter(finding -> !finding.severity().equals("note"))
                    .map(finding -> finding.code() + " " + finding.path()).toList())
                    .containsExactly("structure.document-missing edit", "structure.too-few story",
                            "asset.required-missing delivery/Marsh_A2_final.mp4");
        }
    }
}
