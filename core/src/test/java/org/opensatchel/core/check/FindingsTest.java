package org.opensatchel.core.check;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.opensatchel.core.finding.Advice;
import org.opensatchel.core.finding.Cause;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.finding.Place;
import org.opensatchel.core.finding.Severity;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.KitReader;
import org.opensatchel.core.path.ProjectPath;

/** What is made of what the checks gave: weighed, put under its causes, in order, bounded. */
class FindingsTest {

    private static final Advice ADVICE = Advice.of("t", "w", "r");
    private static final Cause FOLDER = new Cause(Cause.Kind.FOLDER, ProjectPath.of("sound"));
    private static final Cause STARTER = new Cause(Cause.Kind.STARTER, ProjectPath.of("sound/bell.wav"));

    private static Finding.Builder finding(Code code, String path) {
        return Finding.of(code, ADVICE).path(ProjectPath.of(path));
    }

    private static List<Finding> told(Finding... raw) {
        return new Findings(Optional.empty(), 1_000, 20_000).told(List.of(raw));
    }

    @Test
    void theyStandBySeverityThenFamilyThenPathThenPlace() {
        List<Finding> told = told(finding(Code.LINK_REMOTE, "a").saying("5"), finding(Code.LINK_MISSING, "b").at(new Place.InText(10, 1)).saying("4"), finding(Code.LINK_MISSING, "b").at(new Place.InText(9, 30)).saying("3"),
                finding(Code.LINK_MISSING, "a").saying("2"), finding(Code.STRUCTURE_FOLDER_MISSING, "z").saying("1"));
        assertThat(told).extracting(Finding::message).containsExactly("1", "2", "3", "4", "5");
    }

    @Test
    void aConsequenceStandsUnderItsCause() {
        List<Finding> told = told(finding(Code.LINK_MISSING, "edit/a.otio").causedBy(FOLDER).saying("link"), finding(Code.STRUCTURE_FOLDER_MISSING, "sound").explains(FOLDER).saying("folder"));
        assertThat(told).singleElement().satisfies(finding -> {
            assertThat(finding.message()).isEqualTo("folder");
            assertThat(finding.consequences()).extracting(Finding::message).containsExactly("link");
        });
    }

    @Test
    void aChainOfCausesEndsAtItsTop() {
        List<Finding> told = told(finding(Code.LINK_MISSING, "edit/a.otio").causedBy(STARTER).saying("link"), finding(Code.ASSET_STARTER_MISSING, "sound/bell.wav").explains(STARTER).causedBy(FOLDER).saying("starter"),
                finding(Code.STRUCTURE_FOLDER_MISSING, "sound").explains(FOLDER).saying("folder"));
        assertThat(told).singleElement().satisfies(finding -> assertThat(finding.consequences()).extracting(Finding::message).containsExactlyInAnyOrder("link", "starter"));
    }

    @Test
    void causesThatBiteTheirTailAreToldAll() {
        List<Finding> told = told(finding(Code.ASSET_STARTER_MISSING, "a").explains(STARTER).causedBy(FOLDER).saying("one"), finding(Code.STRUCTURE_FOLDER_MISSING, "b").explains(FOLDER).causedBy(STARTER).saying("two"));
        assertThat(told).extracting(Finding::message).containsExactlyInAnyOrder("one", "two");
    }

    @Test
    void whatWeighsMoreThanItsCauseIsNotHiddenUnderIt() {
        List<Finding> told = told(finding(Code.LINK_MISSING, "a").causedBy(FOLDER).saying("must"), finding(Code.STRUCTURE_FOLDER_OTHER, "b").explains(FOLDER).saying("note"));
        assertThat(told).extracting(Finding::severity).containsExactly(Severity.MUST, Severity.NOTE);
    }

    @Test
    void aCauseThatNobodyToldLeavesTheFindingWhereItIs() {
        assertThat(told(finding(Code.LINK_MISSING, "a").causedBy(FOLDER).saying("link"))).singleElement().satisfies(finding -> assertThat(finding.consequences()).isEmpty());
    }

    @Test
    void aGuessIsAtMostAShouldWhateverTheKitSays() {
        Kit kit = KitReader.read("{\"kit\": 1, \"title\": \"T\", \"root\": {\"name\": \"x\"}, \"severities\": {\"link.missing\": \"must\", \"link.remote\": \"off\", \"asset.unused\": \"should\"}}".getBytes(StandardCharsets.UTF_8)).kit().orElseThrow();
        List<Finding> told = new Findings(Optional.of(kit), 1_000, 20_000).told(List.of(finding(Code.LINK_MISSING, "a").sure(0.3).saying("guess"), finding(Code.LINK_MISSING, "b").saying("sure"),
                finding(Code.LINK_REMOTE, "c").saying("off"), finding(Code.ASSET_UNUSED, "d").saying("raised")));
        assertThat(told).extracting(finding -> finding.message() + " " + finding.severity().word()).containsExactly("sure must", "guess should", "raised should");
    }

    @Test
    void ofTooManyTheFirstAreToldAndTheRestCounted() {
        Finding[] raw = IntStream.range(0, 25).mapToObj(i -> finding(Code.LINK_MISSING, String.format("d%02d", 24 - i)).saying("m" + i)).toArray(Finding[]::new);
        List<Finding> told = new Findings(Optional.empty(), 10, 20_000).told(List.of(raw));
        assertThat(told).hasSize(11);
        assertThat(told.stream().filter(finding -> !finding.path().isRoot()).map(finding -> finding.path().text())).containsExactly("d00", "d01", "d02", "d03", "d04", "d05", "d06", "d07", "d08", "d09");
        assertThat(told).anySatisfy(finding -> assertThat(finding.message()).isEqualTo("And 15 more of the same kind."));
    }

    @Test
    void oneThatStandsForManyCountsAsMany() {
        List<Finding> told = new Findings(Optional.empty(), 2, 20_000).told(List.of(finding(Code.ASSET_UNUSED, "a").saying("a"), finding(Code.ASSET_UNUSED, "b").saying("b"), finding(Code.ASSET_UNUSED, "c").saying("c"),
                finding(Code.ASSET_UNUSED, "z").times(997).saying("z")));
        assertThat(told).extracting(Finding::message).containsExactlyInAnyOrder("a", "b", "And 998 more of the same kind.");
    }

    @Test
    void aMessageHasAnEnd() {
        assertThat(told(finding(Code.LINK_MISSING, "a").saying("x".repeat(5_000))).get(0).message()).hasSize(Finding.MAX_MESSAGE).endsWith("…");
    }
}
