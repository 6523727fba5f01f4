package org.opensatchel.web.course;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Pattern;
import org.opensatchel.core.roster.RosterChange;
import org.opensatchel.core.roster.RosterReading;
import org.opensatchel.core.words.Words;
import org.opensatchel.web.account.SignedIn;
import org.opensatchel.web.course.RosterService.CourseView;
import org.opensatchel.web.job.Job;
import org.opensatchel.web.job.JobPages;
import org.opensatchel.web.storage.ContentStore;
import org.opensatchel.web.storage.Contents;
import org.opensatchel.web.storage.Purpose;
import org.opensatchel.web.text.Speech;
import org.opensatchel.web.text.Times;
import org.opensatchel.web.text.TypedTime;
import org.opensatchel.worker.Enrolled;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
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
    private static final Pattern CODE = Pattern.compile("[\\p{L}\\p{N}][\\p{L}\\p{N} ._-]{0,19}");

    private final RosterService rosters;
    private final CourseService courses;
    private final Contents contents;
    private final RosterFiles files;
    private final JobPages jobs;
    private final Times times;
    private final Clock clock;

    RosterController(RosterService rosters, CourseService courses, Contents contents, RosterFiles files, JobPages jobs,
            Times times, Clock clock) {
        this.rosters = rosters;
        this.courses = courses;
        this.contents = contents;
        this.files = files;
        this.jobs = jobs;
        this.times = times;
        this.clock = clock;
    }

    @GetMapping("/courses/{id}")
    String course(@PathVariable long id, @AuthenticationPrincipal SignedIn me, Model model) {
        CourseView course = rosters.course(id, me.accountId());
        List<Student> everybody = rosters.everybody(course);
        model.addAttribute("course", course);
        model.addAttribute("students", everybody.stream().filter(student -> !student.hasLeft()).toList());
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

    /** The file as our script sends it. */
    @PostMapping("/courses/{id}/roster")
    ResponseEntity<Map<String, String>> upload(@PathVariable long id, @AuthenticationPrincipal SignedIn me, HttpServletRequest request)
            throws IOException {
        rosters.course(id, me.accountId());
        try {
            return ResponseEntity.ok(Map.of("next", kept(id, me, request.getInputStream()), "refusal", ""));
        } catch (ContentStore.TooLarge tooLarge) {
            return ResponseEntity.status(HttpStatus.UNPROCESSABLE_CONTENT)
                    .body(Map.of("next", "", "refusal", Speech.say("upload.too-large", Speech.words().size(MOST_BYTES))));
        }
    }

    /** The table pasted as text, which needs no script. */
    @PostMapping("/courses/{id}/roster/paste")
    String paste(@PathVariable long id, @RequestParam String table, @AuthenticationPrincipal SignedIn me) throws IOException {
        rosters.course(id, me.accountId());
        return "redirect:" + kept(id, me, new ByteArrayInputStream(table.getBytes(StandardCharsets.UTF_8)));
    }

    private String kept(long id, SignedIn me, InputStream table) throws IOException {
        return preview(id, contents.keep(table, Purpose.ROSTER, id, me.accountId(), MOST_BYTES).sha256());
    }

    private static String preview(long id, String sha256) {
        return "/courses/" + id + "/roster?file=" + sha256;
    }

    @GetMapping("/courses/{id}/roster")
    Object preview(@PathVariable long id, @RequestParam String file, @RequestParam(required = false) Set<String> classId,
            @AuthenticationPrincipal SignedIn me, Model model, HttpServletRequest request, HttpServletResponse response) {
        CourseView course = rosters.course(id, me.accountId());
        Set<String> chosen = classId == null ? Set.of() : classId;
        model.addAttribute("course", course);
        Optional<Job> asked = files.ask(id, me.accountId(), file, chosen);
        return jobs.show(asked, waiting(id), request, response, model, () -> {
            Enrolled enrolled = files.answer(asked.orElseThrow());
            model.addAttribute("file", file);
            model.addAttribute("classes", enrolled.classes());
            model.addAttribute("chosen", chosen);
            RosterReading reading = enrolled.reading();
            model.addAttribute("reading", reading);
            if (reading.isGood()) {
                RosterChange change = rosters.change(course, reading.lines());
                model.addAttribute("change", change);
                model.addAttribute("joining", rosters.joining(change));
            }
            return "course/preview";
        });
    }

    private static JobPages.Waiting waiting(long id) {
        return new JobPages.Waiting("roster", "/courses/" + id);
    }

    @PostMapping("/courses/{id}/roster/apply")
    Object apply(@PathVariable long id, @RequestParam String file, @RequestParam(required = false) Set<String> classId,
            @RequestParam(defaultValue = "false") boolean leave,
            @RequestParam(required = false) Set<Integer> join, @AuthenticationPrincipal SignedIn me, HttpServletRequest request,
            RedirectAttributes redirect) {
        CourseView course = rosters.course(id, me.accountId());
        Optional<Job> asked = files.ask(id, me.accountId(), file, classId == null ? Set.of() : classId);
        return jobs.once(asked, JobPages.LONG, request, () -> {
            RosterReading reading = files.answer(asked.orElseThrow()).reading();
            if (!reading.isGood()) {
                return "redirect:" + preview(id, file);
            }
            int made = rosters.apply(course, reading.lines(), leave, join == null ? Set.of() : join);
            redirect.addFlashAttribute("told", Speech.say("roster.imported", made));
            return "redirect:/courses/" + id;
        }, "redirect:" + preview(id, file));
    }

    @PostMapping("/courses/{id}/students/{enrolmentId}")
    String student(@PathVariable long id, @PathVariable long enrolmentId, @RequestParam(required = false) String leave,
            @RequestParam(defaultValue = "") String last, @RequestParam(defaultValue = "") String first,
            @AuthenticationPrincipal SignedIn me) {
        CourseView course = rosters.course(id, me.accountId());
        if (leave != null) {
            rosters.leave(course, enrolmentId, leave.equals("yes"));
        } else {
            rosters.writtenAs(course, enrolmentId, last, first);
        }
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
            @AuthenticationPrincipal SignedIn me, RedirectAttributes redirect) {
        if (!me.isInstructor()) {
            throw new NotAccessible();
        }
        boolean named = CODE.matcher(code.strip()).matches() && !title.isBlank() && title.length() <= 120;
        if (!named || courses.isCode(code.strip())) {
            redirect.addFlashAttribute("refused", named ? Speech.say("course.there", code.strip()) : Speech.say("course.no-code"));
            return "redirect:/";
        }
        if (!zone.isBlank() && !ZoneId.getAvailableZoneIds().contains(zone.strip())) {
            redirect.addFlashAttribute("refused", noZone(zone));
            return "redirect:/";
        }
        try {
            return "redirect:/courses/" + courses.createCourse(code.strip(), title.strip(), zone.strip(), me.accountId());
        } catch (DataIntegrityViolationException pressedTwice) {
            redirect.addFlashAttribute("refused", Speech.say("course.there", code.strip()));
            return "redirect:/";
        }
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
