package org.opensatchel.web.judging;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.opensatchel.core.judging.Judgement;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.report.Score;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.CourseService.Membership;
import org.opensatchel.web.course.DeadlineMoved;
import org.opensatchel.web.handin.HandInService;
import org.opensatchel.web.handin.HandInService.Shown;
import org.opensatchel.web.handin.HandInView;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What counts of hand-ins after what was decided about them. */
@Service
public class JudgingService {

    private final Judging judging;
    private final JudgedRows rows;
    private final HandInService handIns;

    JudgingService(Judging judging, JudgedRows rows, HandInService handIns) {
        this.judging = judging;
        this.rows = rows;
        this.handIns = handIns;
    }

    /** Judges hand-ins that were checked anew, as a part of the transaction that keeps what was found. */
    @Transactional
    public void catchUp(List<Long> handIns) {
        judging.catchUp(handIns);
    }

    /** What counts of a report after what was decided about it. */
    @Transactional
    public Judgement judgement(Shown shown) {
        return judged(shown.place(), List.of(shown.handIn().id())).get(shown.handIn().id()).judgement();
    }

    /** Some hand-ins of a student, with what was decided about them. */
    @Transactional
    public Map<Long, Judged> judged(Membership place, List<Long> some) {
        return judging.of(place.assignment().id(), some);
    }

    /**
     * What a student earns by the kit, and would earn by another rule.
     *
     * @param now empty where the kit gives no points, and for a project that could not be read
     */
    public record Earned(long enrolmentId, long handInId, Optional<Score> now, Optional<Score> then) {}

    /** What each student's hand-in that counts would earn by a rule of points. */
    @Transactional(readOnly = true)
    public List<Earned> earned(AssignmentView assignment, Kit.Points rule) {
        return judging.earned(assignment.id(), rule);
    }

    /**
     * Has hand-ins judged again of which something was decided: those of a whole assignment, of a student, or one. The board's columns are
     * right when this returns; those of hand-ins that count no more are put right when they are next looked at.
     *
     * @param enrolment 0 for everybody
     * @param handIn 0 for all of them
     */
    @Transactional
    public void judgeAgain(long assignment, long enrolment, long handIn) {
        rows.judgeAgain(assignment, enrolment, handIn);
        judging.catchUp(rows.countingUnjudged(assignment));
    }

    /** What came too late, and by how much, is another when something is due at another time. */
    @EventListener
    @Transactional
    public void deadlineMoved(DeadlineMoved moved) {
        judgeAgain(moved.assignment(), moved.enrolment(), 0);
    }

    /** A student's hand-in that counts, and what is counted of it. */
    public record Last(HandInView handIn, Tally tally) {}

    /** Those of all students, by enrolment. */
    @Transactional
    public Map<Long, Last> last(AssignmentView assignment) {
        judging.catchUp(rows.countingUnjudged(assignment.id()));
        return handIns.counted(assignment).stream().map(row -> new Last(row.handIn(), Tally.of(row)))
                .collect(Collectors.toMap(last -> last.handIn().enrolmentId(), Function.identity()));
    }

    /** What the class does wrong, without notes and what was waived. */
    @Transactional
    public ClassFindings classFindings(AssignmentView assignment) {
        judging.catchUp(rows.countingUnjudged(assignment.id()));
        return rows.findings(assignment.id());
    }
}
