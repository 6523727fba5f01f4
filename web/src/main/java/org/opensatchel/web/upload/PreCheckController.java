package org.opensatchel.web.upload;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.util.Optional;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.web.account.SignedIn;
import org.opensatchel.web.course.CourseService;
import org.opensatchel.web.course.CourseService.Membership;
import org.opensatchel.web.handin.HandInService;
import org.opensatchel.web.kit.KitService;
import org.opensatchel.web.kit.PublishedKit;
import org.opensatchel.web.storage.SatchelProperties;
import org.opensatchel.web.upload.UploadReception.Answer;
import org.opensatchel.worker.WorkOrder;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/**
 * The check that a student makes before handing in. Their browser lists the folder and sends that list with the documents; without
 * script a ZIP is sent. Nobody else reads it unless the course says so.
 */
@Controller
class PreCheckController {

    private final CourseService courses;
    private final KitService kits;
    private final HandInService handIns;
    private final HandInReceiver receiver;
    private final UploadReception desk;
    private final SatchelProperties properties;

    PreCheckController(CourseService courses, KitService kits, HandInService handIns, HandInReceiver receiver, UploadReception desk,
            SatchelProperties properties) {
        this.courses = courses;
        this.kits = kits;
        this.handIns = handIns;
        this.receiver = receiver;
        this.desk = desk;
        this.properties = properties;
    }

    @GetMapping("/assignments/{id}/pre-check")
    String page(@PathVariable long id, @AuthenticationPrincipal SignedIn me, Model model) {
        Membership place = courses.forStudent(id, me.accountId());
        model.addAttribute("assignment", place.assignment());
        model.addAttribute("student", place.student());
        model.addAttribute("step", "check");
        model.addAttribute("module", "look/page");
        model.addAttribute("scriptWords", "look");
        Optional<Kit> kit = kits.current(place.assignment()).map(PublishedKit::kit);
        model.addAttribute("open", kit.isPresent());
        model.addAttribute("checks", handIns.preChecks(place));
        model.addAttribute("reading", FolderReading.under(kit, properties.maxPacket()).json());
        return "upload/pre-check";
    }

    /** A packet as our script makes it. */
    @PostMapping(path = "/assignments/{id}/pre-check", consumes = "application/zip")
    ResponseEntity<HandInController.UploadAnswer> packet(@PathVariable long id, @AuthenticationPrincipal SignedIn me,
            @RequestHeader("X-File-Name") String name, HttpServletRequest request) throws IOException {
        Membership place = courses.forStudent(id, me.accountId());
        Answer answer = desk.take(place, me, name, request, properties.maxPacket().toBytes(),
                (folder, stored) -> receiver.preCheck(place, folder, stored, WorkOrder.Form.LISTING));
        return ResponseEntity.status(answer.status())
                .body(new HandInController.UploadAnswer(answer.isRefused() ? "" : "/pre-checks/" + answer.made(), answer.refusal()));
    }

    /** The form of a browser without script: the whole ZIP. */
    @PostMapping(path = "/assignments/{id}/pre-check", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    String form(@PathVariable long id, @AuthenticationPrincipal SignedIn me, HttpServletRequest request, RedirectAttributes redirect)
            throws IOException {
        Membership place = courses.forStudent(id, me.accountId());
        Answer answer = desk.take(place, me, "", request, properties.maxUpload().toBytes(),
                (name, stored) -> receiver.preCheck(place, name, stored, WorkOrder.Form.ZIP));
        if (answer.isRefused()) {
            redirect.addFlashAttribute("refused", answer.refusal());
            return "redirect:/assignments/" + id + "/pre-check";
        }
        return "redirect:/pre-checks/" + answer.made();
    }
}
