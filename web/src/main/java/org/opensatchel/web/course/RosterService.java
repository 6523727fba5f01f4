package org.opensatchel.web.course;

import java.security.SecureRandom;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.opensatchel.core.path.NameFolding;
import org.opensatchel.core.roster.RosterChange;
import org.opensatchel.core.roster.RosterLine;
import org.opensatchel.web.account.AccountService;
import org.opensatchel.web.account.Role;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** A course's people: who studies and who teaches, as a whole roster or one by one. */
@Service
public class RosterService {

    private static final String LETTERS = "abcdefghjkmnpqrstuvwxyz23456789";
    private static final int PASSWORD_LENGTH = 10;
    private static final SecureRandom RANDOM = new SecureRandom();

    private final CourseRepository courses;
    private final EnrolmentRepository enrolments;
    private final AccountService accounts;
    private final Clock clock;

    RosterService(CourseRepository courses, EnrolmentRepository enrolments, AccountService accounts, Clock clock) {
        this.courses = courses;
        this.enrolments = enrolments;
        this.accounts = accounts;
        this.clock = clock;
    }

    /** A course for whoever may change it. */
    public record CourseView(long id, String code, String title) {
        public String name() {
            return code + " " + title;
        }
    }

    /** Somebody who teaches a course or assists in it. */
    public record Staff(String login, String name, String role) {
        public boolean isAssistant() {
            return role.equals("ASSISTANT");
        }
    }

    /** An account that was made for somebody, with the password to begin with; told once. */
    public record FirstSignIn(String listed, String login, String password) {
    }

    @Transactional(readOnly = true)
    public CourseView course(long courseId, long accountId) {
        if (!courses.isPlannedBy(courseId, accountId)) {
            throw new NotYours();
        }
        Course course = courses.findById(courseId).orElseThrow(NotYours::new);
        return new CourseView(course.id(), course.code(), course.title());
    }

    /** Everybody who was ever on the roster, those who left at the end. */
    @Transactional(readOnly = true)
    public List<Student> everybody(CourseView course) {
        return enrolments.findByCourseIdOrderByLastNameAscFirstNameAsc(course.id()).stream().map(Student::of).sorted(Student.BY_NAME).toList();
    }

    @Transactional(readOnly = true)
    public List<Staff> staff(CourseView course) {
        return courses.staff(course.id()).stream().map(row -> new Staff(row.getLogin(), row.getName(), row.getRole())).toList();
    }

    /** Lets somebody teach or assist; empty when it is done, else why not. */
    @Transactional
    public Optional<String> addStaff(CourseView course, String login, boolean assistant) {
        Optional<Long> account = accounts.byLogin(login).filter(accounts::isInstructor);
        if (account.isEmpty()) {
            return Optional.of("There is no instructor who signs in as “" + login.strip() + "”.");
        }
        courses.putStaff(course.id(), account.get(), assistant ? "ASSISTANT" : "INSTRUCTOR");
        return courses.planners(course.id()) == 0 ? undo("Somebody has to be able to plan this course.") : Optional.empty();
    }

    private static Optional<String> undo(String why) {
        org.springframework.transaction.interceptor.TransactionAspectSupport.currentTransactionStatus().setRollbackOnly();
        return Optional.of(why);
    }

    /** What a file would change. */
    @Transactional(readOnly = true)
    public RosterChange change(CourseView course, List<RosterLine> lines) {
        List<RosterChange.Known> known = enrolments.findByCourseIdOrderByLastNameAscFirstNameAsc(course.id()).stream().filter(enrolment -> enrolment.leftAt() == null)
                .map(enrolment -> new RosterChange.Known(enrolment.id(), enrolment.lastName(), enrolment.firstName(), enrolment.studentNumber(), enrolment.section())).toList();
        return RosterChange.between(known, lines);
    }

    /** Takes a file over, all of it or nothing; who left keeps what they handed in. */
    @Transactional
    public List<FirstSignIn> apply(CourseView course, List<RosterLine> lines, boolean leave) {
        RosterChange change = change(course, lines);
        List<FirstSignIn> made = new ArrayList<>();
        change.changed().forEach(changed -> enrolments.findById(changed.known().key()).ifPresent(enrolment -> enrolment.told(changed.line())));
        if (leave) {
            change.left().forEach(known -> enrolments.findById(known.key()).ifPresent(enrolment -> enrolment.left(clock.instant())));
        }
        change.added().forEach(line -> add(course, line).ifPresent(made::add));
        return made;
    }

    private Optional<FirstSignIn> add(CourseView course, RosterLine line) {
        Optional<Long> known = line.login().isEmpty() ? Optional.empty() : accounts.byLogin(line.login()).filter(account -> !accounts.isInstructor(account));
        Optional<Enrolment> before = known.flatMap(account -> enrolments.findByCourseIdAndAccountId(course.id(), account));
        if (before.isPresent() && before.get().leftAt() != null) {
            before.get().told(line);
            before.get().back();
            return Optional.empty();
        }
        if (known.isPresent() && before.isEmpty()) {
            enrolments.save(new Enrolment(course.id(), known.get(), line.last(), line.first(), line.id(), line.section()));
            return Optional.empty();
        }
        String login = freeLogin(line);
        String password = password();
        long account = accounts.create(login, (line.first() + " " + line.last()).strip(), password, Role.STUDENT);
        enrolments.save(new Enrolment(course.id(), account, line.last(), line.first(), line.id(), line.section()));
        return Optional.of(new FirstSignIn(line.listed(), login, password));
    }

    private String freeLogin(RosterLine line) {
        String wish = line.login().isEmpty() ? (line.first().isEmpty() ? "" : NameFolding.loose(line.first()) + ".") + NameFolding.loose(line.last()) : line.login();
        String base = wish.isEmpty() ? "student" : wish.substring(0, Math.min(wish.length(), 50));
        for (int n = 1;; n++) {
            String login = n == 1 ? base : base + n;
            if (accounts.byLogin(login).isEmpty()) {
                return login;
            }
        }
    }

    private static String password() {
        StringBuilder out = new StringBuilder(PASSWORD_LENGTH);
        for (int i = 0; i < PASSWORD_LENGTH; i++) {
            out.append(LETTERS.charAt(RANDOM.nextInt(LETTERS.length())));
        }
        return out.toString();
    }

    /** How a student is written in file names; empty for the usual way. */
    @Transactional
    public void writtenAs(CourseView course, long enrolmentId, String last, String first) {
        Enrolment enrolment = enrolments.findById(enrolmentId).filter(one -> one.courseId() == course.id()).orElseThrow(NotYours::new);
        enrolment.writtenAs(bounded(last), bounded(first));
    }

    private static String bounded(String text) {
        String stripped = text.strip();
        return stripped.length() <= 120 ? stripped : stripped.substring(0, 120);
    }

    @Transactional
    public void leaveOrReturn(CourseView course, long enrolmentId) {
        Enrolment enrolment = enrolments.findById(enrolmentId).filter(one -> one.courseId() == course.id()).orElseThrow(NotYours::new);
        if (enrolment.leftAt() == null) {
            enrolment.left(clock.instant());
        } else {
            enrolment.back();
        }
    }
}
