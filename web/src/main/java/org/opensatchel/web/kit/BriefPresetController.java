package org.opensatchel.web.kit;

import java.util.List;
import java.util.Optional;
import org.opensatchel.web.account.SignedIn;
import org.opensatchel.web.course.CourseService;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Briefs kept under a name, while a plan is edited. */
@RestController
@RequestMapping("/assignments/{id}/plan/presets")
class BriefPresetController {

    private final CourseService courses;
    private final BriefPresets presets;

    BriefPresetController(CourseService courses, BriefPresets presets) {
        this.courses = courses;
        this.presets = presets;
    }

    record Kept(String title, String brief) {}

    record Removed(long preset) {}

    /** All that are offered now, and why the last one could not be kept. */
    record Answer(List<BriefPresets.Preset> presets, String refusal) {}

    @PostMapping
    Answer keep(@PathVariable long id, @RequestBody Kept kept, @AuthenticationPrincipal SignedIn me) {
        courses.forPlanner(id, me.accountId());
        Optional<String> refusal = kept.title() == null || kept.brief() == null ? Optional.of("")
                : presets.keep(kept.title(), kept.brief(), me.accountId());
        return new Answer(presets.offered(me.accountId()), refusal.orElse(""));
    }

    @PostMapping("/remove")
    Answer remove(@PathVariable long id, @RequestBody Removed removed, @AuthenticationPrincipal SignedIn me) {
        courses.forPlanner(id, me.accountId());
        presets.remove(removed.preset(), me.accountId());
        return new Answer(presets.offered(me.accountId()), "");
    }
}
