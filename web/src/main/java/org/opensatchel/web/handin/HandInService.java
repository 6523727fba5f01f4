package org.opensatchel.web.handin;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.time.Clock;
import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.opensatchel.core.judging.Judgement;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.report.Report;
import org.opensatchel.core.report.Report.LinkLine;
import org.opensatchel.core.report.ReportDigest;
import org.opensatchel.core.report.ReportJson;
import org.opensatchel.core.report.Score;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.CourseService;
import org.opensatchel.web.course.CourseService.Place;
import org.opensatchel.web.course.DeadlineMoved;
import org.opensatchel.web.course.NotAccessible;
import org.opensatchel.web.course.Student;
import org.opensatchel.worker.Packed;
import org.springframework.context.event.EventListener;
import org.springframework.data.domain.Page;
import org.springframework.data.domain.Pageable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Hand-ins that were taken in: having them checked, and showing them to whom they belong. */
@Service
public class HandInService {

    private final HandInRepository handIns;
    private final CourseService courses;
    private final CheckLanes lanes;
    private final CheckQueue queue;
    private final LinkPages pages;
    private final Judging judging;
    private final Digests digests;
    private final Clock clock;

    HandInService(HandInRepository handIns, CourseService courses, CheckLanes lanes, CheckQueue queue, LinkPages pages, Judging judging,
            Digests digests, Clock clock) {
        this.handIns = handIns;
        this.courses = courses;
        this.lanes = lanes;
        this.queue = queue;
        this.pages = pages;
        this.judging = judging;
        this.digests = digests;
        this.clock = clock;
    }

    /**
     * A hand-in with the people and the work it belongs to.
     *
     * @param readsChecks whether whoever looks may see what its student checked before handing in
     */
    public record Shown(HandInView handIn, Place place, boolean byInstructor, boolean readsChecks) {

        /** The same as its student sees it. */
        public Shown asStudent() {
            return new Shown(handIn, place, false, readsChecks);
        }

        /** Whether it is somebody's own, and not only that of their team. */
        public boolean isOf(long accountId) {
            return !byInstructor && place.student().accountId() == accountId;
        }
    }

    /** Takes a hand-in back, so that it counts no more; what was handed in stays. */
    @Transactional
    public void withdraw(Shown shown) {
        handIns.count(shown.handIn().id(), null);
    }

    /** Lets an earlier or withdrawn hand-in count. */
    @Transactional
    public void letCount(Shown shown) {
        handIns.count(shown.handIn().id(), clock.instant());
    }

    /**
     * Has a check made again, from the beginning: by an instructor at any time, by a student when it could not be made.
     *
     * @param newest whether by the newest version of the kit, instead of the one that was held
     */
    @Transactional
    public boolean again(Shown shown, boolean newest) {
        boolean may = shown.handIn().isFailed() || (shown.byInstructor() && shown.handIn().isDone());
        boolean put = may && handIns.again(shown.handIn().id(), clock.instant(), newest && shown.byInstructor()) == 1;
        if (put) {
            lanes.wakeAfterCommit();
        }
        return put;
    }

    /** Has the hand-ins of some students that count checked again; how many of them are. */
    @Transactional
    public int checkAgain(AssignmentView assignment, Collection<Long> enrolments, boolean newest) {
        int begun = enrolments.isEmpty() ? 0 : handIns.countingAgain(assignment.id(), enrolments, clock.instant(), newest);
        if (begun > 0) {
            lanes.wakeAfterCommit();
        }
        return begun;
    }

    /** How many checks are begun before this one; empty when it is not waiting. */
    public Optional<Integer> placeInQueue(HandInView handIn) {
        return handIn.isWaiting() ? queue.place(handIn.id()) : Optional.empty();
    }

    /**
     * A hand-in for the student it belongs to, for their team, or for an instructor of the course; for anybody else it does not exist. A pre-check is the
     * student's own, unless the course lets its instructors read them.
     */
    @Transactional(readOnly = true)
    public Shown show(long handInId, long accountId) {
        HandInView handIn = handIns.view(handInId).orElseThrow(NotAccessible::new);
        Optional<AssignmentView> taught = courses.taught(handIn.assignmentId(), accountId);
        if (taught.isPresent()) {
            if (handIn.isPreCheck() && !taught.get().showsPreChecks()) {
                throw new NotAccessible();
            }
            return new Shown(handIn, new Place(taught.get(), courses.student(taught.get(), handIn.enrolmentId())), true,
                    taught.get().showsPreChecks());
        }
        Place own = courses.forStudent(handIn.assignmentId(), accountId);
        if (own.student().enrolmentId() == handIn.enrolmentId()) {
            return new Shown(handIn, own, false, true);
        }
        Student other = handIn.isPreCheck() || own.student().team().isEmpty() ? null
                : courses.student(own.assignment(), handIn.enrolmentId());
        if (other == null || !other.team().equals(own.student().team())) {
            throw new NotAccessible();
        }
        return new Shown(handIn, new Place(own.assignment(), other), false, false);
    }

    /** A hand-in as its student sees it, for whoever holds a signed link to it. */
    @Transactional(readOnly = true)
    public Shown forLink(long handInId) {
        HandInView handIn = handIns.view(handInId).filter(one -> !one.isPreCheck()).orElseThrow(NotAccessible::new);
        AssignmentView assignment = courses.forJob(handIn.assignmentId());
        return new Shown(handIn, new Place(assignment, courses.student(assignment, handIn.enrolmentId())), false, true);
    }

    /** The report's exact JSON as a stream; whoever asks has been let in by {@link #show}. */
    @Transactional(readOnly = true)
    public InputStream reportJson(Shown shown) {
        try {
            return Packed.open(handIns.report(shown.handIn().id()).orElseThrow(NotAccessible::new));
        } catch (IOException damaged) {
            throw new UncheckedIOException(damaged);
        }
    }

    /** What a page shows of a report at once. */
    @Transactional
    public ReportDigest digest(Shown shown) {
        long id = shown.handIn().id();
        return handIns.digest(id).map(digests::read).orElseGet(() -> digested(id));
    }

    /** What counts of a report after what was decided about it. */
    @Transactional
    public Judgement judgement(Shown shown) {
        return judged(shown.place(), List.of(shown.handIn().id())).get(shown.handIn().id()).judgement();
    }

    /** Some hand-ins of a student, with what was decided about them. */
    @Transactional
    public Map<Long, Judged> judged(Place place, List<Long> some) {
        return judging.of(place.assignment().id(), some, this::digested);
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
        handIns.judgeAgain(assignment, enrolment, handIn);
        judging.catchUp(handIns.countingUnjudged(assignment));
    }

    /** What came too late, and by how much, is another when something is due at another time. */
    @EventListener
    @Transactional
    public void deadlineMoved(DeadlineMoved moved) {
        judgeAgain(moved.assignment(), moved.enrolment(), 0);
    }

    /** Of a report from before there were digests one is made when it is first looked at, with the pages of its links. */
    private ReportDigest digested(long id) {
        Report report = ReportJson.read(Packed.unpack(handIns.report(id).orElseThrow(NotAccessible::new)));
        ReportDigest digest = ReportDigest.of(report);
        pages.keep(id, ReportDigest.pages(report).stream().map(page -> Packed.pack(ReportJson.bytes(page))).toList());
        handIns.keepDigest(id, Packed.pack(ReportJson.bytes(digest)));
        return digest;
    }

    /** One page of the links, from 0; empty beyond the last. */
    @Transactional(readOnly = true)
    public List<LinkLine> links(Shown shown, int page) {
        return handIns.links(shown.handIn().id(), page).map(packed -> ReportJson.readLinks(Packed.unpack(packed))).orElse(List.of());
    }

    /** A student's hand-ins, the newest first. */
    @Transactional(readOnly = true)
    public List<HandInView> ofStudent(Place place) {
        return handIns.ofStudent(place.assignment().id(), place.student().enrolmentId(), HandIn.Kind.HAND_IN);
    }

    /** What a student handed in and checked before, as far as whoever looks may see it; the newest first of each. */
    @Transactional(readOnly = true)
    public List<HandInView> seen(Shown shown) {
        return handIns.allOfStudent(shown.place().assignment().id(), shown.place().student().enrolmentId()).stream()
                .filter(one -> shown.readsChecks() || !one.isPreCheck()).toList();
    }

    /** A student's pre-checks, the newest first. */
    @Transactional(readOnly = true)
    public List<HandInView> preChecks(Place place) {
        return handIns.ofStudent(place.assignment().id(), place.student().enrolmentId(), HandIn.Kind.PRE_CHECK);
    }

    /**
     * That a student checked their project before handing in.
     *
     * @param times how often
     * @param last when they did so last
     * @param verdict what came of it, where the course lets its instructors read that; otherwise it is the student's
     * @param address where the report is, as above
     */
    public record PreChecks(int times, Instant last, Optional<String> verdict, Optional<String> address) {}

    /** Who checked their project before handing in, by enrolment. */
    @Transactional(readOnly = true)
    public Map<Long, PreChecks> preChecked(AssignmentView assignment) {
        return handIns.lastPreChecks(assignment.id()).stream().collect(Collectors.toMap(HandInView::enrolmentId, last -> {
            Optional<HandInView> shown = Optional.of(last).filter(one -> assignment.showsPreChecks() && one.isDone());
            return new PreChecks(last.number(), last.receivedAt(), shown.map(HandInView::told), shown.map(HandInView::address));
        }));
    }

    @Transactional(readOnly = true)
    public Page<HandInView> ofAssignment(AssignmentView assignment, Pageable page) {
        return handIns.ofAssignment(assignment.id(), page);
    }

    /** A student's hand-in that counts, and what is counted of it. */
    public record Last(HandInView handIn, Tally tally) {}

    /** Those of all students, by enrolment. */
    @Transactional
    public Map<Long, Last> last(AssignmentView assignment) {
        judging.catchUp(handIns.countingUnjudged(assignment.id()));
        return handIns.counted(assignment.id()).stream().map(row -> new Last(row.handIn(), Tally.of(row)))
                .collect(Collectors.toMap(last -> last.handIn().enrolmentId(), Function.identity()));
    }

    /** What the class does wrong, without notes and what was waived. */
    @Transactional
    public ClassFindings classFindings(AssignmentView assignment) {
        judging.catchUp(handIns.countingUnjudged(assignment.id()));
        Map<Boolean, List<ClassFindings.Line>> lines = handIns.themes(assignment.id()).stream()
                .collect(Collectors.partitioningBy(HandInRepository.Themed::getCounts, Collectors.mapping(
                        row -> new ClassFindings.Line(row.getEnrolmentId(), row.getTheme(), row.getCode(), row.getSeverity(),
                                row.getFindings()),
                        Collectors.toList())));
        return new ClassFindings(lines.get(true), lines.get(false), handIns.shared(assignment.id()).stream()
                .map(row -> new ClassFindings.Shared(row.getTheme(), row.getSubject(), row.getStudents())).toList());
    }

    /** Each student's hand-in that counts, by enrolment. */
    @Transactional(readOnly = true)
    public Map<Long, HandInView> counting(AssignmentView assignment) {
        return handIns.counting(assignment.id()).stream().collect(Collectors.toMap(HandInView::enrolmentId, Function.identity()));
    }
}
