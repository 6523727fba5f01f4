package org.opensatchel.core.check;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.base.place.SourcePosition;
import org.opensatchel.core.finding.Cause;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.finding.Severity;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.KitReader;

/** What is made of what the checks gave: weighed, put under its causes, in order, bounded. */
class FindingsTest {

    private static final Cause FOLDER = new Cause(Cause.Kind.FOLDER, ProjectPath.of("sound"));
    private static final Cause STARTER = new Cause(Cause.Kind.STARTER, ProjectPath.of("sound/bell.wav"));

    private static Finding.Builder finding(Code code, String path) {
        return Finding.of(code).path(ProjectPath.of(path));
    }

    private static String place(Finding finding) {
        return (finding.path() + " " + finding.at().text()).strip();
    }

    private static List<Finding> told(Finding... raw) {
        return new Findings(Optional.empty(), 1_000, 20_000).told(List.of(raw));
    }

    @Test
    void theyStandBySeverityThenFamilyThenPathThenPlace() {
        List<Finding> told = told(finding(Code.LINK_REMOTE, "a").make(),
                finding(Code.LINK_MISSING, "b").at(new SourcePosition.InText(10, 1)).make(),
                finding(Code.LINK_MISSING, "b").at(new SourcePosition.InText(9, 30)).make(),
                finding(Code.LINK_MISSING, "a").make(), finding(Code.STRUCTURE_FOLDER_MISSING, "z").make());
        assertThat(told).extracting(FindingsTest::place).containsExactly("z", "a", "b 9:30", "b 10:1", "a");
    }

    @Test
    void aConsequenceStandsUnderItsCause() {
        List<Finding> told = told(finding(Code.LINK_MISSING, "edit/a.otio").causedBy(FOLDER).make(),
                finding(Code.STRUCTURE_FOLDER_MISSING, "sound").explains(FOLDER).make());
        assertThat(told).singleElement().satisfies(finding -> {
            assertThat(place(finding)).isEqualTo("sound");
            assertThat(finding.consequences()).extracting(FindingsTest::place).containsExactly("edit/a.otio");
        });
    }

    @Test
    void aChainOfCausesEndsAtItsTop() {
        List<Finding> told = told(finding(Code.LINK_MISSING, "edit/a.otio").causedBy(STARTER).make(),
                finding(Code.ASSET_STARTER_MISSING, "sound/bell.wav").explains(STARTER).causedBy(FOLDER).make(),
                finding(Code.STRUCTURE_FOLDER_MISSING, "sound").explains(FOLDER).make());
        assertThat(told).singleElement().satisfies(finding -> assertThat(finding.consequences()).extracting(FindingsTest::place)
                .containsExactlyInAnyOrder("edit/a.otio", "sound/bell.wav"));
    }

    @Test
    void causesThatBiteTheirTailAreToldAll() {
        List<Finding> told = told(finding(Code.ASSET_STARTER_MISSING, "a").explains(STARTER).causedBy(FOLDER).make(),
                finding(Code.STRUCTURE_FOLDER_MISSING, "b").explains(FOLDER).causedBy(STARTER).make());
        assertThat(told).extracting(FindingsTest::place).containsExactlyInAnyOrder("a", "b");
    }

    @Test
    void whatWeighsMoreThanItsCauseIsNotHiddenUnderIt() {
        List<Finding> told = told(finding(Code.LINK_MISSING, "a").causedBy(FOLDER).make(),
                finding(Code.STRUCTURE_FOLDER_OTHER, "b").explains(FOLDER).make());
        assertThat(told).extracting(Finding::severity).containsExactly(Severity.MUST, Severity.NOTE);
    }

    @Test
    void aCauseThatNobodyToldLeavesTheFindingWhereItIs() {
        assertThat(told(finding(Code.LINK_MISSING, "a").causedBy(FOLDER).make())).singleElement()
                .satisfies(finding -> assertThat(finding.consequences()).isEmpty());
    }

    @Test
    void aGuessIsAtMostAShouldWhateverTheKitSays() {
        Kit kit = KitReader.read(
                "{\"kit\": 1, \"title\": \"T\", \"root\": {\"name\": \"x\"}, \"severities\": {\"link.missing\": \"must\", \"link.remote\": \"off\", \"asset.unused\": \"should\"}}"
                        .getBytes(StandardCharsets.UTF_8))
                .kit().orElseThrow();
        List<Finding> told = new Findings(Optional.of(kit), 1_000, 20_000)
                .told(List.of(finding(Code.LINK_MISSING, "a").sure(0.3).make(), finding(Code.LINK_MISSING, "b").make(),
                        finding(Code.LINK_REMOTE, "c").make(), finding(Code.ASSET_UNUSED, "d").make()));
        assertThat(told).extracting(finding -> place(finding) + " " + finding.severity().word()).containsExactly("b must", "a should",
                "d should");
    }

    @Test
    void ofTooManyTheFirstAreToldAndTheRestCounted() {
        Finding[] raw = IntStream.range(0, 25).mapToObj(i -> finding(Code.LINK_MISSING, String.format("d%02d", 24 - i)).make())
                .toArray(Finding[]::new);
        List<Finding> told = new Findings(Optional.empty(), 10, 20_000).told(List.of(raw));
        assertThat(told).hasSize(11);
        assertThat(told.stream().filter(finding -> !finding.path().isRoot()).map(finding -> finding.path().text())).containsExactly("d00",
                "d01", "d02", "d03", "d04", "d05", "d06", "d07", "d08", "d09");
        assertThat(told).anySatisfy(finding -> assertThat(finding.facts().number(FactName.MORE)).isEqualTo(15));
    }

    @Test
    void oneThatStandsForManyCountsAsMany() {
        List<Finding> told = new Findings(Optional.empty(), 2, 20_000).told(List.of(finding(Code.ASSET_UNUSED, "a").make(),
                finding(Code.ASSET_UNUSED, "b").make(), finding(Code.ASSET_UNUSED, "c").make(),
                finding(Code.ASSET_UNUSED, "z").times(997).make()));
        assertThat(told).extracting(FindingsTest::place).containsExactlyInAnyOrder("a", "b", "");
        assertThat(told).filteredOn(finding -> finding.path().isRoot()).singleElement()
                .satisfies(finding -> assertThat(finding.facts().number(FactName.MORE)).isEqualTo(998));
    }
}
