package org.opensatchel.web.course;

import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Courses, their assignments and rosters, and who may see which. Every other feature asks here first. */
@Service
@Transactional(readOnly = true)
public class CourseService {

    private final CourseRepository courses;
    private final EnrolmentRepository enrolments;
    private final AssignmentRepository assignments;
    private final TeamRows teams;
    private final StaffRows staff;
    private final ExtensionRows extensions;
    private final CourseLanguages languages;
    private final ApplicationEventPublisher events;

    CourseService(CourseRepository courses, EnrolmentRepository enrolments, AssignmentRepository assignments, TeamRows teams,
            StaffRows staff, ExtensionRows extensions, CourseLanguages languages, ApplicationEventPublisher events) {
        this.events = events;
        this.staff = staff;
        this.extensions = extensions;
        this.languages = languages;
        this.courses = courses;
        this.enrolments = enrolments;
        this.assignments = assignments;
        this.teams = teams;
    }

    /** The language of the newest course somebody teaches or studies in, where that has one. */
    @Transactional(readOnly = true)
    public Optional<String> languageOf(long accountId) {
        return languages.languageOf(accountId);
    }

    /** A student's place in an assignment. */
    public record Membership(AssignmentView assignment, Student student) {}

    public List<AssignmentView> taughtBy(long accountId) {
        return views(courses.taughtBy(accountId).stream().map(Course::id).toList());
    }

    /** What somebody studies, each with their own deadline. */
    public List<AssignmentView> attendedBy(long accountId) {
        Map<Long, Instant> later = extensions.ofAccount(accountId);
        return attended(accountId).stream().map(view -> later.containsKey(view.id()) ? view.extended(later.get(view.id())) : view).toList();
    }

    private List<AssignmentView> attended(long accountId) {
        return views(enrolments.findByAccountId(accountId).stream().filter(enrolment -> enrolment.leftAt() == null).map(Enrolment::courseId)
                .toList());
    }

    /** A course on the first page. */
    public record CourseLine(long id, String name, boolean mayPlan) {}

    public List<CourseLine> coursesTaughtBy(long accountId) {
        Set<Long> planned = staff.plannedBy(accountId);
        return courses.taughtBy(accountId).stream()
                .map(course -> new CourseLine(course.id(), course.code() + " " + course.title(), planned.contains(course.id()))).toList();
    }

    public List<CourseLine> coursesAttendedBy(long accountId) {
        return courses.attendedBy(accountId).stream()
                .map(course -> new CourseLine(course.id(), course.code() + " " + course.title(), false)).toList();
    }

    /** A course's assignments, for whoever has been let into the course. */
    public List<AssignmentView> ofCourse(long courseId) {
        return views(List.of(courseId));
    }

    private List<AssignmentView> views(List<Long> courseIds) {
        return courseIds.isEmpty() ? List.of() : assignments.ofCourses(courseIds).stream().map(AssignmentView::of).toList();
    }

    /** An assignment for one of its instructors. */
    public AssignmentView forInstructor(long assignmentId, long accountId) {
        return taught(assignmentId, accountId).orElseThrow(NotAccessible::new);
    }

    /** An assignment for somebody who may plan it; an assistant of the course may not. */
    public AssignmentView forPlanner(long assignmentId, long accountId) {
        if (!mayPlan(assignmentId, accountId)) {
            throw new NotAccessible();
        }
        return forInstructor(assignmentId, accountId);
    }

    public boolean mayPlan(long assignmentId, long accountId) {
        return staff.mayPlanAssignment(assignmentId, accountId);
    }

    /** An assignment for one of its students, with their own place on the roster; for who has left the course it is there no more. */
    public Membership forStudent(long assignmentId, long accountId) {
        Assignment assignment = assignments.find(assignmentId).orElseThrow(NotAccessible::new);
        Enrolment enrolment = enrolments.findByCourseIdAndAccountId(assignment.course().id(), accountId).filter(one -> one.leftAt() == null)
                .orElseThrow(NotAccessible::new);
        AssignmentView view = AssignmentView.of(assignment);
        return new Membership(extensions.of(assignmentId, enrolment.id()).map(view::extended).orElse(view),
                Student.of(enrolment).in(team(assignmentId, enrolment.id())));
    }

    /** An assignment for work of our own that no person asked for, like a job. */
    public AssignmentView forJob(long assignmentId) {
        return assignments.find(assignmentId).map(AssignmentView::of).orElseThrow(NotAccessible::new);
    }

    /** Everybody who was ever on the roster, those who left among them: what they handed in stays. */
    public List<Student> everybody(AssignmentView assignment) {
        return enrolments.findByCourseIdOrderByLastNameAscFirstNameAsc(assignment.courseId()).stream().map(Student::of)
                .sorted(Student.BY_NAME).toList();
    }

    /** Who studies now, each with their team of this assignment. */
    public List<Student> roster(AssignmentView assignment) {
        Map<Long, String> inTeams = teams.of(assignment.id());
        return enrolments.findByCourseIdOrderByLastNameAscFirstNameAsc(assignment.courseId()).stream().map(Student::of)
                .filter(student -> !student.hasLeft())
                .map(student -> student.in(inTeams.getOrDefault(student.enrolmentId(), ""))).sorted(Student.BY_NAME).toList();
    }

    public Student student(AssignmentView assignment, long enrolmentId) {
        return enrolments.findById(enrolmentId).filter(enrolment -> enrolment.courseId() == assignment.courseId()).map(Student::of)
                .map(student -> student.in(team(assignment.id(), enrolmentId)))
                .orElseThrow(NotAccessible::new);
    }

    private String team(long assignmentId, long enrolmentId) {
        return teams.of(assignmentId, enrolmentId).orElse("");
    }

    /** The assignment, if an account teaches it, for addresses that students and instructors share. */
    public Optional<AssignmentView> taught(long assignmentId, long accountId) {
        return assignments.taughtBy(assignmentId, accountId).map(AssignmentView::of);
    }

    public boolean mayPlanCourse(long courseId, long accountId) {
        return staff.mayPlan(courseId, accountId);
    }

    public boolean isCode(String code) {
        return courses.existsByCode(code);
    }

    public boolean isAssignment(long courseId, String code) {
        return assignments.existsByCourseIdAndCode(courseId, code);
    }

    @Transactional
    public long createCourse(String code, String title, String zone, long instructor) {
        Course course = new Course(code, title, instructor);
        course.setZone(zone);
        long id = courses.saveAndFlush(course).id();
        staff.put(id, instructor, StaffRole.OWNER);
        return id;
    }

    /** The deadlines of an assignment: everybody's, and those of who has more time. */
    public record Deadlines(Deadline general, Map<Long, Instant> more) {
        public Deadline of(long enrolment) {
            return more.containsKey(enrolment) ? general.extended(more.get(enrolment)) : general;
        }
    }

    public Deadlines deadlines(AssignmentView assignment) {
        return new Deadlines(assignment.deadline(), extensions(assignment));
    }

    public Deadlines deadlines(long assignment) {
        return deadlines(assignments.find(assignment).map(AssignmentView::of).orElseThrow(NotAccessible::new));
    }

    public Map<Long, Instant> extensions(AssignmentView assignment) {
        return extensions.of(assignment.id());
    }

    @Transactional
    public void extend(AssignmentView assignment, Student student, Instant due) {
        extensions.put(assignment.id(), student.enrolmentId(), due);
        events.publishEvent(new DeadlineMoved(assignment.id(), student.enrolmentId()));
    }

    @Transactional
    public void endExtension(AssignmentView assignment, Student student) {
        extensions.remove(assignment.id(), student.enrolmentId());
        events.publishEvent(new DeadlineMoved(assignment.id(), student.enrolmentId()));
    }

    /**
     * Changes what an assignment asks of its students.
     *
     * @param grace minutes in which a hand-in still counts as in time
     * @param listing whether a list with documents may be handed in
     */
    @Transactional
    public void set(AssignmentView assignment, String title, Instant due, int grace, AfterDue after, boolean listing) {
        Assignment changed = assignments.find(assignment.id()).orElseThrow(NotAccessible::new);
        changed.named(title);
        Deadline before = changed.deadline();
        changed.due(due, grace, after);
        changed.takeListing(listing);
        if (!changed.deadline().equals(before)) {
            events.publishEvent(new DeadlineMoved(assignment.id(), DeadlineMoved.EVERYBODY));
        }
    }

    /** The time zone that the times of a course are in. */
    public ZoneId zone(long courseId) {
        return courses.findById(courseId).map(Course::zone).orElseThrow(NotAccessible::new);
    }

    @Transactional
    public long createAssignment(long courseId, String code, String title, Instant dueAt) {
        Course course = courses.findById(courseId).orElseThrow(NotAccessible::new);
        return assignments.save(new Assignment(course, code, title, dueAt)).id();
    }

    @Transactional
    public long enrol(long courseId, long accountId, String last, Optional<String> first, String number, String section) {
        return enrolments.save(new Enrolment(courseId, accountId, last, first.orElse(""), number, section)).id();
    }
}
