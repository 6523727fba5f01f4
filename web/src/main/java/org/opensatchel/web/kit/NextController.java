package org.opensatchel.web.kit;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.core.example.NextAssignment;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.KitReader;
import org.opensatchel.core.kit.KitWriter;
import org.opensatchel.web.account.SignedIn;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.CourseService;
import org.opensatchel.web.text.Speech;
import org.opensatchel.web.text.Times;
import org.opensatchel.web.text.TypedTime;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The next assignment from this one. */
@Controller
class NextController {

    private static final int USUAL_DAYS = 14;

    private final CourseService courses;
    private final KitEditor editor;
    private final Times times;
    private final Clock clock;

    NextController(CourseService courses, KitEditor editor, Times times, Clock clock) {
        this.courses = courses;
        this.editor = editor;
        this.times = times;
        this.clock = clock;
    }

    @GetMapping("/assignments/{id}/plan/next")
    String next(@PathVariable long id, @AuthenticationPrincipal SignedIn me, Model model) {
        AssignmentView assignment = courses.forPlanner(id, me.accountId());
        model.addAttribute("assignment", assignment);
        model.addAttribute("step", "plan");
        model.addAttribute("code", NextAssignment.codeAfter(assignment.code()));
        model.addAttribute("due", assignment.deadline().daysLater(USUAL_DAYS));
        return "kit/next";
    }

    /** @param past whether somebody knows that the time is over already */
    @PostMapping("/assignments/{id}/plan/next")
    String make(@PathVariable long id, @RequestParam String code, @RequestParam String title, @RequestParam String due,
            @RequestParam(defaultValue = "false") boolean starter, @RequestParam(defaultValue = "false") boolean past,
            @AuthenticationPrincipal SignedIn me, RedirectAttributes redirect) {
        AssignmentView assignment = courses.forPlanner(id, me.accountId());
        Optional<Kit> kit = KitReader.read(editor.plan(assignment).document()).kit();
        Optional<String> refusal = refusal(assignment, kit, code.strip(), title);
        TypedTime typed = TypedTime.read(due, assignment.deadline().zone());
        refusal = refusal.or(typed::refusal);
        Instant when = typed.at().orElse(Instant.EPOCH);
        if (refusal.isEmpty() && !past && when.isBefore(clock.instant())) {
            redirect.addFlashAttribute("past", Speech.say("settings.past", times.away(when)));
            redirect.addFlashAttribute("typed", Map.of("code", code, "title", title, "due", due));
            return "redirect:/assignments/" + id + "/plan/next";
        }
        if (refusal.isPresent()) {
            redirect.addFlashAttribute("refused", refusal.get());
            redirect.addFlashAttribute("typed", Map.of("code", code, "title", title, "due", due));
            return "redirect:/assignments/" + id + "/plan/next";
        }
        long days = Math.round(Duration.between(assignment.dueAt(), when).toHours() / 24.0);
        AssignmentView made = courses.forPlanner(courses.createAssignment(assignment.courseId(), code.strip(), title.strip(), when),
                me.accountId());
        editor.save(made,
                KitWriter.write(NextAssignment.of(kit.orElseThrow(), assignment.code(), made.code(), made.title(), days, starter)), 0,
                me.accountId());
        return "redirect:/assignments/" + made.id() + "/plan";
    }

    private Optional<String> refusal(AssignmentView assignment, Optional<Kit> kit, String code, String title) {
        if (kit.isEmpty()) {
            return Optional.of(Speech.say("next.faulty"));
        }
        if (!code.matches("[\\p{L}\\p{N}][\\p{L}\\p{N} ._-]{0,19}") || title.isBlank() || title.length() > 120) {
            return Optional.of(Speech.say("next.no-code"));
        }
        return courses.isAssignment(assignment.courseId(), code) ? Optional.of(Speech.say("assignment.there", code)) : Optional.empty();
    }
}
