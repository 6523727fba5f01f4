package org.opensatchel.web.review;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.web.audit.AuditService;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.CourseService;
import org.opensatchel.web.course.Student;
import org.opensatchel.web.decision.DecisionService;
import org.opensatchel.web.decision.DecisionView;
import org.opensatchel.web.decision.GivenView;
import org.opensatchel.web.feedback.FeedbackLetterService;
import org.opensatchel.web.handin.HandInService;
import org.opensatchel.web.handin.HandInView;
import org.opensatchel.web.handout.HandoutService;
import org.opensatchel.web.judging.JudgingService;
import org.opensatchel.web.judging.Tally;
import org.opensatchel.web.kit.KitService;
import org.opensatchel.web.location.LocationService;
import org.opensatchel.web.location.SetLocation;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Puts the class board together: so many questions to the database, however large the class is. */
@Component
public class BoardMaker {

    private final CourseService courses;
    private final HandInService handIns;
    private final LocationService locations;
    private final HandoutService handouts;
    private final KitService kits;
    private final DecisionService decisions;
    private final AuditService audit;
    private final FeedbackLetterService slips;
    private final JudgingService judging;

    BoardMaker(CourseService courses, HandInService handIns, LocationService locations, HandoutService handouts, KitService kits,
            DecisionService decisions, AuditService audit, FeedbackLetterService slips, JudgingService judging) {
        this.judging = judging;
        this.slips = slips;
        this.courses = courses;
        this.handIns = handIns;
        this.locations = locations;
        this.handouts = handouts;
        this.kits = kits;
        this.decisions = decisions;
        this.audit = audit;
    }

    @Transactional
    Board board(AssignmentView assignment, long me, BoardQuery query) {
        return Board.of(rows(assignment, me), query);
    }

    /** Everybody, in the order of the roster, for other tables of the class. */
    @Transactional
    public List<BoardRow> roster(AssignmentView assignment, long me) {
        return rows(assignment, me);
    }

    private List<BoardRow> rows(AssignmentView assignment, long me) {
        Map<Long, JudgingService.Last> latest = judging.last(assignment);
        Map<Long, SetLocation> places = locations.current(assignment);
        CourseService.Deadlines deadlines = courses.deadlines(assignment);
        Map<Long, HandInService.PreChecks> checked = handIns.preChecked(assignment);
        Map<Long, HandoutService.Held> held = handouts.held(assignment);
        int version = kits.current(assignment).map(kit -> kit.kit().version()).orElse(0);
        Map<Long, DecisionView> decided = decisions.decisionsOf(assignment.id());
        Map<Long, GivenView> given = decisions.givenOf(assignment.id());
        Map<Long, Instant> sent = slips.sentOf(assignment);
        Map<Long, Instant> seen = audit.seen(assignment.id(), me);
        List<BoardRow> rows = new ArrayList<>();
        for (Student student : courses.roster(assignment)) {
            Optional<JudgingService.Last> last = Optional.ofNullable(latest.get(student.enrolmentId()));
            Optional<HandInView> handIn = last.map(JudgingService.Last::handIn);
            Tally tally = last.map(JudgingService.Last::tally).orElse(Tally.NONE);
            Optional<HandoutService.Held> has = Optional.ofNullable(held.get(student.enrolmentId()));
            rows.add(new BoardRow(student, handIn, tally, has, has.filter(one -> one.version() < version).isPresent(),
                    Optional.ofNullable(places.get(student.enrolmentId())),
                    handIn.flatMap(one -> deadlines.of(student.enrolmentId()).late(one.receivedAt())),
                    Optional.ofNullable(checked.get(student.enrolmentId())), handIn.filter(one -> isNew(one, tally, seen)).isPresent(),
                    handIn.flatMap(one -> Optional.ofNullable(decided.get(one.id()))),
                    handIn.flatMap(one -> Optional.ofNullable(sent.get(one.id()))),
                    handIn.flatMap(one -> points(tally, given.get(one.id()))),
                    handIn.isPresent() && tally.kitVersion() > 0 && tally.kitVersion() < version));
        }
        return rows;
    }

    private static boolean isNew(HandInView handIn, Tally tally, Map<Long, Instant> seen) {
        Instant looked = seen.get(handIn.id());
        return looked == null || tally.checked().filter(looked::isBefore).isPresent();
    }

    private static Optional<Tally.Points> points(Tally tally, GivenView given) {
        return given == null ? tally.points()
                : tally.points().map(counted -> new Tally.Points(given.points().stripTrailingZeros(), counted.of()));
    }
}
