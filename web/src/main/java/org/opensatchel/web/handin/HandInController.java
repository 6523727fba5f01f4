package org.opensatchel.web.handin;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.opensatchel.core.report.ReportDigest;
import org.opensatchel.web.account.SignedIn;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.CourseService.Place;
import org.opensatchel.web.course.CourseService;
import org.opensatchel.web.course.Student;
import org.opensatchel.web.kit.KitService;
import org.opensatchel.web.storage.ContentStore;
import org.opensatchel.web.storage.NoRoom;
import org.opensatchel.web.storage.SatchelProperties;
import org.opensatchel.web.text.Speech;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.io.InputStreamResource;
import org.springframework.data.domain.PageRequest;
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
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Handing in, watching the check, and reading its report. */
@Controller
class HandInController {

    private static final Logger LOG = LoggerFactory.getLogger(HandInController.class);

    /** Hand-ins on one page of the list. */
    private static final int ROWS = 100;

    private final CourseService courses;
    private final KitService kits;
    private final HandInService handIns;
    private final ContentStore store;
    private final FailureWords failures;
    private final HandInQuota quota;
    private final UploadPlaces places;
    private final CheckMetrics metrics;
    private final long mostBytes;

    HandInController(CourseService courses, KitService kits, HandInService handIns, ContentStore store, FailureWords failures,
            HandInQuota quota, UploadPlaces places,
            CheckMetrics metrics, SatchelProperties properties) {
        this.courses = courses;
        this.kits = kits;
        this.handIns = handIns;
        this.store = store;
        this.failures = failures;
        this.quota = quota;
        this.places = places;
        this.metrics = metrics;
        this.mostBytes = properties.maxUpload().toBytes();
    }

    /** What our script is told after an upload. */
    record UploadAnswer(String next, String refusal) {}

    /** How far a check has come. */
    record Progress(String state, long files, long bytes, Integer before) {}

    /** A hand-in with its student, for the instructor's list. */
    record Row(HandInView handIn, Student student) {}

    @GetMapping("/assignments/{id}/check")
    String all(@PathVariable long id, @RequestParam(defaultValue = "1") int page, @AuthenticationPrincipal SignedIn me, Model model) {
        AssignmentView assignment = courses.forInstructor(id, me.accountId());
        Map<Long, Student> students = courses.everybody(assignment).stream()
                .collect(Collectors.toMap(Student::enrolmentId, Function.identity()));
        model.addAttribute("assignment", assignment);
        model.addAttribute("step", "check");
        model.addAttribute("rows", handIns.ofAssignment(assignment, PageRequest.of(Math.max(0, page - 1), ROWS))
                .map(handIn -> new Row(handIn, students.get(handIn.enrolmentId()))));
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
        model.addAttribute("mostSaid", Speech.words().size(mostBytes));
        return "handin/hand-in";
    }

    /** Whether a file of a size can be handed in now; our script asks before it sends anything. */
    @GetMapping("/assignments/{id}/hand-in/room")
    ResponseEntity<UploadAnswer> room(@PathVariable long id, @RequestParam long bytes, @AuthenticationPrincipal SignedIn me) {
        return ResponseEntity
                .ok(new UploadAnswer("", quota.refusal(courses.forStudent(id, me.accountId()), Math.max(0, bytes)).orElse("")));
    }

    /** The raw body, as our script sends it with its progress. */
    @PostMapping(path = "/assignments/{id}/hand-in", consumes = {"application/zip", "application/octet-stream"})
    ResponseEntity<UploadAnswer> upload(@PathVariable long id, @AuthenticationPrincipal SignedIn me,
            @RequestHeader("X-File-Name") String fileName, HttpServletRequest request) throws IOException {
        Answer answer = take(courses.forStudent(id, me.accountId()), me, decoded(fileName), request);
        return ResponseEntity.status(answer.status)
                .body(new UploadAnswer(answer.refusal.isEmpty() ? "/hand-ins/" + answer.handIn : "", answer.refusal));
    }

    /** What came of an upload. */
    private record Answer(HttpStatus status, long handIn, String refusal) {}

    private Answer take(Place place, SignedIn me, String fileName, HttpServletRequest request) throws IOException {
        Optional<String> refusal = quota.refusal(place, Math.max(0, request.getContentLengthLong()));
        if (refusal.isPresent()) {
            return new Answer(HttpStatus.UNPROCESSABLE_CONTENT, 0, refusal.get());
        }
        if (!places.take(me.accountId())) {
            return new Answer(HttpStatus.TOO_MANY_REQUESTS, 0, Speech.say("hand-in.crowd"));
        }
        try {
            Upload.Taken taken = new Upload(store, mostBytes).take(request, fileName);
            if (taken.stored().isEmpty()) {
                metrics.refused("refused");
                return new Answer(HttpStatus.UNPROCESSABLE_CONTENT, 0, taken.refusal());
            }
            metrics.uploaded(taken.stored().get().bytes());
            return new Answer(HttpStatus.OK, handIns.take(place, taken.fileName(), taken.stored().get()), "");
        } catch (NoRoom full) {
            metrics.refused("not-stored");
            LOG.error("an upload could not be stored: {}", full.getMessage(), full.getCause());
            return new Answer(HttpStatus.INSUFFICIENT_STORAGE, 0, Speech.say("hand-in.not-stored"));
        } finally {
            places.giveBack(me.accountId());
        }
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
    String form(@PathVariable long id, @AuthenticationPrincipal SignedIn me, HttpServletRequest request, RedirectAttributes redirect)
            throws IOException {
        Place place = courses.forStudent(id, me.accountId());
        Answer answer = take(place, me, "", request);
        if (!answer.refusal.isEmpty()) {
            redirect.addFlashAttribute("refused", answer.refusal);
            return "redirect:/assignments/" + id + "/hand-in";
        }
        return "redirect:/hand-ins/" + answer.handIn;
    }

    @GetMapping("/hand-ins/{handInId}")
    String report(@PathVariable long handInId, @RequestParam(defaultValue = "1") int page, @AuthenticationPrincipal SignedIn me,
            Model model, HttpServletResponse response) {
        HandInService.Shown shown = handIns.show(handInId, me.accountId());
        model.addAttribute("assignment", shown.place().assignment());
        model.addAttribute("student", shown.place().student());
        model.addAttribute("step", shown.byInstructor() ? "review" : "hand-in");
        model.addAttribute("handIn", shown.handIn());
        model.addAttribute("byInstructor", shown.byInstructor());
        if (!shown.handIn().isDone()) {
            return waiting(shown, model, response);
        }
        ReportDigest digest = handIns.digest(shown);
        model.addAttribute("report", digest.head());
        model.addAttribute("unjudged",
                Speech.words().list(digest.head().unjudged().stream().map(what -> Speech.say("report.unjudged-" + what)).toList()));
        model.addAttribute("places", Speech.words());
        // What the kit asks for and nobody judges stands beside the verdict already.
        List<String> asked = List.of("media", "points", "steps");
        model.addAttribute("notChecked",
                Speech.words().notChecked(digest.head().notChecked().stream().filter(what -> !asked.contains(what)).toList()));
        model.addAttribute("groups", ToldFindings.of(digest, Speech.words()));
        model.addAttribute("map", ThreadMap.of(digest));
        model.addAttribute("carry", CarryGrid.of(digest, Speech.words()));
        model.addAttribute("listed", LinkPage.of(page, digest.head().project().links(), wanted -> handIns.links(shown, wanted)));
        model.addAttribute("others", handIns.ofStudent(shown.place()));
        return "handin/report";
    }

    private String waiting(HandInService.Shown shown, Model model, HttpServletResponse response) {
        HandInView handIn = shown.handIn();
        if (handIn.failure() != null) {
            model.addAttribute("trouble", failures.sentence(handIn.failure()));
            model.addAttribute("ofSize", failures.isOfSize(handIn.failure()));
        }
        model.addAttribute("before", handIns.placeInQueue(handIn).orElse(null));
        if (!handIn.isFailed()) {
            // Browsers without script look again by themselves.
            response.setHeader("Refresh", "5");
        }
        return "handin/waiting";
    }

    /** Has a check made again that could not be made, or that an instructor wants once more. */
    @PostMapping("/hand-ins/{handInId}/check-again")
    String again(@PathVariable long handInId, @AuthenticationPrincipal SignedIn me) {
        handIns.again(handIns.show(handInId, me.accountId()));
        return "redirect:/hand-ins/" + handInId;
    }

    @GetMapping("/hand-ins/{handInId}/progress")
    @ResponseBody
    Progress progress(@PathVariable long handInId, @AuthenticationPrincipal SignedIn me) {
        HandInView handIn = handIns.show(handInId, me.accountId()).handIn();
        return new Progress(handIn.state(), handIn.filesDone(), handIn.bytesDone(), handIns.placeInQueue(handIn).orElse(null));
    }

    @GetMapping("/hand-ins/{handInId}/report.json")
    ResponseEntity<InputStreamResource> json(@PathVariable long handInId, @AuthenticationPrincipal SignedIn me) {
        HandInService.Shown shown = handIns.show(handInId, me.accountId());
        String name = "report_" + shown.place().assignment().code() + "_" + shown.place().student().number() + "_" + shown.handIn().number()
                + ".json";
        return ResponseEntity.ok().contentType(MediaType.APPLICATION_JSON)
                .header(HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment().filename(name, StandardCharsets.UTF_8).build().toString())
                .body(new InputStreamResource(handIns.reportJson(shown)));
    }

    /** An unlikely type of upload gets the same sentence as an unreadable one. */
    @PostMapping(path = "/assignments/{id}/hand-in")
    ResponseEntity<UploadAnswer> otherwise(@PathVariable long id, @AuthenticationPrincipal SignedIn me) {
        courses.forStudent(id, me.accountId());
        return ResponseEntity.status(HttpStatus.UNSUPPORTED_MEDIA_TYPE).body(new UploadAnswer("", Speech.say("hand-in.zip")));
    }
}
