package org.opensatchel.web.viewer;

import java.io.IOException;
import org.opensatchel.web.account.SignedIn;
import org.opensatchel.web.course.NotAccessible;
import org.opensatchel.web.handin.HandInService;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

/** A file of a hand-in, at the place that a finding names. */
@Controller
class ViewController {

    private final HandInService handIns;
    private final FileViews views;

    ViewController(HandInService handIns, FileViews views) {
        this.handIns = handIns;
        this.views = views;
    }

    /**
     * @param at the place as the report writes it
     * @param text what stands there
     */
    @GetMapping("/hand-ins/{handIn}/file")
    String file(@PathVariable long handIn, @RequestParam String path, @RequestParam(defaultValue = "") String at,
            @RequestParam(defaultValue = "") String text, @AuthenticationPrincipal SignedIn me, Model model) throws IOException {
        HandInService.Shown shown = handIns.show(handIn, me.accountId());
        model.addAttribute("view", views.view(shown, path, at, text));
        model.addAttribute("assignment", shown.place().assignment());
        model.addAttribute("student", shown.place().student());
        model.addAttribute("step", shown.byInstructor() ? "review" : "hand-in");
        model.addAttribute("handIn", shown.handIn());
        model.addAttribute("path", path);
        model.addAttribute("at", at);
        model.addAttribute("text", text);
        return "viewer/file";
    }

    @GetMapping("/hand-ins/{handIn}/picture")
    ResponseEntity<byte[]> picture(@PathVariable long handIn, @RequestParam String path,
            @RequestParam(defaultValue = "false") boolean small, @AuthenticationPrincipal SignedIn me) throws IOException {
        HandInService.Shown shown = handIns.show(handIn, me.accountId());
        byte[] png = views.picture(shown, path, small).orElseThrow(NotAccessible::new);
        return ResponseEntity.ok().contentType(MediaType.IMAGE_PNG).header("X-Content-Type-Options", "nosniff")
                .cacheControl(CacheControl.noStore()).body(png);
    }
}
