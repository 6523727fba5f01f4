package org.opensatchel.web.handout;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.core.kit.KitDifference;
import org.opensatchel.core.kit.PlannedPaths;
import org.opensatchel.web.account.SignedIn;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.CourseService;
import org.opensatchel.web.course.NotAccessible;
import org.opensatchel.web.course.Student;
import org.opensatchel.web.kit.KitService;
import org.opensatchel.web.kit.PublishedKit;
import org.opensatchel.web.text.Speech;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Handing kits out, and collecting them. Fetching one marks it, and so is a POST. */
@Controller
@RequestMapping("/assignments/{id}")
class HandoutController {

    private final CourseService courses;
    private final KitService kits;
    private final HandoutService handouts;
    private final StepService steps;

    HandoutController(CourseService courses, KitService kits, HandoutService handouts, StepService steps) {
        this.courses = courses;
        this.kits = kits;
        this.handouts = handouts;
        this.steps = steps;
    }

    /** One student's row on the page. */
    record Row(Student student, Optional<String> root, Optional<Phrase> refusal, Optional<HandoutService.Held> held) {}

    @GetMapping("/hand-out")
    String handOut(@PathVariable long id, @AuthenticationPrincipal SignedIn me, Model model) {
        AssignmentView assignment = courses.forInstructor(id, me.accountId());
        Optional<PublishedKit> kit = kits.current(assignment);
        model.addAttribute("assignment", assignment);
        model.addAttribute("step", "hand-out");
        model.addAttribute("kit", kit.orElse(null));
        if (kit.isPresent()) {
            Map<Long, HandoutService.Held> held = handouts.held(assignment);
            List<Row> rows = courses.roster(assignment).stream()
                    .map(student -> new Row(student, handouts.rootName(kit.get(), assignment, student),
                            handouts.refusal(kit.get(), assignment, student), Optional.ofNullable(held.get(student.enrolmentId()))))
                    .toList();
            model.addAttribute("rows", rows);
            model.addAttribute("mayPlan", courses.mayPlan(id, me.accountId()));
            model.addAttribute("teams",
                    rows.stream().map(row -> row.student().team()).filter(team -> !team.isEmpty()).distinct().sorted().toList());
            model.addAttribute("sections", rows.stream().map(row -> row.student().section()).distinct().sorted().toList());
        }
        return "handout/hand-out";
    }

    @PostMapping("/hand-out/all.zip")
    void all(@PathVariable long id, @RequestParam(defaultValue = "") String whose, @AuthenticationPrincipal SignedIn me,
            HttpServletResponse response) throws IOException {
        AssignmentView assignment = courses.forInstructor(id, me.accountId());
        PublishedKit kit = kits.current(assignment).orElseThrow(NotAccessible::new);
        List<Student> students = courses.roster(assignment).stream().filter(
                student -> whose.isEmpty() || whose.equals("section " + student.section()) || whose.equals("team " + student.team()))
                .toList();
        if (students.isEmpty()) {
            throw new NotAccessible();
        }
        attachment(response, assignment.courseCode().replace(" ", "") + "_" + assignment.code()
                + (whose.isEmpty() ? "" : "_" + whose.replaceAll("[^\\p{L}\\p{N}-]+", "")) + "_kits_v" + kit.kit().version() + ".zip");
        handouts.writeAll(kit, assignment, students, response.getOutputStream());
        handouts.allHandedOut(kit, assignment, students);
    }

    @PostMapping("/hand-out/{enrolmentId}.zip")
    void one(@PathVariable long id, @PathVariable long enrolmentId, @AuthenticationPrincipal SignedIn me, HttpServletResponse response)
            throws IOException {
        AssignmentView assignment = courses.forInstructor(id, me.accountId());
        Student student = courses.student(assignment, enrolmentId);
        if (student.hasLeft()) {
            throw new NotAccessible();
        }
        handouts.handedOut(send(assignment, student, response), student);
    }

    @GetMapping("/kit")
    String collect(@PathVariable long id, @AuthenticationPrincipal SignedIn me, Model model) {
        return collect(courses.forStudent(id, me.accountId()), model);
    }

    /** What a student sees, for who teaches them: nothing is collected by looking. */
    @GetMapping("/students/{enrolmentId}/kit")
    String asStudent(@PathVariable long id, @PathVariable long enrolmentId, @AuthenticationPrincipal SignedIn me, Model model) {
        AssignmentView assignment = courses.forInstructor(id, me.accountId());
        Student student = courses.student(assignment, enrolmentId);
        model.addAttribute("seenAs", student.name());
        return collect(new CourseService.Membership(assignment, student), model);
    }

    private String collect(CourseService.Membership place, Model model) {
        Optional<PublishedKit> kit = kits.current(place.assignment());
        model.addAttribute("assignment", place.assignment());
        model.addAttribute("student", place.student());
        model.addAttribute("step", "kit");
        model.addAttribute("kit", kit.orElse(null));
        kit.ifPresent(published -> {
            model.addAttribute("root", handouts.rootName(published, place.assignment(), place.student()).orElse(null));
            model.addAttribute("refusal", handouts.refusal(published, place.assignment(), place.student()).map(Speech::text).orElse(null));
            model.addAttribute("steps", steps.of(place, published.kit()));
            model.addAttribute("planned", PlannedPaths.of(published.kit(), place.student().fields(place.assignment())));
            HandoutService.Held held = handouts.held(place).orElse(null);
            model.addAttribute("held", held);
            if (held != null && held.version() < published.kit().version()) {
                PublishedKit before = kits.version(held.kitVersionId());
                model.addAttribute("changes", KitDifference.between(before.kit(), published.kit()));
                model.addAttribute("update", handouts.update(before, published));
            }
        });
        return "handout/collect";
    }

    @PostMapping("/kit.zip")
    void own(@PathVariable long id, @AuthenticationPrincipal SignedIn me, HttpServletResponse response) throws IOException {
        CourseService.Membership place = courses.forStudent(id, me.accountId());
        handouts.collected(send(place.assignment(), place.student(), response), place.student());
    }

    /** Only what changed, to be unpacked over the kit that is there. */
    @PostMapping("/kit-changes.zip")
    void changes(@PathVariable long id, @AuthenticationPrincipal SignedIn me, HttpServletResponse response) throws IOException {
        CourseService.Membership place = courses.forStudent(id, me.accountId());
        PublishedKit current = kits.current(place.assignment()).orElseThrow(NotAccessible::new);
        HandoutService.Held held = handouts.held(place)
                .orElseThrow(NotAccessible::new);
        String root = handouts.rootName(current, place.assignment(), place.student()).orElseThrow(NotAccessible::new);
        attachment(response, root + "_v" + held.version() + "-to-v" + current.kit().version() + ".zip");
        handouts.writeChanged(kits.version(held.kitVersionId()), current, place.assignment(), place.student(), response.getOutputStream());
        handouts.collected(current, place.student());
    }

    /** Only what went out whole counts: it is said after this. */
    private PublishedKit send(AssignmentView assignment, Student student, HttpServletResponse response) throws IOException {
        PublishedKit kit = kits.current(assignment).orElseThrow(NotAccessible::new);
        String root = handouts.rootName(kit, assignment, student).orElseThrow(NotAccessible::new);
        attachment(response, root + ".zip");
        handouts.write(kit, assignment, student, response.getOutputStream());
        return kit;
    }

    private static void attachment(HttpServletResponse response, String fileName) {
        response.setContentType("application/zip");
        response.setHeader(HttpHeaders.CONTENT_DISPOSITION,
                ContentDisposition.attachment().filename(fileName, StandardCharsets.UTF_8).build().toString());
    }
}
