package org.opensatchel.core.judging;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.core.judging.Judgement.Raised;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.KitReader;
import org.opensatchel.core.report.FindingGroups;
import org.opensatchel.core.report.Report;
import org.opensatchel.core.report.Report.FindingLine;
import org.opensatchel.core.report.ReportDigest;
import org.opensatchel.core.report.Score;
import org.opensatchel.core.report.Verdict;

/** What counts of a report once somebody overruled parts of it, and the points that are left. */
class JudgementTest {

    private static final Kit.Points TWENTY = new Kit.Points(20, 4, 4, 8, 4, Kit.Deductions.USUAL);

    private static FindingLine finding(String line) {
        String[] parts = line.split(" ");
        Facts facts = parts.length > 3 ? Facts.of(FactName.TEXT, parts[3]) : Facts.NONE;
        Optional<String> at = parts[1].startsWith("link.") ? Optional.of("3:1") : Optional.empty();
        return new FindingLine(parts[1], parts[0], parts[2], at, "", "", List.of(), Optional.empty(), Optional.empty(), Optional.empty(),
                Optional.of(facts));
    }

    private static ReportDigest digest(String... findings) {
        List<FindingLine> all = new ArrayList<>();
        for (String line : findings) {
            all.add(finding(line));
        }
        Report.Counts counts = new Report.Counts(count(all, "must"), count(all, "should"), count(all, "note"));
        return ReportDigest
                .of(new Report(1, Instant.EPOCH, counts.must() > 0 ? Verdict.FIX : Verdict.READY, Optional.empty(), Optional.empty(),
                        Optional.empty(), new Report.Project(Optional.of("A"), 3, 9, 1, 2, Optional.empty()), counts, Optional.empty(),
                        List.of(), all,
                        List.of(), Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty()));
    }

    private static int count(List<FindingLine> findings, String severity) {
        return (int) findings.stream().filter(finding -> finding.severity().equals(severity)).count();
    }

    private static Ruling ruling(long id, Ruling.Scope scope, String code, Set<String> keys, String severity) {
        return new Ruling(id, scope, code, keys, Optional.of(severity).filter(word -> !word.equals("waived")), "because");
    }

    private static final String GONE = "must link.missing edit/Marsh_A2_v02.otio ../footage/a.mp4";

    @Test
    void whatIsWaivedCountsNoMoreAndIsNotLost() {
        ReportDigest digest = digest(GONE, "should name.space a%20b.wav");
        Judgement judged = Judgement.of(digest,
                List.of(ruling(1, Ruling.Scope.HAND_IN, "link.missing", Set.of(FindingKey.of(finding(GONE))), "waived")),
                List.of(), Optional.empty());
        assertThat(judged.digest().head().verdict()).isEqualTo(Verdict.READY);
        assertThat(judged.digest().head().counts()).isEqualTo(new Report.Counts(0, 1, 0));
        assertThat(judged.digest().head().told()).isEqualTo(Verdict.Told.TIDY);
        assertThat(judged.waived()).extracting(one -> one.finding().code()).containsExactly("link.missing");
        assertThat(digest.head().counts()).isEqualTo(new Report.Counts(1, 1, 0));
    }

    /** What is waived for one is the same in the next version of the document, and something else for another file or another link. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
            "must link.missing edit/Marsh_A2_v03.otio ../footage/a.mp4 | true",
            "must link.missing edit/Marsh_A2_v02.otio ../footage/b.mp4 | false",
            "must link.missing story/Marsh_A2_v02.otio ../footage/a.mp4 | false",
            "must link.pinned edit/Marsh_A2_v02.otio ../footage/a.mp4 | false"})
    void aKeyIsThatOfOneFindingWhereverItStands(String other, boolean same) {
        assertThat(FindingKey.of(finding(other)).equals(FindingKey.of(finding(GONE)))).isEqualTo(same);
        assertThat(FindingKey.of(finding(GONE))).hasSize(FindingKey.LENGTH);
    }

    /** The narrower ruling wins, then the later. */
    @ParameterizedTest
    @CsvSource({"ASSIGNMENT:waived, must:0", "ASSIGNMENT:waived HAND_IN:must, must:1", "STUDENT:note ASSIGNMENT:must, note:1",
            "STUDENT:should STUDENT:note, note:1", "STUDENT:note STUDENT:should, should:1"})
    void theNarrowerRulingWins(String rulings, String wanted) {
        List<Ruling> all = new ArrayList<>();
        for (String one : rulings.split(" ")) {
            all.add(ruling(all.size(), Ruling.Scope.valueOf(one.split(":")[0]), "link.missing", Set.of(), one.split(":")[1]));
        }
        Report.Counts counts = Judgement.of(digest(GONE), all, List.of(), Optional.empty()).digest().head().counts();
        int found = wanted.startsWith("must") ? counts.must() : wanted.startsWith("should") ? counts.should() : counts.note();
        assertThat(found).isEqualTo(Integer.parseInt(wanted.substring(wanted.indexOf(':') + 1)));
    }

    @Test
    void whatSomebodyFoundByEyeCounts() {
        Judgement judged = Judgement.of(digest("note asset.unused a.wav"), List.of(),
                List.of(new Raised(1, "note", "", "later"), new Raised(2, "must", "delivery/a.mp4", "The film is black.")),
                Optional.of(TWENTY));
        assertThat(judged.digest().head().verdict()).isEqualTo(Verdict.FIX);
        assertThat(judged.digest().head().counts()).isEqualTo(new Report.Counts(1, 0, 2));
        assertThat(judged.raised()).extracting(Raised::id).containsExactly(2L, 1L);
    }

    @Test
    void whatWasRaisedStandsWhereItNowWeighs() {
        Judgement judged = Judgement.of(digest(GONE, "should name.space a.wav", "note asset.unused b.wav"),
                List.of(ruling(1, Ruling.Scope.HAND_IN, "asset.unused", Set.of(), "must")), List.of(), Optional.empty());
        assertThat(judged.digest().head().findings()).extracting(FindingLine::code).containsExactly("link.missing", "asset.unused",
                "name.space");
        assertThat(judged.changed()).hasSize(1);
    }

    /** A thing to fix costs once however many links it holds, and no part loses more than it has. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
            " | 20",
            "must link.missing a.otio x | 19",
            "must link.missing a.otio x; must link.missing a.otio y; must link.missing a.otio z | 19",
            "must link.missing a.otio x; must link.missing b.otio x | 18",
            "should name.space a.wav; note asset.unused c.wav | 19.5",
            "must name.root .; must name.file a; must name.document b; must name.character c; must name.case-clash d; must name.someone-else e | 16",
            "must location.parent .; must package.shortcut a; must habit.late . | 17"})
    void pointsAreTakenOffForThings(String findings, BigDecimal earned) {
        String[] lines = findings == null || findings.isBlank() ? new String[0] : findings.strip().split("; ");
        Score score = Judgement.of(digest(lines), List.of(), List.of(), Optional.of(TWENTY)).digest().head().points().orElseThrow();
        assertThat(score.earned()).isEqualTo(earned);
        assertThat(score.parts()).extracting(Score.Part::part).containsExactly("structure", "names", "links", "assets");
        assertThat(score.parts().stream().map(part -> BigDecimal.valueOf(part.of()).subtract(part.taken())).reduce(BigDecimal.ZERO,
                BigDecimal::add))
                .isEqualByComparingTo(earned);
    }

    @Test
    void whatWasWaivedCostsNothingAndABlockedProjectHasNoScore() {
        Judgement waived = Judgement.of(digest(GONE), List.of(ruling(1, Ruling.Scope.ASSIGNMENT, "link.missing", Set.of(), "waived")),
                List.of(),
                Optional.of(TWENTY));
        assertThat(waived.digest().head().points().orElseThrow().earned()).isEqualTo(new BigDecimal("20"));
        assertThat(Score.of(TWENTY, Verdict.BLOCKED, FindingGroups.of(List.of()))).isEmpty();
    }

    /** What came too late counts beside what the files showed, as heavy as the kit says, and may be waived as anything else. */
    @Test
    void aLateHandInIsAFindingOfItsOwn() {
        Kit kit = KitReader.read("{\"kit\": 1, \"title\": \"K\", \"root\": {\"name\": \"A\"}}".getBytes(StandardCharsets.UTF_8)).kit()
                .orElseThrow();
        List<FindingLine> late = LateHandIn.beside(Optional.of(Duration.ofMinutes(150)), kit);
        assertThat(late).extracting(FindingLine::severity, FindingLine::message)
                .containsExactly(tuple("note", "It was handed in 2 hours 30 minutes late."));
        assertThat(LateHandIn.beside(Optional.empty(), kit)).isEmpty();
        ReportDigest digest = digest(GONE);
        Judgement judged = Judgement.of(digest, late, List.of(), List.of(), Optional.empty());
        assertThat(judged.digest().head().findings()).extracting(FindingLine::code).containsExactly("link.missing", "habit.late");
        assertThat(judged.digest().head().counts().note()).isEqualTo(digest.head().counts().note() + 1);
        assertThat(judged.digest().findings()).isEqualTo(digest.findings() + 1);
        assertThat(judged.digest().opening()).isEqualTo(digest.opening());
        Judgement waived = Judgement.of(digest, late, List.of(ruling(1, Ruling.Scope.ASSIGNMENT, "habit.late", Set.of(), "waived")),
                List.of(),
                Optional.empty());
        assertThat(waived.digest().head().findings()).extracting(FindingLine::code).containsExactly("link.missing");
        Kit strict = KitReader
                .read("{\"kit\": 1, \"title\": \"K\", \"root\": {\"name\": \"A\"}, \"severities\": {\"habit.late\": \"must\"}}"
                        .getBytes(StandardCharsets.UTF_8))
                .kit().orElseThrow();
        assertThat(LateHandIn.beside(Optional.of(Duration.ofDays(1)), strict)).extracting(FindingLine::severity).containsExactly("must");
        Kit calm = KitReader.read("{\"kit\": 1, \"title\": \"K\", \"root\": {\"name\": \"A\"}, \"severities\": {\"habit.late\": \"off\"}}"
                .getBytes(StandardCharsets.UTF_8)).kit().orElseThrow();
        assertThat(LateHandIn.beside(Optional.of(Duration.ofDays(1)), calm)).isEmpty();
    }
}
