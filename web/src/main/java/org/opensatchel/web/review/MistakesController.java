package org.opensatchel.web.review;

import java.nio.charset.StandardCharsets;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import org.opensatchel.core.location.StorageKind;
import org.opensatchel.core.report.Verdict;
import org.opensatchel.web.account.SignedIn;
import org.opensatchel.web.audit.AuditService;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.CourseService;
import org.opensatchel.web.course.Student;
import org.opensatchel.web.handin.HandInService;
import org.opensatchel.web.handin.HandInView;
import org.opensatchel.web.judging.JudgingService;
import org.opensatchel.web.location.LocationService;
import org.opensatchel.web.location.SetLocation;
import org.opensatchel.web.print.PdfPrinter;
import org.opensatchel.web.text.Pages;
import org.opensatchel.web.text.Speech;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

/** What the class has in common, a page to hand out about it, and the log. */
@Controller
class MistakesController {

    private static final int LOG_ROWS = 100;

    private final CourseService courses;
    private final HandInService handIns;
    private final LocationService locations;
    private final AuditService audit;
    private final PdfPrinter printer;
    private final JudgingService judging;

    MistakesController(CourseService courses, HandInService handIns, LocationService locations, AuditService audit, PdfPrinter printer,
            JudgingService judging) {
        this.judging = judging;
        this.courses = courses;
        this.handIns = handIns;
        this.locations = locations;
        this.audit = audit;
        this.printer = printer;
    }

    private Mistakes mistakes(AssignmentView assignment) {
        List<Student> roster = courses.roster(assignment);
        Map<Long, HandInView> counting = handIns.counting(assignment);
        int handedIn = (int) roster.stream().map(student -> counting.get(student.enrolmentId()))
                .filter(handIn -> handIn != null && handIn.isDone() && handIn.verdict() != Verdict.BLOCKED).count();
        return Mistakes.of(roster, handedIn, judging.classFindings(assignment));
    }

    @GetMapping("/assignments/{id}/mistakes")
    String show(@PathVariable long id, @AuthenticationPrincipal SignedIn me, Model model) {
        AssignmentView assignment = courses.forInstructor(id, me.accountId());
        Map<StorageKind, Integer> places = new EnumMap<>(StorageKind.class);
        locations.current(assignment).values().stream().map(SetLocation::storage).forEach(kind -> places.merge(kind, 1, Integer::sum));
        model.addAttribute("assignment", assignment);
        model.addAttribute("step", "review");
        model.addAttribute("mistakes", mistakes(assignment));
        model.addAttribute("counting", handIns.counting(assignment));
        model.addAttribute("places", places);
        model.addAttribute("titles", Speech.words());
        return "review/mistakes";
    }

    /** The most common ones on one page for the class, with nobody's name on it. */
    @GetMapping("/assignments/{id}/mistakes/hand-out")
    String handOut(@PathVariable long id, @AuthenticationPrincipal SignedIn me, Model model) {
        AssignmentView assignment = courses.forInstructor(id, me.accountId());
        model.addAttribute("assignment", assignment);
        model.addAttribute("step", "review");
        model.addAttribute("mistakes", mistakes(assignment));
        return "review/class-hand-out";
    }

    @GetMapping("/assignments/{id}/mistakes.pdf")
    CompletableFuture<ResponseEntity<byte[]>> pdf(@PathVariable long id, @AuthenticationPrincipal SignedIn me) {
        AssignmentView assignment = courses.forInstructor(id, me.accountId());
        String name = assignment.courseCode().replace(" ", "") + "_" + assignment.code() + "_mistakes.pdf";
        return printer.pdf(me.accountId(), "print/class-hand-out", Map.of("assignment", assignment, "mistakes", mistakes(assignment)))
                .thenApply(pdf -> ResponseEntity.ok().contentType(MediaType.APPLICATION_PDF).header(HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment().filename(name, StandardCharsets.UTF_8).build().toString()).body(pdf));
    }

    @GetMapping("/assignments/{id}/log")
    String log(@PathVariable long id, @RequestParam(defaultValue = "1") int page, @AuthenticationPrincipal SignedIn me, Model model) {
        AssignmentView assignment = courses.forInstructor(id, me.accountId());
        model.addAttribute("assignment", assignment);
        model.addAttribute("step", "review");
        model.addAttribute("lines", audit.of(id, Pages.of(page, LOG_ROWS)));
        model.addAttribute("students", courses.everybody(assignment).stream()
                .collect(java.util.stream.Collectors.toMap(Student::enrolmentId, Student::listed)));
        return "review/log";
    }
}
