package org.opensatchel.web.viewer;

import jakarta.servlet.http.HttpServletResponse;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import org.opensatchel.web.account.SignedIn;
import org.opensatchel.web.course.NotAccessible;
import org.opensatchel.web.errand.Errands;
import org.opensatchel.web.handin.HandInService;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

/** A file of a hand-in, at the place that a finding names. Who waits for a worker holds no thread. */
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
    CompletableFuture<String> file(@PathVariable long handIn, @RequestParam String path, @RequestParam(defaultValue = "") String at,
            @RequestParam(defaultValue = "") String text, @AuthenticationPrincipal SignedIn me, Model model, HttpServletResponse response) {
        HandInService.Shown shown = handIns.show(handIn, me.accountId());
        model.addAttribute("assignment", shown.place().assignment());
        model.addAttribute("student", shown.place().student());
        model.addAttribute("step", shown.byInstructor() ? "review" : "hand-in");
        model.addAttribute("handIn", shown.handIn());
        model.addAttribute("path", path);
        model.addAttribute("at", at);
        model.addAttribute("text", text);
        return begun(() -> views.view(shown, me.accountId(), path, at, text)).exceptionally(failed -> trouble(failed, response))
                .thenApply(view -> {
                    model.addAttribute("view", view);
                    return "viewer/file";
                });
    }

    private interface Begin<T> {
        CompletableFuture<T> begin();
    }

    /** What is refused at once is refused in the same way as what is refused later. */
    private static <T> CompletableFuture<T> begun(Begin<T> work) {
        try {
            return work.begin();
        } catch (RuntimeException refused) {
            return CompletableFuture.failedFuture(refused);
        }
    }

    private static Throwable cause(Throwable failed) {
        return failed instanceof CompletionException && failed.getCause() != null ? failed.getCause() : failed;
    }

    private static ShownFile trouble(Throwable failed, HttpServletResponse response) {
        Throwable cause = cause(failed);
        if (cause instanceof Errands.Busy) {
            response.setStatus(HttpStatus.TOO_MANY_REQUESTS.value());
            return ShownFile.none(0, Optional.of("viewer.busy"));
        }
        if (cause instanceof Errands.NoAnswer none) {
            response.setStatus(HttpStatus.SERVICE_UNAVAILABLE.value());
            return ShownFile.none(0, Optional.of(none.isOfSize() ? "viewer.too-much" : "viewer.failed"));
        }
        throw cause instanceof RuntimeException own ? own : new CompletionException(cause);
    }

    @GetMapping("/hand-ins/{handIn}/picture")
    CompletableFuture<ResponseEntity<byte[]>> picture(@PathVariable long handIn, @RequestParam String path,
            @RequestParam(defaultValue = "false") boolean small, @AuthenticationPrincipal SignedIn me) {
        HandInService.Shown shown = handIns.show(handIn, me.accountId());
        return begun(() -> views.picture(shown, me.accountId(), path, small)).thenApply(png -> ResponseEntity.ok()
                .contentType(MediaType.IMAGE_PNG).header("X-Content-Type-Options", "nosniff").cacheControl(CacheControl.noStore())
                .body(png.orElseThrow(NotAccessible::new))).exceptionally(failed -> {
                    Throwable cause = cause(failed);
                    if (cause instanceof Errands.Busy || cause instanceof Errands.NoAnswer) {
                        return ResponseEntity.status(cause instanceof Errands.Busy ? HttpStatus.TOO_MANY_REQUESTS
                                : HttpStatus.SERVICE_UNAVAILABLE).build();
                    }
                    throw cause instanceof RuntimeException own ? own : new CompletionException(cause);
                });
    }
}
