package org.opensatchel.web.kit;

import java.util.Optional;
import java.util.stream.IntStream;
import org.opensatchel.core.kit.KitDifference;
import org.opensatchel.web.account.SignedIn;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.CourseService;
import org.opensatchel.web.course.NotAccessible;
import org.opensatchel.web.text.Pages;
import org.springframework.data.domain.Page;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

/** The versions of a kit: which there are, who published them, and what differs between any two. */
@Controller
class VersionsController {

    /** Versions on one page of the list. */
    private static final int ROWS = 25;

    private final CourseService courses;
    private final KitService kits;

    VersionsController(CourseService courses, KitService kits) {
        this.courses = courses;
        this.kits = kits;
    }

    @GetMapping("/assignments/{id}/plan/versions")
    String versions(@PathVariable long id, @RequestParam(required = false) Integer from, @RequestParam(required = false) Integer to,
            @RequestParam(defaultValue = "1") int page, @AuthenticationPrincipal SignedIn me, Model model) {
        AssignmentView assignment = courses.forInstructor(id, me.accountId());
        Page<PublishedKit> all = kits.all(assignment, Pages.of(page, ROWS));
        int newest = kits.current(assignment).map(kit -> kit.kit().version()).orElse(0);
        model.addAttribute("assignment", assignment);
        model.addAttribute("step", "plan");
        model.addAttribute("versions", all);
        model.addAttribute("numbers", IntStream.iterate(newest, number -> number > 0, number -> number - 1).boxed().toList());
        model.addAttribute("holders", kits.holders(assignment));
        if (newest > 1) {
            PublishedKit later = chosen(assignment, to, newest);
            PublishedKit earlier = chosen(assignment, from, newest - 1);
            model.addAttribute("earlier", earlier.kit().version());
            model.addAttribute("later", later.kit().version());
            model.addAttribute("changes", KitDifference.between(earlier.kit(), later.kit()));
        }
        return "kit/versions";
    }

    private PublishedKit chosen(AssignmentView assignment, Integer asked, int otherwise) {
        return Optional.ofNullable(asked).flatMap(number -> kits.numbered(assignment, number))
                .or(() -> kits.numbered(assignment, otherwise)).orElseThrow(NotAccessible::new);
    }
}
