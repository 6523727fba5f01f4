package org.opensatchel.web.course;

import java.time.Clock;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.opensatchel.base.text.Shortened;
import org.opensatchel.core.roster.RosterLine;
import org.opensatchel.web.account.AccountService;
import org.opensatchel.web.account.AccountService.AccountView;
import org.opensatchel.web.account.Role;
import org.opensatchel.web.course.StaffRows.OwnStudent;
import org.opensatchel.web.text.Speech;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** A course's people: who studies and who teaches, as a whole roster or one by one. */
@Service
public class RosterService {

    private final CourseRepository courses;
    private final StaffRows staff;
    private final CourseLanguages languages;
    private final EnrolmentRepository enrolments;
    private final AccountService accounts;
    private final Clock clock;

    RosterService(CourseRepository courses, StaffRows staff, CourseLanguages languages, EnrolmentRepository enrolments,
            AccountService accounts, Clock clock) {
        this.staff = staff;
        this.languages = languages;
        this.courses = courses;
        this.enrolments = enrolments;
        this.accounts = accounts;
        this.clock = clock;
    }

    /**
     * A course for whoever may change it.
     *
     * @param language the language its pages are in for who has not chosen one, empty where each browser says
     * @param timeZone the one its times are in, empty for the server's
     * @param showsPreChecks whether instructors may read what students checked before handing in
     */
    public record CourseView(long id, String code, String title, String language, String timeZone, boolean showsPreChecks) {
        public String name() {
            return code + " " + title;
        }
    }

    /** How a name is written in file names, as somebody typed it. */
    record Forms(String last, String first) {}

    /** Somebody who teaches a course or assists in it. */
    public record Staff(long account, String login, String name, StaffRole role) {}

    /** How somebody signs in for the first time: by a link that works once. */
    public record SignInSlip(String name, String login, String token) {}

    @Transactional(readOnly = true)
    public CourseView course(long courseId, long accountId) {
        if (!staff.mayPlan(courseId, accountId)) {
            throw new NotAccessible();
        }
        Course course = courses.findById(courseId).orElseThrow(NotAccessible::new);
        return new CourseView(course.id(), course.code(), course.title(), languages.language(courseId).orElse(""),
                course.timeZone(), course.showsPreChecks());
    }

    /**
     * @param zone a time zone there is, or empty to leave it to the server
     * @param preChecks whether instructors may read what students checked before handing in
     * @return whether it was taken
     */
    @Transactional
    public boolean set(CourseView course, String zone, boolean preChecks) {
        if (!zone.isEmpty() && !ZoneId.getAvailableZoneIds().contains(zone)) {
            return false;
        }
        Course changed = courses.findById(course.id()).orElseThrow(NotAccessible::new);
        changed.setZone(zone);
        changed.showPreChecks(preChecks);
        return true;
    }

    /** @param language a language there is, or empty to leave it to each browser */
    @Transactional
    public void speak(CourseView course, String language) {
        languages.choose(course.id(), Speech.known(language));
    }

    /** Everybody who was ever on the roster, those who left at the end. */
    @Transactional(readOnly = true)
    public List<Student> everybody(CourseView course) {
        return enrolments.findByCourseIdOrderByLastNameAscFirstNameAsc(course.id()).stream().map(Student::of).sorted(Student.BY_NAME)
                .toList();
    }

    @Transactional(readOnly = true)
    public List<Staff> staff(CourseView course) {
        return staff.of(course.id());
    }

    @Transactional(readOnly = true)
    public StaffRole role(CourseView course, long accountId) {
        return staff.role(course.id(), accountId).orElseThrow(NotAccessible::new);
    }

    /**
     * Lets somebody own, teach or assist, or no more. Only owners change owners, and one always stays.
     *
     * @param role empty to take them out
     * @return why nothing was done, empty when it was
     */
    @Transactional
    public Optional<String> changeStaff(CourseView course, long mine, String login, Optional<StaffRole> role) {
        staff.lock(course.id());
        Optional<AccountView> account = accounts.byLogin(login).filter(AccountView::isInstructor);
        if (account.isEmpty()) {
            return Optional.of(Speech.say("staff.no-such", shortened(login.strip())));
        }
        Optional<StaffRole> before = staff.role(course.id(), account.get().id());
        boolean aboutOwners = before.equals(Optional.of(StaffRole.OWNER)) || role.equals(Optional.of(StaffRole.OWNER));
        if (aboutOwners && role(course, mine) != StaffRole.OWNER) {
            return Optional.of(Speech.say("staff.owners-only"));
        }
        boolean lastOwner = before.equals(Optional.of(StaffRole.OWNER)) && !role.equals(before) && staff.owners(course.id()) == 1;
        if (lastOwner) {
            return Optional.of(Speech.say("staff.last-owner", account.get().name()));
        }
        role.ifPresentOrElse(now -> staff.put(course.id(), account.get().id(), now),
                () -> staff.remove(course.id(), account.get().id()));
        return Optional.empty();
    }

    private static String shortened(String text) {
        return Shortened.end(text, 60);
    }

    /**
     * Puts one student on the roster.
     *
     * @param joins whether they are the owner of the account that was found for them
     * @return what stands against it; empty when it is done
     */
    @Transactional
    public Optional<String> add(CourseView course, RosterLine line, boolean joins) {
        staff.lock(course.id());
        List<Enrolment> there = enrolments.findByCourseIdOrderByLastNameAscFirstNameAsc(course.id());
        Optional<Enrolment> sameNumber = there.stream().filter(one -> !line.id().isEmpty() && one.studentNumber().equals(line.id()))
                .findFirst();
        if (sameNumber.isPresent()) {
            return Optional.of(Speech.say(sameNumber.get().leftAt() == null ? "student.number-taken" : "student.number-left",
                    Student.of(sameNumber.get()).name()));
        }
        Optional<AccountView> account = account(line);
        Optional<Enrolment> sameAccount = account.flatMap(one -> enrolments.findByCourseIdAndAccountId(course.id(), one.id()));
        if (sameAccount.isPresent()) {
            return Optional.of(Speech.say(sameAccount.get().leftAt() == null ? "student.there" : "student.left",
                    Student.of(sameAccount.get()).name()));
        }
        long whose = account.filter(one -> joins).map(AccountView::id)
                .orElseGet(() -> accounts.make(RosterImports.wish(line), (line.first() + " " + line.last()).strip(), line.email(),
                        Role.STUDENT, Optional.of(course.id())).id());
        enrolments.save(new Enrolment(course.id(), whose, line.last(), line.first(), line.id(), line.section()));
        return Optional.empty();
    }

    /** The account somebody who would be added has already; nobody who teaches becomes a student by a roster. */
    @Transactional(readOnly = true)
    public Optional<AccountView> account(RosterLine line) {
        Optional<AccountView> found = !line.email().isEmpty() ? accounts.byEmail(line.email())
                : line.login().isEmpty() ? Optional.empty() : accounts.byLogin(line.login());
        return found.filter(account -> !account.isInstructor());
    }

    /**
     * Corrects what the roster says of a student, and their account where it is nobody else's business.
     *
     * @param forms how last and first name are written in file names; empty for the usual way
     * @param keepsName whether their folder goes on being named as it was, where no form is given
     * @return what stands against it; empty when it is done
     */
    @Transactional
    public Optional<String> correct(CourseView course, long mine, long enrolmentId, RosterLine line, Forms forms, boolean keepsName) {
        staff.lock(course.id());
        Enrolment enrolment = enrolments.findById(enrolmentId).filter(one -> one.courseId() == course.id()).orElseThrow(NotAccessible::new);
        Optional<Enrolment> sameNumber = enrolments.findByCourseIdOrderByLastNameAscFirstNameAsc(course.id()).stream()
                .filter(one -> one.id() != enrolmentId && !line.id().isEmpty() && one.studentNumber().equals(line.id())).findFirst();
        if (sameNumber.isPresent()) {
            return Optional.of(Speech.say("student.number-taken", Student.of(sameNumber.get()).name()));
        }
        if (isOwn(course, mine, Student.of(enrolment))
                && !accounts.correct(enrolment.accountId(), (line.first() + " " + line.last()).strip(), line.email())) {
            return Optional.of(Speech.say("student.email-taken", line.email()));
        }
        boolean renamed = !enrolment.lastName().equals(line.last()) || !enrolment.firstName().equals(line.first());
        boolean kept = renamed && keepsName && forms.last.isBlank() && forms.first.isBlank();
        if (kept) {
            enrolment.keepName();
        } else {
            enrolment.writtenAs(bounded(forms.last), bounded(forms.first));
        }
        enrolment.corrected(line.last(), line.first(), line.id(), line.section());
        return Optional.empty();
    }

    /** Whether a student studies in none but somebody's own courses, so that their account is nobody else's business. */
    @Transactional(readOnly = true)
    public boolean isOwn(CourseView course, long mine, Student student) {
        return staff.ownStudents(course.id(), mine).stream().anyMatch(one -> one.enrolment() == student.enrolmentId());
    }

    /** The addresses of a course's students, by their accounts, as far as they are known. */
    @Transactional(readOnly = true)
    public Map<Long, String> addresses(List<Student> students) {
        return accounts.addresses(students.stream().map(Student::accountId).toList());
    }

    /** The students who have not chosen a password yet and can be given a slip. */
    @Transactional(readOnly = true)
    public List<Student> withoutPassword(CourseView course, long mine) {
        Set<Long> waiting = staff.ownStudents(course.id(), mine).stream().filter(one -> !one.hasPassword())
                .map(OwnStudent::enrolment).collect(Collectors.toSet());
        return everybody(course).stream().filter(student -> waiting.contains(student.enrolmentId())).toList();
    }

    /**
     * Makes slips, which are shown this once; those given before work no more. A slip opens an account: there is one only
     * for who is a student in none but the giver's own courses.
     */
    @Transactional
    public List<SignInSlip> slips(CourseView course, long mine, List<Student> students) {
        Set<Long> own = staff.ownStudents(course.id(), mine).stream().map(OwnStudent::enrolment).collect(Collectors.toSet());
        return students.stream().filter(student -> own.contains(student.enrolmentId()))
                .map(student -> accounts.byId(student.accountId())
                        .map(account -> new SignInSlip(student.name(), account.login(), accounts.link(account.id()))).orElseThrow())
                .toList();
    }

    /** A student of the course. */
    @Transactional(readOnly = true)
    public Student student(CourseView course, long enrolmentId) {
        return enrolments.findById(enrolmentId).filter(one -> one.courseId() == course.id()).map(Student::of)
                .orElseThrow(NotAccessible::new);
    }

    private static String bounded(String text) {
        String stripped = text.strip();
        return stripped.length() <= 120 ? stripped : stripped.substring(0, 120);
    }

    /** Takes somebody off the roster or puts them back; done twice it is the same. */
    @Transactional
    public void leave(CourseView course, long enrolmentId, boolean left) {
        Enrolment enrolment = enrolments.findById(enrolmentId).filter(one -> one.courseId() == course.id()).orElseThrow(NotAccessible::new);
        if (!left) {
            enrolment.back();
        } else if (enrolment.leftAt() == null) {
            enrolment.left(clock.instant());
        }
    }
}
