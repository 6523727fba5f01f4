package org.opensatchel.web.handout;

import java.io.IOException;
import java.util.Set;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.web.account.SignedIn;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.CourseService;
import org.opensatchel.web.course.CourseService.Membership;
import org.opensatchel.web.course.NotAccessible;
import org.opensatchel.web.kit.KitService;
import org.springframework.core.io.InputStreamResource;
import org.springframework.http.MediaType;
import org.springframework.http.MediaTypeFactory;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** A student's list of what to do once. */
@Controller
class StepController {

    /** Pictures that hold nothing but a picture. */
    private static final Set<MediaType> PICTURES = Set.of(MediaType.IMAGE_PNG, MediaType.IMAGE_JPEG, MediaType.IMAGE_GIF,
            MediaType.parseMediaType("image/webp"));

    private final CourseService courses;
    private final KitService kits;
    private final StepService steps;

    StepController(CourseService courses, KitService kits, StepService steps) {
        this.courses = courses;
        this.kits = kits;
        this.steps = steps;
    }

    private Kit kit(AssignmentView assignment) {
        return kits.current(assignment).orElseThrow(NotAccessible::new).kit();
    }

    private static Kit.Step step(Kit kit, int number) {
        if (number < 0 || number >= kit.steps().size()) {
            throw new NotAccessible();
        }
        return kit.steps().get(number);
    }

    @PostMapping("/assignments/{id}/steps/{number}")
    String confirm(@PathVariable long id, @PathVariable int number, @RequestParam boolean done, @AuthenticationPrincipal SignedIn me) {
        Membership place = courses.forStudent(id, me.accountId());
        Kit.Step step = step(kit(place.assignment()), number);
        if (!step.confirm()) {
            throw new NotAccessible();
        }
        steps.confirm(place, step, done);
        return "redirect:/assignments/" + id + "/kit#steps";
    }

    @GetMapping("/assignments/{id}/steps/{number}/picture")
    ResponseEntity<InputStreamResource> picture(@PathVariable long id, @PathVariable int number, @AuthenticationPrincipal SignedIn me)
            throws IOException {
        AssignmentView assignment = courses.taught(id, me.accountId())
                .orElseGet(() -> courses.forStudent(id, me.accountId()).assignment());
        Kit kit = kit(assignment);
        Kit.Step step = step(kit, number);
        String path = step.picture().orElseThrow(NotAccessible::new).text();
        MediaType type = MediaTypeFactory.getMediaType(path).filter(PICTURES::contains).orElseThrow(NotAccessible::new);
        return ResponseEntity.ok().contentType(type).body(new InputStreamResource(steps.picture(assignment, kit, step)));
    }
}
