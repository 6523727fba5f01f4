package org.opensatchel.web.course;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.web.account.SignedIn;
import org.opensatchel.web.text.Speech;
import org.opensatchel.web.text.Times;
import org.opensatchel.web.text.TypedTime;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** When an assignment is due, what happens after, who has more time, and what may be handed in. */
@Controller
@RequestMapping("/assignments/{id}/settings")
class SettingsController {

    /** A week. */
    private static final int MOST_GRACE = 10_080;

    private final CourseService courses;
    private final Times times;
    private final Clock clock;

    SettingsController(CourseService courses, Times times, Clock clock) {
        this.courses = courses;
        this.times = times;
        this.clock = clock;
    }

    /** Somebody who has more time. */
    record More(Student student, Instant due) {}

    @GetMapping
    String show(@PathVariable long id, @AuthenticationPrincipal SignedIn me, Model model) {
        AssignmentView assignment = courses.forPlanner(id, me.accountId());
        Map<Long, Instant> extended = courses.extensions(assignment);
        List<Student> students = courses.roster(assignment);
        model.addAttribute("assignment", assignment);
        model.addAttribute("step", "settings");
        model.addAttribute("due", local(assignment, assignment.dueAt()));
        model.addAttribute("afters", AfterDue.values());
        model.addAttribute("students", students);
        model.addAttribute("more", students.stream().filter(student -> extended.containsKey(student.enrolmentId()))
                .map(student -> new More(student, extended.get(student.enrolmentId()))).toList());
        return "course/settings";
    }

    /** A time as it is in the course, to the minute. */
    private static LocalDateTime local(AssignmentView assignment, Instant time) {
        return LocalDateTime.ofInstant(time, assignment.deadline().zone()).truncatedTo(ChronoUnit.MINUTES);
    }

    /** @param past whether somebody knows that the time is over already */
    @PostMapping
    String save(@PathVariable long id, @RequestParam String title, @RequestParam String due, @RequestParam(defaultValue = "0") String grace,
            @RequestParam(defaultValue = "LATE") AfterDue after, @RequestParam(defaultValue = "false") boolean listing,
            @RequestParam(defaultValue = "false") boolean past, @AuthenticationPrincipal SignedIn me, RedirectAttributes redirect) {
        AssignmentView assignment = courses.forPlanner(id, me.accountId());
        // As it stands in the form, so that saving another thing asks nothing.
        boolean same = due.equals(local(assignment, assignment.dueAt()).toString());
        TypedTime typed = same ? new TypedTime(Optional.of(assignment.dueAt().truncatedTo(ChronoUnit.MINUTES)), Optional.empty())
                : TypedTime.read(due, assignment.deadline().zone());
        Optional<Instant> at = typed.at();
        boolean good = grace.matches("\\d{1,5}") && Integer.parseInt(grace) <= MOST_GRACE && !title.isBlank()
                && title.length() <= 120;
        if (!good || at.isEmpty()) {
            redirect.addFlashAttribute("refused", good ? typed.refusal().orElseThrow() : Speech.say("settings.refused"));
        } else if (at.get().isBefore(clock.instant()) && !past && !same) {
            redirect.addFlashAttribute("typed", due);
            redirect.addFlashAttribute("past", Speech.say("settings.past", times.away(at.get())));
        } else {
            courses.set(assignment, title.strip(), at.get(), Integer.parseInt(grace), after, listing);
            redirect.addFlashAttribute("saved", true);
        }
        return "redirect:/assignments/" + id + "/settings";
    }

    @PostMapping("/extensions")
    String extend(@PathVariable long id, @RequestParam long enrolment, @RequestParam(defaultValue = "") String due,
            @AuthenticationPrincipal SignedIn me, RedirectAttributes redirect) {
        AssignmentView assignment = courses.forPlanner(id, me.accountId());
        Student student = courses.student(assignment, enrolment);
        if (due.isEmpty()) {
            courses.endExtension(assignment, student);
        } else {
            TypedTime typed = TypedTime.read(due, assignment.deadline().zone());
            typed.at().ifPresent(at -> courses.extend(assignment, student, at));
            typed.refusal().ifPresent(why -> redirect.addFlashAttribute("refused", why));
        }
        return "redirect:/assignments/" + id + "/settings#more-time";
    }
}
