package org.opensatchel.core.judging;

import java.time.Duration;
import java.util.List;
import java.util.Optional;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.report.Report.FindingLine;
import org.opensatchel.core.words.Said;
import org.opensatchel.core.words.Sentence;
import org.opensatchel.core.words.Words;

/**
 * That a hand-in came too late, as a finding among those of its files. A check does not know when something was due, and that may move
 * after it: it is said by whoever judges.
 */
public final class LateHandIn {

    private LateHandIn() {
    }

    /** Absent where the kit switches it off. */
    public static Optional<FindingLine> finding(Duration late, Kit kit) {
        Facts facts = Facts.of(FactName.LENGTH, (double) late.toSeconds());
        Said said = Words.ENGLISH.of(Finding.of(Code.HABIT_LATE).facts(facts).make());
        return kit.severity(Code.HABIT_LATE)
                .map(severity -> new FindingLine(Code.HABIT_LATE.id(), severity.word(), "", Optional.empty(), said.message().bounded(),
                        said.why().bounded(), said.remedy().stream().map(Sentence::bounded).toList(), Optional.empty(), Optional.empty(),
                        Optional.empty(), Optional.of(facts)));
    }

    /** What counts beside the files, of a hand-in that came so much too late. */
    public static List<FindingLine> beside(Optional<Duration> late, Kit kit) {
        return late.flatMap(time -> finding(time, kit)).stream().toList();
    }
}
