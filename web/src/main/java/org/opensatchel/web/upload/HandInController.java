package org.opensatchel.web.upload;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.opensatchel.web.account.SignedIn;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.CourseService;
import org.opensatchel.web.course.CourseService.Membership;
import org.opensatchel.web.course.NotAccessible;
import org.opensatchel.web.course.Student;
import org.opensatchel.web.handin.HandInQuota;
import org.opensatchel.web.handin.HandInService;
import org.opensatchel.web.handin.HandInView;
import org.opensatchel.web.kit.KitService;
import org.opensatchel.web.kit.PublishedKit;
import org.opensatchel.web.storage.SatchelProperties;
import org.opensatchel.web.text.Pages;
import org.opensatchel.web.text.Speech;
import org.opensatchel.web.upload.UploadReception.Answer;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.unit.DataSize;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Handing in, and the list of what came in. */
@Controller
class HandInController {

    /** Hand-ins on one page of the list. */
    private static final int ROWS = 100;

    private final CourseService courses;
    private final KitService kits;
    private final HandInService handIns;
    private final HandInReceiver receiver;
    private final UploadReception desk;
    private final HandInQuota quota;
    private final HandInGlance glance;
    private final Clock clock;
    private final long mostBytes;
    private final long mostPacket;

    HandInController(CourseService courses, KitService kits, HandInService handIns, HandInReceiver receiver, UploadReception desk,
            HandInQuota quota,
            HandInGlance glance,
            Clock clock,
            SatchelProperties properties) {
        this.courses = courses;
        this.kits = kits;
        this.handIns = handIns;
        this.receiver = receiver;
        this.desk = desk;
        this.quota = quota;
        this.glance = glance;
        this.clock = clock;
        this.mostPacket = properties.maxPacket().toBytes();
        this.mostBytes = properties.maxUpload().toBytes();
    }

    /** What our script is told after an upload. */
    record UploadAnswer(String next, String refusal) {}

    /** A hand-in with its student, for the instructor's list, and by how much it came too late. */
    record Row(HandInView handIn, Student student, Optional<Duration> late) {}

    /** Who checked before handing in. */
    record Checked(Student student, HandInService.PreChecks checks) {}

    @GetMapping("/assignments/{id}/check")
    String all(@PathVariable long id, @RequestParam(defaultValue = "1") int page, @AuthenticationPrincipal SignedIn me, Model model) {
        AssignmentView assignment = courses.forInstructor(id, me.accountId());
        Map<Long, Student> students = courses.everybody(assignment).stream()
                .collect(Collectors.toMap(Student::enrolmentId, Function.identity()));
        CourseService.Deadlines deadlines = courses.deadlines(assignment);
        model.addAttribute("assignment", assignment);
        model.addAttribute("step", "check");
        model.addAttribute("rows", handIns.ofAssignment(assignment, Pages.of(page, ROWS))
                .map(handIn -> new Row(handIn, students.get(handIn.enrolmentId()),
                        deadlines.of(handIn.enrolmentId()).late(handIn.receivedAt()))));
        Map<Long, HandInService.PreChecks> checked = handIns.preChecked(assignment);
        model.addAttribute("checked", students.values().stream().filter(student -> checked.containsKey(student.enrolmentId()))
                .map(student -> new Checked(student, checked.get(student.enrolmentId())))
                .sorted(Comparator.comparing((Checked one) -> one.checks.last()).reversed()).toList());
        return "upload/check";
    }

    @GetMapping("/assignments/{id}/hand-in")
    String handIn(@PathVariable long id, @AuthenticationPrincipal SignedIn me, Model model) {
        Membership place = courses.forStudent(id, me.accountId());
        model.addAttribute("assignment", place.assignment());
        model.addAttribute("student", place.student());
        model.addAttribute("step", "hand-in");
        model.addAttribute("open", kits.current(place.assignment()).isPresent());
        List<HandInView> own = handIns.ofStudent(place);
        model.addAttribute("handIns", own);
        model.addAttribute("module", "look/hand-in");
        model.addAttribute("scriptWords", "look");
        model.addAttribute("reading",
                FolderReading.under(kits.current(place.assignment()).map(PublishedKit::kit), DataSize.ofBytes(mostPacket)).json());
        model.addAttribute("counting", HandInView.counting(own).map(HandInView::id).orElse(0L));
        model.addAttribute("deadline", place.assignment().deadline());
        model.addAttribute("closed", quota.closed(place).orElse(null));
        model.addAttribute("isOver", place.assignment().deadline().isOver(clock.instant()));
        model.addAttribute("mostBytes", mostBytes);
        model.addAttribute("mostSaid", Speech.words().size(mostBytes));
        return "upload/hand-in";
    }

    /** What is said of a project before anything of it is sent; our script reads its names and its marker. */
    @PostMapping(path = "/assignments/{id}/hand-in/glance", consumes = MediaType.APPLICATION_JSON_VALUE)
    @ResponseBody
    HandInGlance.Answer glance(@PathVariable long id, @AuthenticationPrincipal SignedIn me, @RequestBody HandInGlance.Picked picked) {
        return glance.at(courses.forStudent(id, me.accountId()), picked);
    }

    /** The list of a folder with its documents, where the media may stay where they are. */
    @PostMapping(path = "/assignments/{id}/hand-in/listing", consumes = "application/zip")
    ResponseEntity<UploadAnswer> listing(@PathVariable long id, @AuthenticationPrincipal SignedIn me,
            @RequestHeader("X-File-Name") String folder, HttpServletRequest request) throws IOException {
        Membership place = courses.forStudent(id, me.accountId());
        if (!place.assignment().takesListing()) {
            throw new NotAccessible();
        }
        Optional<String> closed = quota.closed(place);
        Answer answer = closed.isPresent() ? Answer.refused(HttpStatus.UNPROCESSABLE_CONTENT, closed.get())
                : desk.take(place, me, folder, request, mostPacket, (name, stored) -> receiver.takeListing(place, name, stored));
        return ResponseEntity.status(answer.status())
                .body(new UploadAnswer(answer.isRefused() ? "" : "/hand-ins/" + answer.made(), answer.refusal()));
    }

    /** Whether a file of a size can be handed in now. */
    @GetMapping("/assignments/{id}/hand-in/room")
    ResponseEntity<UploadAnswer> room(@PathVariable long id, @RequestParam long bytes, @AuthenticationPrincipal SignedIn me) {
        Membership place = courses.forStudent(id, me.accountId());
        return ResponseEntity.ok(
                new UploadAnswer("", quota.closed(place).or(() -> quota.refusal(place, Math.max(0, bytes))).orElse("")));
    }

    /** The raw body, as our script sends it with its progress. */
    @PostMapping(path = "/assignments/{id}/hand-in", consumes = {"application/zip", "application/octet-stream"})
    ResponseEntity<UploadAnswer> upload(@PathVariable long id, @AuthenticationPrincipal SignedIn me,
            @RequestHeader("X-File-Name") String fileName, HttpServletRequest request) throws IOException {
        Answer answer = take(courses.forStudent(id, me.accountId()), me, fileName, request);
        return ResponseEntity.status(answer.status())
                .body(new UploadAnswer(answer.isRefused() ? "" : "/hand-ins/" + answer.made(), answer.refusal()));
    }

    private Answer take(Membership place, SignedIn me, String fileName, HttpServletRequest request) throws IOException {
        Optional<String> closed = quota.closed(place);
        return closed.isPresent() ? Answer.refused(HttpStatus.UNPROCESSABLE_CONTENT, closed.get())
                : desk.take(place, me, fileName, request, mostBytes, (name, stored) -> receiver.take(place, name, stored));
    }

    /** The form of a browser without script. */
    @PostMapping(path = "/assignments/{id}/hand-in", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    String form(@PathVariable long id, @AuthenticationPrincipal SignedIn me, HttpServletRequest request, RedirectAttributes redirect)
            throws IOException {
        Membership place = courses.forStudent(id, me.accountId());
        Answer answer = take(place, me, "", request);
        if (answer.isRefused()) {
            redirect.addFlashAttribute("refused", answer.refusal());
            return "redirect:/assignments/" + id + "/hand-in";
        }
        return "redirect:/hand-ins/" + answer.made();
    }

    /** Takes back what counts, or lets an earlier one count; until the deadline, and never for somebody else. */
    @PostMapping("/hand-ins/{handInId}/counts")
    String counts(@PathVariable long handInId, @RequestParam boolean counts, @AuthenticationPrincipal SignedIn me,
            RedirectAttributes redirect) {
        HandInService.Shown shown = handIns.show(handInId, me.accountId());
        if (!shown.isOf(me.accountId()) || shown.handIn().isPreCheck()) {
            throw new NotAccessible();
        }
        Membership place = shown.place();
        if (place.assignment().deadline().isOver(clock.instant())) {
            redirect.addFlashAttribute("refused", Speech.say("hand-in.too-late-to-change"));
        } else if (counts) {
            handIns.letCount(shown);
        } else {
            handIns.withdraw(shown);
        }
        return "redirect:/assignments/" + place.assignment().id() + "/hand-in";
    }

    /** An unlikely type of upload gets the same sentence as an unreadable one. */
    @PostMapping(path = "/assignments/{id}/hand-in")
    ResponseEntity<UploadAnswer> otherwise(@PathVariable long id, @AuthenticationPrincipal SignedIn me) {
        courses.forStudent(id, me.accountId());
        return ResponseEntity.status(HttpStatus.UNSUPPORTED_MEDIA_TYPE).body(new UploadAnswer("", Speech.say("hand-in.zip")));
    }
}
