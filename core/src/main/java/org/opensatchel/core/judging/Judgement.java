package org.opensatchel.core.judging;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.report.FindingGroups;
import org.opensatchel.core.report.Report;
import org.opensatchel.core.report.Report.Counts;
import org.opensatchel.core.report.Report.Doubt;
import org.opensatchel.core.report.Report.Doubts;
import org.opensatchel.core.report.Report.FindingLine;
import org.opensatchel.core.report.ReportDigest;
import org.opensatchel.core.report.Score;
import org.opensatchel.core.report.Verdict;

/**
 * What a check found, as the people who teach see it: findings that were waived are set aside, others weigh what they were said to weigh,
 * and what somebody found by eye stands beside them. The report itself is never changed.
 *
 * @param digest what counts, in the order to fix it
 * @param things what counts, gathered as people read it
 * @param waived what was waived, each with why
 * @param changed which findings weigh something else than the check said, by their keys
 * @param raised what somebody found by eye, the most serious first
 */
public record Judgement(ReportDigest digest, List<FindingGroups.Group> things, List<Waived> waived, Map<String, Ruling> changed,
        List<Raised> raised) {

    private static final List<String> ORDER = List.of("must", "should", "note");

    /** A finding that was waived. */
    public record Waived(FindingLine finding, Ruling ruling) {}

    /**
     * Something to fix that no check found.
     *
     * @param severity {@code must}, {@code should} or {@code note}
     * @param path the file it is about, empty for none
     */
    public record Raised(long id, String severity, String path, String text) {}

    /** How many things must be fixed, as people are told: what was found by eye, and what has one cause once. */
    public int mustTold() {
        return told("must");
    }

    /** The same of what should be fixed. */
    public int shouldTold() {
        return told("should");
    }

    private int told(String severity) {
        return (int) (things.stream().filter(group -> group.severity().equals(severity)).count()
                + raised.stream().filter(one -> one.severity.equals(severity)).count());
    }

    /** What the check found is all there is. */
    public static Judgement of(ReportDigest digest, List<Ruling> rulings, List<Raised> raised, Optional<Kit.Points> points) {
        return of(digest, List.of(), rulings, raised, points);
    }

    /**
     * @param beside what else is to be told of the hand-in, which no check of its files could know
     * @param rulings those that may be about this hand-in, in any order
     * @param points what organisation earns, where the kit says so
     */
    public static Judgement of(ReportDigest digest, List<FindingLine> beside, List<Ruling> rulings, List<Raised> raised,
            Optional<Kit.Points> points) {
        List<Ruling> weighed = rulings.stream().sorted(Ruling.BY_WEIGHT.reversed()).toList();
        List<FindingLine> counts = new ArrayList<>();
        List<Waived> waived = new ArrayList<>();
        Map<String, Ruling> changed = new LinkedHashMap<>();
        List<FindingLine> told = new ArrayList<>(digest.head().findings());
        told.addAll(beside);
        for (FindingLine finding : told) {
            Optional<Ruling> ruling = weighed.stream().filter(one -> one.isAbout(finding)).findFirst();
            if (ruling.isEmpty()) {
                counts.add(finding);
            } else if (ruling.get().waives()) {
                waived.add(new Waived(finding, ruling.get()));
            } else {
                counts.add(finding.weighing(ruling.get().severity().get()));
                changed.put(FindingKey.of(finding), ruling.get());
            }
        }
        counts.sort(Comparator.comparingInt(finding -> ORDER.indexOf(finding.severity())));
        List<Raised> ordered = raised.stream().sorted(Comparator.comparing((Raised one) -> ORDER.indexOf(one.severity))).toList();
        List<FindingGroups.Group> things = FindingGroups.of(counts);
        boolean ruled = !waived.isEmpty() || !changed.isEmpty();
        return new Judgement(digest(digest, counts, ruled, things, ordered, points), things, waived, changed, ordered);
    }

    /** @param ruled whether anything of what the check found counts in another way */
    private static ReportDigest digest(ReportDigest digest, List<FindingLine> counts, boolean ruled, List<FindingGroups.Group> things,
            List<Raised> raised,
            Optional<Kit.Points> points) {
        Report head = digest.head();
        Counts numbers = counted(head, counts, raised);
        Verdict verdict = head.verdict() == Verdict.BLOCKED ? Verdict.BLOCKED : numbers.must() > 0 ? Verdict.FIX : Verdict.READY;
        Report judged = new Report(head.report(), head.made(), verdict, ruled ? doubts(head, counts) : head.doubts(), head.kit(),
                head.location(), head.project(), numbers,
                head.sealed(), head.links(), counts, head.notChecked(), head.carry(),
                points.flatMap(rule -> Score.of(rule, verdict, things)), head.plan(), head.media(),
                head.timelines());
        // What opens once everything is mended was worked out from all that the check found; with less to mend it is not known.
        return new ReportDigest(judged, digest.numbers(), digest.findings() - (head.findings().size() - counts.size()), digest.carry(),
                ruled ? Optional.empty() : digest.opening());
    }

    /** Of the links that look broken in documents nobody described, those that were not waived. */
    private static Optional<Doubts> doubts(Report head, List<FindingLine> counts) {
        Map<String, Integer> gone = new HashMap<>();
        head.findings().stream().filter(finding -> finding.guessed() && !finding.severity().equals("note"))
                .forEach(finding -> gone.merge(finding.path(), 1, Integer::sum));
        counts.stream().filter(finding -> finding.guessed() && !finding.severity().equals("note"))
                .forEach(finding -> gone.merge(finding.path(), -1, Integer::sum));
        List<Doubt> left = head.doubted().stream()
                .map(doubt -> new Doubt(doubt.document(), doubt.links() - Math.max(0, gone.getOrDefault(doubt.document(), 0))))
                .filter(doubt -> doubt.links() > 0).toList();
        return left.isEmpty() ? Optional.empty() : Optional.of(Doubts.of(left));
    }

    /** The report's own counts, changed by what was changed: a digest may hold fewer findings than there are. */
    private static Counts counted(Report head, List<FindingLine> counts, List<Raised> raised) {
        Map<String, Integer> change = new HashMap<>();
        head.findings().forEach(finding -> change.merge(finding.severity(), -1, Integer::sum));
        counts.forEach(finding -> change.merge(finding.severity(), 1, Integer::sum));
        raised.forEach(one -> change.merge(one.severity, 1, Integer::sum));
        return new Counts(head.counts().must() + change.getOrDefault("must", 0), head.counts().should() + change.getOrDefault("should", 0),
                head.counts().note() + change.getOrDefault("note", 0));
    }
}
