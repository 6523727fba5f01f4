package org.opensatchel.web.kit;

import java.util.List;
import java.util.Optional;
import org.opensatchel.core.compare.KitChange;
import org.opensatchel.core.compare.KitDifference;
import org.opensatchel.web.account.SignedIn;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.CourseService;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

/** The versions of a kit: which there are, who published them, and what differs between any two. */
@Controller
class VersionsController {

    private final CourseService courses;
    private final KitService kits;

    VersionsController(CourseService courses, KitService kits) {
        this.courses = courses;
        this.kits = kits;
    }

    @GetMapping("/assignments/{id}/plan/versions")
    String versions(@PathVariable long id, @RequestParam(required = false) Integer from, @RequestParam(required = false) Integer to, @AuthenticationPrincipal SignedIn me, Model model) {
        AssignmentView assignment = courses.forInstructor(id, me.accountId());
        List<PublishedKit> all = kits.all(assignment);
        model.addAttribute("assignment", assignment);
        model.addAttribute("step", "plan");
        model.addAttribute("versions", all);
        model.addAttribute("holders", kits.holders(assignment));
        if (all.size() > 1) {
            PublishedKit later = chosen(all, to).orElse(all.get(0));
            PublishedKit earlier = chosen(all, from).orElse(all.get(1));
            List<KitChange> changes = KitDifference.between(earlier.kit(), later.kit());
            model.addAttribute("earlier", earlier.kit().version());
            model.addAttribute("later", later.kit().version());
            model.addAttribute("changes", changes);
        }
        return "kit/versions";
    }

    private static Optional<PublishedKit> chosen(List<PublishedKit> all, Integer version) {
        return all.stream().filter(kit -> version != null && kit.kit().version() == version).findFirst();
    }
}
