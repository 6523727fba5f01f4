package org.opensatchel.web.handin;

import com.github.kagkarlsson.scheduler.SchedulerClient;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.opensatchel.core.report.Report;
import org.opensatchel.core.report.ReportJson;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.CourseService;
import org.opensatchel.web.course.CourseService.Place;
import org.opensatchel.web.course.NotYours;
import org.opensatchel.web.handout.HandoutService;
import org.opensatchel.web.kit.KitService;
import org.opensatchel.web.storage.ContentStore.Stored;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Hand-ins: taking them in, having them checked, and showing them to whom they belong. */
@Service
public class HandInService {

    private static final int LONGEST_NAME = 300;

    private final HandInRepository handIns;
    private final CourseService courses;
    private final KitService kits;
    private final HandoutService handouts;
    private final SchedulerClient scheduler;
    private final Clock clock;

    HandInService(HandInRepository handIns, CourseService courses, KitService kits, HandoutService handouts, SchedulerClient scheduler, Clock clock) {
        this.handIns = handIns;
        this.courses = courses;
        this.kits = kits;
        this.handouts = handouts;
        this.scheduler = scheduler;
        this.clock = clock;
    }

    /** A hand-in with the people and the work it belongs to. */
    public record Shown(HandInView handIn, Place place, boolean byInstructor) {
    }

    /** Takes in what was stored, and has it checked. */
    @Transactional
    public long take(Place place, String fileName, Stored stored) {
        return take(place, fileName, stored, clock.instant());
    }

    /** For the demo: a hand-in at a time of its own. */
    @Transactional
    public long take(Place place, String fileName, Stored stored, Instant when) {
        long kitVersion = heldVersion(place);
        String name = fileName.codePointCount(0, fileName.length()) <= LONGEST_NAME ? fileName : fileName.substring(0, fileName.offsetByCodePoints(0, LONGEST_NAME - 1)) + "…";
        handIns.lockNumbers(place.student().enrolmentId());
        int number = handIns.lastNumber(place.assignment().id(), place.student().enrolmentId()) + 1;
        HandIn handIn = handIns.save(new HandIn(place.assignment().id(), place.student().enrolmentId(), number, name.replace("\0", ""), stored.sha256(), stored.bytes(), when, kitVersion));
        scheduler.scheduleIfNotExists(CheckJob.TASK.instance(Long.toString(handIn.id())).scheduledTo(clock.instant()));
        return handIn.id();
    }

    /** Judged by what the student was given: the version they hold, or the current one when they collected none. */
    private long heldVersion(Place place) {
        HandoutService.Held held = handouts.held(place.assignment()).get(place.student().enrolmentId());
        return held != null ? held.kitVersionId() : kits.current(place.assignment()).orElseThrow(NotYours::new).id();
    }

    /** A hand-in for the student it belongs to, or for an instructor of the course; for anybody else it does not exist. */
    @Transactional(readOnly = true)
    public Shown show(long handInId, long accountId) {
        HandInView handIn = handIns.view(handInId).orElseThrow(NotYours::new);
        if (courses.teaches(handIn.assignmentId(), accountId)) {
            AssignmentView assignment = courses.forInstructor(handIn.assignmentId(), accountId);
            return new Shown(handIn, new Place(assignment, courses.student(assignment, handIn.enrolmentId())), true);
        }
        Place own = courses.forStudent(handIn.assignmentId(), accountId);
        if (own.student().enrolmentId() != handIn.enrolmentId()) {
            throw new NotYours();
        }
        return new Shown(handIn, own, false);
    }

    /** The report's exact JSON; whoever asks has been let in by {@link #show}. */
    @Transactional(readOnly = true)
    public byte[] reportJson(Shown shown) {
        byte[] packed = handIns.findById(shown.handIn().id()).map(HandIn::report).orElseThrow(NotYours::new);
        return Compressed.unpack(packed);
    }

    public Report report(Shown shown) {
        return ReportJson.read(reportJson(shown));
    }

    @Transactional(readOnly = true)
    public List<HandInView> ofStudent(Place place) {
        return handIns.ofStudent(place.assignment().id(), place.student().enrolmentId());
    }

    @Transactional(readOnly = true)
    public List<HandInView> ofAssignment(AssignmentView assignment) {
        return handIns.ofAssignment(assignment.id());
    }

    /** Each student's last hand-in, by enrolment. */
    @Transactional(readOnly = true)
    public Map<Long, HandInView> latest(AssignmentView assignment) {
        return handIns.latest(assignment.id()).stream().collect(Collectors.toMap(HandInView::enrolmentId, Function.identity()));
    }
}
