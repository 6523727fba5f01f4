package org.opensatchel.web.handin;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.opensatchel.core.report.Report;
import org.opensatchel.web.account.SignedIn;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.CourseService;
import org.opensatchel.web.course.CourseService.Place;
import org.opensatchel.web.course.Student;
import org.opensatchel.web.kit.KitService;
import org.opensatchel.web.storage.ContentStore;
import org.opensatchel.web.storage.SatchelProperties;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Handing in, watching the check, and reading its report. */
@Controller
class HandInController {

    private static final int MOST_LISTED = 2_000;

    private final CourseService courses;
    private final KitService kits;
    private final HandInService handIns;
    private final ContentStore store;
    private final long mostBytes;

    HandInController(CourseService courses, KitService kits, HandInService handIns, ContentStore store, SatchelProperties properties) {
        this.courses = courses;
        this.kits = kits;
        this.handIns = handIns;
        this.store = store;
        this.mostBytes = properties.maxUpload().toBytes();
    }

    /** What our script is told after an upload. */
    record UploadAnswer(String next, String refusal) {
    }

    /** How far a check has come. */
    record Progress(String state, long files, long bytes) {
    }

    /** A hand-in with its student, for the instructor's list. */
    record Row(HandInView handIn, Student student) {
    }

    @GetMapping("/assignments/{id}/check")
    String all(@PathVariable long id, @AuthenticationPrincipal SignedIn me, Model model) {
        AssignmentView assignment = courses.forInstructor(id, me.accountId());
        Map<Long, Student> students = courses.roster(assignment).stream().collect(Collectors.toMap(Student::enrolmentId, Function.identity()));
        model.addAttribute("assignment", assignment);
        model.addAttribute("step", "check");
        model.addAttribute("rows", handIns.ofAssignment(assignment).stream().map(handIn -> new Row(handIn, students.get(handIn.enrolmentId()))).toList());
        return "handin/check";
    }

    @GetMapping("/assignments/{id}/hand-in")
    String handIn(@PathVariable long id, @AuthenticationPrincipal SignedIn me, Model model) {
        Place place = courses.forStudent(id, me.accountId());
        model.addAttribute("assignment", place.assignment());
        model.addAttribute("student", place.student());
        model.addAttribute("step", "hand-in");
        model.addAttribute("open", kits.current(place.assignment()).isPresent());
        model.addAttribute("handIns", handIns.ofStudent(place));
        model.addAttribute("mostBytes", mostBytes);
        return "handin/hand-in";
    }

    /** The raw body, as our script sends it with its progress. */
    @PostMapping(path = "/assignments/{id}/hand-in", consumes = {"application/zip", "application/octet-stream"})
    ResponseEntity<UploadAnswer> upload(@PathVariable long id, @AuthenticationPrincipal SignedIn me, @RequestHeader("X-File-Name") String fileName, HttpServletRequest request) throws IOException {
        Place place = courses.forStudent(id, me.accountId());
        Upload.Taken taken = new Upload(store, mostBytes).take(request, decoded(fileName));
        if (taken.stored().isEmpty()) {
            return ResponseEntity.status(HttpStatus.UNPROCESSABLE_CONTENT).body(new UploadAnswer("", taken.refusal()));
        }
        return ResponseEntity.ok(new UploadAnswer("/hand-ins/" + handIns.take(place, taken.fileName(), taken.stored().get()), ""));
    }

    private static String decoded(String name) {
        try {
            return URLDecoder.decode(name, StandardCharsets.UTF_8);
        } catch (IllegalArgumentException asItIs) {
            return name;
        }
    }

    /** The form of a browser without script. */
    @PostMapping(path = "/assignments/{id}/hand-in", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    String form(@PathVariable long id, @AuthenticationPrincipal SignedIn me, HttpServletRequest request, RedirectAttributes redirect) throws IOException {
        Place place = courses.forStudent(id, me.accountId());
        Upload.Taken taken = new Upload(store, mostBytes).take(request, "");
        if (taken.stored().isEmpty()) {
            redirect.addFlashAttribute("refused", taken.refusal());
            return "redirect:/assignments/" + id + "/hand-in";
        }
        return "redirect:/hand-ins/" + handIns.take(place, taken.fileName(), taken.stored().get());
    }

    @GetMapping("/hand-ins/{handInId}")
    String report(@PathVariable long handInId, @AuthenticationPrincipal SignedIn me, Model model, HttpServletResponse response) {
        HandInService.Shown shown = handIns.show(handInId, me.accountId());
        model.addAttribute("assignment", shown.place().assignment());
        model.addAttribute("student", shown.place().student());
        model.addAttribute("step", shown.byInstructor() ? "review" : "hand-in");
        model.addAttribute("handIn", shown.handIn());
        model.addAttribute("byInstructor", shown.byInstructor());
        if (!shown.handIn().isDone()) {
            // Browsers without script look again by themselves.
            response.setHeader("Refresh", "3");
            return "handin/waiting";
        }
        Report report = handIns.report(shown);
        model.addAttribute("report", report);
        model.addAttribute("groups", FindingGroups.of(report));
        model.addAttribute("map", ThreadMap.of(report));
        model.addAttribute("carry", CarryGrid.of(report));
        model.addAttribute("listed", listed(report));
        model.addAttribute("others", handIns.ofStudent(shown.place()));
        return "handin/report";
    }

    @GetMapping("/hand-ins/{handInId}/progress")
    @ResponseBody
    Progress progress(@PathVariable long handInId, @AuthenticationPrincipal SignedIn me) {
        HandInView handIn = handIns.show(handInId, me.accountId()).handIn();
        return new Progress(handIn.state(), handIn.filesDone(), handIn.bytesDone());
    }

    @GetMapping("/hand-ins/{handInId}/report.json")
    ResponseEntity<byte[]> json(@PathVariable long handInId, @AuthenticationPrincipal SignedIn me) {
        HandInService.Shown shown = handIns.show(handInId, me.accountId());
        String name = "report_" + shown.place().assignment().code() + "_" + shown.place().student().number() + "_" + shown.handIn().number() + ".json";
        return ResponseEntity.ok().contentType(MediaType.APPLICATION_JSON)
                .header(HttpHeaders.CONTENT_DISPOSITION, ContentDisposition.attachment().filename(name, StandardCharsets.UTF_8).build().toString())
                .body(handIns.reportJson(shown));
    }

    /** An unlikely type of upload gets the same sentence as an unreadable one. */
    @PostMapping(path = "/assignments/{id}/hand-in")
    ResponseEntity<UploadAnswer> otherwise(@PathVariable long id, @AuthenticationPrincipal SignedIn me) {
        courses.forStudent(id, me.accountId());
        return ResponseEntity.status(HttpStatus.UNSUPPORTED_MEDIA_TYPE).body(new UploadAnswer("", "Hand in a ZIP file of the project folder."));
    }

    /** Which links are listed, by their places: all, or of very many those that do not simply open, and as many others as a page bears. */
    private static List<Integer> listed(Report report) {
        List<Report.LinkLine> links = report.links();
        IntStream all = IntStream.range(0, links.size());
        if (links.size() <= MOST_LISTED) {
            return all.boxed().toList();
        }
        return all.boxed().sorted(Comparator.comparing((Integer at) -> links.get(at).outcome().equals("ok")).thenComparing(Comparator.naturalOrder())).limit(MOST_LISTED).sorted().toList();
    }
}
