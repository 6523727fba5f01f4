package org.opensatchel.web.judging;

import java.time.Duration;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.opensatchel.core.judging.Judgement;
import org.opensatchel.core.judging.LateHandIn;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.report.ReportDigest;
import org.opensatchel.web.course.CourseService;
import org.opensatchel.web.decision.DecisionService;
import org.opensatchel.web.decision.RemarkView;
import org.opensatchel.web.decision.Subject;
import org.opensatchel.web.handin.Digests;
import org.opensatchel.web.handin.HandInService;
import org.opensatchel.web.judging.JudgedRows.Unjudged;
import org.opensatchel.web.kit.KitService;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/**
 * Judges hand-ins anew: what a check found, and what was decided about it, give the columns that the board sorts and counts. The report
 * itself is not touched.
 */
@Component
class Judging {

    private static final int AT_ONCE = 50;

    private final JudgedRows rows;
    private final DecisionService decisions;
    private final KitService kits;
    private final CourseService courses;
    private final Digests digests;
    private final HandInService handIns;

    Judging(JudgedRows rows, DecisionService decisions, KitService kits, CourseService courses,
            Digests digests, HandInService handIns) {
        this.handIns = handIns;
        this.courses = courses;
        this.digests = digests;
        this.rows = rows;
        this.decisions = decisions;
        this.kits = kits;
    }

    /** What counts of some hand-ins of one assignment, by hand-in: so many questions to the database, however many they are. */
    Map<Long, Judged> of(long assignment, Collection<Long> ids) {
        List<Unjudged> some = rows.toJudge(ids);
        Decided decided = new Decided(decisions.rulings(assignment), remarks(some), courses.deadlines(assignment));
        return some.stream().collect(Collectors.toMap(Unjudged::id, one -> {
            Kit kit = kits.version(one.kitVersion()).kit();
            ReportDigest digest = one.digest() == null ? handIns.digest(one.id()) : digests.read(one.digest());
            return new Judged(decided.judge(one, digest, kit, kit.points()), kit.version(), decided.remarks(one));
        }));
    }

    /** Judges what was not judged since something changed of these; in the order of their numbers, so that two who do it do not meet. */
    @Transactional
    public void catchUp(Collection<Long> ids) {
        List<Unjudged> open = ids.isEmpty() ? List.of() : rows.unjudged(ids);
        List<Long> assignments = open.stream().map(Unjudged::assignment).distinct().toList();
        Map<Long, DecisionService.Rulings> rulings = assignments.stream()
                .collect(Collectors.toMap(assignment -> assignment, decisions::rulings));
        Map<Long, CourseService.Deadlines> deadlines = assignments.stream()
                .collect(Collectors.toMap(assignment -> assignment, courses::deadlines));
        for (int from = 0; from < open.size(); from += AT_ONCE) {
            List<Unjudged> some = open.subList(from, Math.min(open.size(), from + AT_ONCE));
            Map<Long, List<RemarkView>> remarks = remarks(some);
            for (Unjudged one : some) {
                Decided decided = new Decided(rulings.get(one.assignment()), remarks, deadlines.get(one.assignment()));
                Kit kit = kits.version(one.kitVersion()).kit();
                rows.keep(one.id(), decided.judge(one, digests.read(one.digest()), kit, kit.points()));
            }
        }
    }

    private Map<Long, List<RemarkView>> remarks(List<Unjudged> some) {
        return decisions.remarks(some.stream().map(Unjudged::id).toList());
    }

    /** What was decided about the hand-ins of an assignment, and raised about some. */
    private record Decided(DecisionService.Rulings rulings, Map<Long, List<RemarkView>> remarks, CourseService.Deadlines deadlines) {
        Judgement judge(Unjudged one, ReportDigest digest, Kit kit, Optional<Kit.Points> points) {
            Subject subject = new Subject(one.assignment(), one.enrolment(), one.id());
            return Judgement.of(digest, LateHandIn.beside(late(one), kit), rulings.about(subject), DecisionService.raised(remarks(one)),
                    points);
        }

        /** Nobody minds when somebody has their files checked before they hand in. */
        private Optional<Duration> late(Unjudged one) {
            return one.counts() ? deadlines.of(one.enrolment()).late(one.receivedAt()) : Optional.empty();
        }

        List<RemarkView> remarks(Unjudged one) {
            return remarks.getOrDefault(one.id(), List.of());
        }
    }

    /** What each student would earn by a rule of points, with all that was decided; nothing is kept of it. */
    List<JudgingService.Earned> earned(long assignment, Kit.Points rule) {
        List<Unjudged> counting = rows.counting(assignment);
        Decided decided = new Decided(decisions.rulings(assignment), remarks(counting), courses.deadlines(assignment));
        return counting.stream().map(one -> {
            ReportDigest digest = digests.read(one.digest());
            Kit kit = kits.version(one.kitVersion()).kit();
            return new JudgingService.Earned(one.enrolment(), one.id(),
                    decided.judge(one, digest, kit, kit.points()).digest().head().points(),
                    decided.judge(one, digest, kit, Optional.of(rule)).digest().head().points());
        }).toList();
    }
}
