package org.opensatchel.web.handin;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.opensatchel.core.report.Report;
import org.opensatchel.core.report.Report.LinkLine;
import org.opensatchel.core.report.ReportDigest;
import org.opensatchel.core.report.ReportJson;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.CourseService;
import org.opensatchel.web.course.CourseService.Membership;
import org.opensatchel.web.course.NotAccessible;
import org.opensatchel.web.course.Student;
import org.opensatchel.worker.Packed;
import org.springframework.data.domain.Page;
import org.springframework.data.domain.Pageable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Hand-ins that were taken in, shown to whom they belong. */
@Service
public class HandInService {

    private final HandInRepository handIns;
    private final CourseService courses;
    private final HandInRows rows;
    private final Digests digests;
    private final Clock clock;

    HandInService(HandInRepository handIns, HandInRows rows, CourseService courses, Digests digests, Clock clock) {
        this.handIns = handIns;
        this.rows = rows;
        this.courses = courses;
        this.digests = digests;
        this.clock = clock;
    }

    /**
     * A hand-in with the people and the work it belongs to.
     *
     * @param readsChecks whether whoever looks may see what its student checked before handing in
     */
    public record Shown(HandInView handIn, Membership place, boolean byInstructor, boolean readsChecks) {

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
            return new Shown(handIn, new Membership(taught.get(), courses.student(taught.get(), handIn.enrolmentId())), true,
                    taught.get().showsPreChecks());
        }
        Membership own = courses.forStudent(handIn.assignmentId(), accountId);
        if (own.student().enrolmentId() == handIn.enrolmentId()) {
            return new Shown(handIn, own, false, true);
        }
        Student other = handIn.isPreCheck() || own.student().team().isEmpty() ? null
                : courses.student(own.assignment(), handIn.enrolmentId());
        if (other == null || !other.team().equals(own.student().team())) {
            throw new NotAccessible();
        }
        return new Shown(handIn, new Membership(own.assignment(), other), false, false);
    }

    /** A hand-in as its student sees it, for whoever holds a signed link to it. */
    @Transactional(readOnly = true)
    public Shown forLink(long handInId) {
        HandInView handIn = handIns.view(handInId).filter(one -> !one.isPreCheck()).orElseThrow(NotAccessible::new);
        AssignmentView assignment = courses.forJob(handIn.assignmentId());
        return new Shown(handIn, new Membership(assignment, courses.student(assignment, handIn.enrolmentId())), false, true);
    }

    /** The report's exact JSON as a stream; whoever asks has been let in by {@link #show}. */
    @Transactional(readOnly = true)
    public InputStream reportJson(Shown shown) {
        try {
            return Packed.open(rows.report(shown.handIn().id()).orElseThrow(NotAccessible::new));
        } catch (IOException damaged) {
            throw new UncheckedIOException(damaged);
        }
    }

    /** What a page shows of a report at once. */
    @Transactional
    public ReportDigest digest(Shown shown) {
        return digest(shown.handIn().id());
    }

    /** The same of a hand-in that its course was asked for. */
    @Transactional
    public ReportDigest digest(long handIn) {
        return rows.digest(handIn).map(digests::read).orElseGet(() -> digested(handIn));
    }

    /** Of a report from before there were digests one is made when it is first looked at, with the pages of its links. */
    private ReportDigest digested(long id) {
        Report report = ReportJson.read(Packed.unpack(rows.report(id).orElseThrow(NotAccessible::new)));
        ReportDigest digest = ReportDigest.of(report);
        rows.keepLinks(id, ReportDigest.pages(report).stream().map(page -> Packed.pack(ReportJson.bytes(page))).toList());
        rows.keepDigest(id, Packed.pack(ReportJson.bytes(digest)));
        return digest;
    }

    /** When it was checked at last; empty until it is. */
    @Transactional(readOnly = true)
    public Optional<Instant> checkedAt(Shown shown) {
        return rows.checkedAt(shown.handIn().id());
    }

    /** Keeps the pages of a report's links, packed, as a part of the transaction that keeps the report. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void keepLinks(long handIn, List<byte[]> packed) {
        rows.keepLinks(handIn, packed);
    }

    /** One page of the links, from 0; empty beyond the last. */
    @Transactional(readOnly = true)
    public List<LinkLine> links(Shown shown, int page) {
        return rows.links(shown.handIn().id(), page).map(packed -> ReportJson.readLinks(Packed.unpack(packed))).orElse(List.of());
    }

    /** A student's hand-ins, the newest first. */
    @Transactional(readOnly = true)
    public List<HandInView> ofStudent(Membership place) {
        return handIns.ofStudent(place.assignment().id(), place.student().enrolmentId(), HandInKind.HAND_IN);
    }

    /** What a student handed in and checked before, as far as whoever looks may see it; the newest first of each. */
    @Transactional(readOnly = true)
    public List<HandInView> seen(Shown shown) {
        return handIns.allOfStudent(shown.place().assignment().id(), shown.place().student().enrolmentId()).stream()
                .filter(one -> shown.readsChecks() || !one.isPreCheck()).toList();
    }

    /** A student's pre-checks, the newest first. */
    @Transactional(readOnly = true)
    public List<HandInView> preChecks(Membership place) {
        return handIns.ofStudent(place.assignment().id(), place.student().enrolmentId(), HandInKind.PRE_CHECK);
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

    /** Each student's hand-in that counts, by enrolment. */
    @Transactional(readOnly = true)
    public Map<Long, HandInView> counting(AssignmentView assignment) {
        List<Long> ids = rows.counting(assignment.id());
        return ids.isEmpty() ? Map.of()
                : handIns.views(ids).stream().collect(Collectors.toMap(HandInView::enrolmentId, Function.identity()));
    }

    /** The same with what is counted of each. */
    @Transactional(readOnly = true)
    public List<Counted> counted(AssignmentView assignment) {
        return handIns.counted(assignment.id());
    }
}
