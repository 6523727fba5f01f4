package org.opensatchel.web.course;

import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.opensatchel.core.roster.RosterChange;
import org.opensatchel.core.roster.RosterChoice;
import org.opensatchel.core.roster.RosterLine;
import org.opensatchel.core.roster.RosterReading;
import org.opensatchel.core.roster.RosterTable;
import org.opensatchel.core.roster.TeamPlan;
import org.opensatchel.web.account.SignedIn;
import org.opensatchel.web.text.Speech;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Who works with whom on an assignment. */
@Controller
@RequestMapping("/assignments/{id}/teams")
class TeamController {

    private final CourseService courses;
    private final TeamService teams;

    TeamController(CourseService courses, TeamService teams) {
        this.courses = courses;
        this.teams = teams;
    }

    @GetMapping
    String teams(@PathVariable long id, @AuthenticationPrincipal SignedIn me, Model model) {
        AssignmentView assignment = courses.forPlanner(id, me.accountId());
        List<Student> roster = courses.roster(assignment);
        model.addAttribute("assignment", assignment);
        model.addAttribute("step", "hand-out");
        model.addAttribute("students", roster);
        model.addAttribute("longest", TeamService.LONGEST);
        model.addAttribute("teams", roster.stream().filter(student -> !student.team().isEmpty())
                .collect(Collectors.groupingBy(Student::team, TreeMap::new, Collectors.toList())));
        return "course/teams";
    }

    @PostMapping
    String set(@PathVariable long id, @RequestParam Map<String, String> form, @AuthenticationPrincipal SignedIn me,
            RedirectAttributes redirect) {
        AssignmentView assignment = courses.forPlanner(id, me.accountId());
        Map<Long, String> wanted = new LinkedHashMap<>();
        courses.roster(assignment)
                .forEach(student -> wanted.put(student.enrolmentId(), form.getOrDefault("team" + student.enrolmentId(), "")));
        teams.set(assignment, wanted);
        redirect.addFlashAttribute("told", Speech.say("teams.saved"));
        return back(id);
    }

    @PostMapping("/draw")
    String draw(@PathVariable long id, @RequestParam(defaultValue = "0") int size, @AuthenticationPrincipal SignedIn me,
            RedirectAttributes redirect) {
        AssignmentView assignment = courses.forPlanner(id, me.accountId());
        if (size < 1 || size > 1000) {
            redirect.addFlashAttribute("refused", Speech.say("teams.size"));
            return back(id);
        }
        teams.draw(assignment, size);
        redirect.addFlashAttribute("told", Speech.say("teams.drawn"));
        return back(id);
    }

    @PostMapping("/column")
    String column(@PathVariable long id, @RequestParam String table, @AuthenticationPrincipal SignedIn me, RedirectAttributes redirect) {
        AssignmentView assignment = courses.forPlanner(id, me.accountId());
        RosterReading reading = RosterTable.read(table.getBytes(StandardCharsets.UTF_8), RosterChoice.NONE);
        if (!reading.isGood()) {
            redirect.addFlashAttribute("refused",
                    reading.faults().stream().limit(5).map(fault -> Speech.text(fault.said())).collect(Collectors.joining(" ")));
            return back(id);
        }
        if (reading.lines().stream().allMatch(line -> line.team().isEmpty())) {
            redirect.addFlashAttribute("refused", Speech.say("teams.no-column"));
            return back(id);
        }
        TeamPlan.Column column = teams.fromColumn(assignment, reading.lines());
        redirect.addFlashAttribute("told",
                Speech.say("teams.taken", column.teams().size())
                        + named("teams.unknown", column.unknown().stream().map(RosterLine::listed).toList())
                        + named("teams.silent", column.silent().stream().map(RosterChange.Known::listed).toList()));
        return back(id);
    }

    private static final int MOST_NAMED = 8;

    private static String named(String key, List<String> names) {
        return names.isEmpty() ? ""
                : " " + Speech.say(key, String.join("; ", names.subList(0, Math.min(names.size(), MOST_NAMED))),
                        Math.max(0, names.size() - MOST_NAMED));
    }

    private static String back(long id) {
        return "redirect:/assignments/" + id + "/teams";
    }
}
