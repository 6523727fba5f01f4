package org.opensatchel.web.course;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpSession;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import java.util.regex.Pattern;
import org.opensatchel.core.roster.RosterReading;
import org.opensatchel.core.words.Words;
import org.opensatchel.web.account.AccountService.AccountView;
import org.opensatchel.web.account.SignedIn;
import org.opensatchel.web.course.RosterService.CourseView;
import org.opensatchel.web.text.Speech;
import org.opensatchel.web.text.Times;
import org.opensatchel.web.text.TypedTime;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import org.springframework.web.servlet.support.ServletUriComponentsBuilder;

/** A course's page: its roster and how it comes in, its people, its assignments. */
@Controller
class RosterController {

    private static final long MOST_BYTES = RosterFiles.MOST_BYTES;
    /** So many students stand on one page; the others are found by searching. */
    private static final int MOST_SHOWN = 300;
    /** A list longer than this can be searched. */
    private static final int SEARCHED_FROM = 50;
    private static final Pattern CODE = Pattern.compile("[\\p{L}\\p{N}][\\p{L}\\p{N} ._-]{0,19}");

    private final RosterService rosters;
    private final RosterImports imports;
    private final CourseService courses;
    private final Times times;
    private final Clock clock;

    RosterController(RosterService rosters, RosterImports imports, CourseService courses, Times times, Clock clock) {
        this.rosters = rosters;
        this.imports = imports;
        this.courses = courses;
        this.times = times;
        this.clock = clock;
    }

    @GetMapping("/courses/{id}")
    String course(@PathVariable long id, @RequestParam(defaultValue = "") String q, @AuthenticationPrincipal SignedIn me, Model model) {
        CourseView course = rosters.course(id, me.accountId());
        List<Student> everybody = rosters.everybody(course);
        List<Student> present = everybody.stream().filter(student -> !student.hasLeft()).toList();
        List<Student> found = present.stream().filter(student -> student.isFoundBy(q)).toList();
        List<Student> shown = found.subList(0, Math.min(found.size(), MOST_SHOWN));
        model.addAttribute("course", course);
        model.addAttribute("q", q);
        model.addAttribute("inAll", present.size());
        model.addAttribute("searches", present.size() > SEARCHED_FROM);
        model.addAttribute("notShown", found.size() - shown.size());
        model.addAttribute("students", shown);
        model.addAttribute("emails", rosters.addresses(shown));
        model.addAttribute("lastImport", imports.newest(id).orElse(null));
        model.addAttribute("gone", everybody.stream().filter(Student::hasLeft).toList());
        model.addAttribute("staff", rosters.staff(course));
        model.addAttribute("role", rosters.role(course, me.accountId()));
        model.addAttribute("roles", StaffRole.values());
        model.addAttribute("withoutPassword", rosters.withoutPassword(course, me.accountId()).size());
        model.addAttribute("mostBytes", MOST_BYTES);
        model.addAttribute("mostSaid", Speech.words().size(MOST_BYTES));
        model.addAttribute("languages", Words.languages());
        model.addAttribute("zones", new TreeSet<>(ZoneId.getAvailableZoneIds()));
        model.addAttribute("serverZone", ZoneId.systemDefault().getId());
        model.addAttribute("assignments", courses.ofCourse(id));
        return "course/course";
    }

    /** One student, typed by hand. */
    @PostMapping("/courses/{id}/students")
    String add(@PathVariable long id, TypedStudent typed, @RequestParam(defaultValue = "false") boolean join,
            @RequestParam(defaultValue = "false") boolean apart, @AuthenticationPrincipal SignedIn me, RedirectAttributes redirect) {
        CourseView course = rosters.course(id, me.accountId());
        RosterReading reading = typed.read();
        Optional<AccountView> known = reading.isGood() ? rosters.account(reading.lines().get(0)) : Optional.empty();
        boolean asks = known.isPresent() && !join && !apart;
        Optional<String> refused = !reading.isGood() ? Optional.of(TypedStudent.wrong(reading))
                : asks ? Optional.empty() : rosters.add(course, reading.lines().get(0), join);
        if (asks || refused.isPresent()) {
            redirect.addFlashAttribute("typedStudent", typed);
            known.ifPresent(account -> redirect.addFlashAttribute("sameAccount", account));
            refused.ifPresent(why -> redirect.addFlashAttribute("studentRefused", why));
            return "redirect:/courses/" + id + "#add-student";
        }
        redirect.addFlashAttribute("told", Speech.say("student.added", reading.lines().get(0).listed()));
        return "redirect:/courses/" + id;
    }

    /** One student's line of the roster, to be corrected. */
    @GetMapping("/courses/{id}/students/{enrolmentId}")
    String student(@PathVariable long id, @PathVariable long enrolmentId, @AuthenticationPrincipal SignedIn me, Model model) {
        CourseView course = rosters.course(id, me.accountId());
        Student student = rosters.student(course, enrolmentId);
        model.addAttribute("course", course);
        model.addAttribute("student", student);
        model.addAttribute("own", rosters.isOwn(course, me.accountId(), student));
        model.addAttribute("email", rosters.addresses(List.of(student)).getOrDefault(student.accountId(), ""));
        return "course/student";
    }

    @PostMapping("/courses/{id}/students/{enrolmentId}")
    String change(@PathVariable long id, @PathVariable long enrolmentId, TypedStudent typed, @RequestParam(required = false) String leave,
            @RequestParam(defaultValue = "") String lastForm, @RequestParam(defaultValue = "") String firstForm,
            @RequestParam(defaultValue = "true") boolean keepsName, @AuthenticationPrincipal SignedIn me, RedirectAttributes redirect) {
        CourseView course = rosters.course(id, me.accountId());
        if (leave != null) {
            rosters.leave(course, enrolmentId, leave.equals("yes"));
            return "redirect:/courses/" + id + "#s" + enrolmentId;
        }
        RosterReading reading = typed.read();
        Optional<String> refused = reading.isGood() ? rosters.correct(course, me.accountId(), enrolmentId, reading.lines().get(0),
                new RosterService.Forms(lastForm, firstForm), keepsName) : Optional.of(TypedStudent.wrong(reading));
        if (refused.isPresent()) {
            redirect.addFlashAttribute("refused", refused.get());
            redirect.addFlashAttribute("typed", typed);
            return "redirect:/courses/" + id + "/students/" + enrolmentId;
        }
        redirect.addFlashAttribute("told", Speech.say("student.saved", reading.lines().get(0).listed()));
        return "redirect:/courses/" + id + "#s" + enrolmentId;
    }

    /** Slips for printing, a page each. They are shown in the answer alone: whoever needs one again gets a new one. */
    @PostMapping("/courses/{id}/sign-in-slips")
    String slips(@PathVariable long id, @RequestParam(required = false) Long student, @AuthenticationPrincipal SignedIn me,
            HttpServletRequest request, Model model) {
        CourseView course = rosters.course(id, me.accountId());
        List<Student> whose = student == null ? rosters.withoutPassword(course, me.accountId()) : List.of(rosters.student(course, student));
        model.addAttribute("course", course);
        model.addAttribute("slips", rosters.slips(course, me.accountId(), whose));
        model.addAttribute("address", ServletUriComponentsBuilder.fromContextPath(request).build().toUriString());
        return "course/slips";
    }

    @PostMapping("/courses/{id}/language")
    String language(@PathVariable long id, @RequestParam String language, @AuthenticationPrincipal SignedIn me, HttpSession session,
            RedirectAttributes redirect) {
        rosters.speak(rosters.course(id, me.accountId()), language);
        session.removeAttribute(Speech.OF_SESSION);
        redirect.addFlashAttribute("saidLanguage", true);
        return "redirect:/courses/" + id;
    }

    /** The time zone of its times, and whether instructors read what students check. */
    @PostMapping("/courses/{id}/settings")
    String settings(@PathVariable long id, @RequestParam(defaultValue = "") String zone,
            @RequestParam(defaultValue = "false") boolean preChecks, @AuthenticationPrincipal SignedIn me, RedirectAttributes redirect) {
        if (rosters.set(rosters.course(id, me.accountId()), zone.strip(), preChecks)) {
            redirect.addFlashAttribute("told", Speech.say("course.saved"));
        } else {
            redirect.addFlashAttribute("refused", noZone(zone));
        }
        return "redirect:/courses/" + id;
    }

    private static String noZone(String zone) {
        return Speech.say("course.no-zone", zone.strip().length() > 60 ? "…" : zone.strip());
    }

    @PostMapping("/courses/{id}/staff")
    String staff(@PathVariable long id, @RequestParam String login, @RequestParam(required = false) StaffRole role,
            @AuthenticationPrincipal SignedIn me, RedirectAttributes redirect) {
        CourseView course = rosters.course(id, me.accountId());
        rosters.changeStaff(course, me.accountId(), login, Optional.ofNullable(role))
                .ifPresentOrElse(why -> redirect.addFlashAttribute("refused", why),
                        () -> redirect.addFlashAttribute("told", Speech.say("course.staff-changed")));
        return courses.mayPlanCourse(id, me.accountId()) ? "redirect:/courses/" + id : "redirect:/";
    }

    @PostMapping("/courses")
    String create(@RequestParam String code, @RequestParam String title, @RequestParam(defaultValue = "") String zone,
            @RequestParam(defaultValue = "") String language, @AuthenticationPrincipal SignedIn me, RedirectAttributes redirect) {
        if (!me.isInstructor()) {
            throw new NotAccessible();
        }
        Optional<String> refused = refused(code.strip(), title, zone.strip());
        if (refused.isEmpty()) {
            try {
                long id = courses.createCourse(code.strip(), title.strip(), zone.strip(), me.accountId());
                rosters.speak(rosters.course(id, me.accountId()), language);
                return "redirect:/courses/" + id;
            } catch (DataIntegrityViolationException pressedTwice) {
                refused = Optional.of(Speech.say("course.there", code.strip()));
            }
        }
        redirect.addFlashAttribute("refused", refused.get());
        redirect.addFlashAttribute("typed", Map.of("code", code, "title", title, "zone", zone, "language", language));
        return "redirect:/";
    }

    private Optional<String> refused(String code, String title, String zone) {
        if (!CODE.matcher(code).matches() || title.isBlank() || title.length() > 120) {
            return Optional.of(Speech.say("course.no-code"));
        }
        if (courses.isCode(code)) {
            return Optional.of(Speech.say("course.there", code));
        }
        return zone.isEmpty() || ZoneId.getAvailableZoneIds().contains(zone) ? Optional.empty() : Optional.of(noZone(zone));
    }

    @PostMapping("/courses/{id}/assignments")
    String assignment(@PathVariable long id, @RequestParam String code, @RequestParam String title, @RequestParam String due,
            @RequestParam(defaultValue = "false") boolean past, @AuthenticationPrincipal SignedIn me, RedirectAttributes redirect) {
        CourseView course = rosters.course(id, me.accountId());
        TypedTime time = TypedTime.read(due, courses.zone(id));
        boolean named = CODE.matcher(code.strip()).matches() && !title.isBlank() && title.length() <= 120;
        if (named && time.refusal().isPresent()) {
            redirect.addFlashAttribute("typed", Map.of("code", code.strip(), "title", title.strip(), "due", due));
            redirect.addFlashAttribute("refused", time.refusal().get());
            return "redirect:/courses/" + id + "#new-assignment";
        }
        Optional<Instant> when = time.at();
        if (named && when.get().isBefore(clock.instant()) && !past) {
            redirect.addFlashAttribute("typed", Map.of("code", code.strip(), "title", title.strip(), "due", due));
            redirect.addFlashAttribute("past", Speech.say("settings.past", times.away(when.get())));
            return "redirect:/courses/" + id + "#new-assignment";
        }
        try {
            if (named && !courses.isAssignment(course.id(), code.strip())) {
                return "redirect:/assignments/" + courses.createAssignment(id, code.strip(), title.strip(), when.get()) + "/plan";
            }
        } catch (DataIntegrityViolationException pressedTwice) {
            named = true;
        }
        redirect.addFlashAttribute("refused", named ? Speech.say("assignment.there", code.strip()) : Speech.say("assignment.no-code"));
        return "redirect:/courses/" + id;
    }
}
