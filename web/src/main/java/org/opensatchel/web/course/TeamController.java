package org.opensatchel.web.course;

import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.opensatchel.core.roster.RosterChange;
import org.opensatchel.core.roster.RosterCsv;
import org.opensatchel.core.roster.RosterLine;
import org.opensatchel.core.roster.RosterReading;
import org.opensatchel.core.roster.TeamPlan;
import org.opensatchel.web.account.SignedIn;
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
        model.addAttribute("teams", roster.stream().filter(student -> !student.team().isEmpty()).collect(Collectors.groupingBy(Student::team, TreeMap::new, Collectors.toList())));
        return "course/teams";
    }

    @PostMapping
    String set(@PathVariable long id, @RequestParam Map<String, String> form, @AuthenticationPrincipal SignedIn me, RedirectAttributes redirect) {
        AssignmentView assignment = courses.forPlanner(id, me.accountId());
        Map<Long, String> wanted = new LinkedHashMap<>();
        courses.roster(assignment).forEach(student -> wanted.put(student.enrolmentId(), form.getOrDefault("team" + student.enrolmentId(), "")));
        teams.set(assignment, wanted);
        redirect.addFlashAttribute("told", "The teams are saved. Kits that were handed out keep the name they have.");
        return back(id);
    }

    @PostMapping("/draw")
    String draw(@PathVariable long id, @RequestParam(defaultValue = "0") int size, @AuthenticationPrincipal SignedIn me, RedirectAttributes redirect) {
        AssignmentView assignment = courses.forPlanner(id, me.accountId());
        if (size < 1 || size > 1000) {
            redirect.addFlashAttribute("refused", "Say how many a team may have at most: 2 or more.");
            return back(id);
        }
        teams.draw(assignment, size);
        redirect.addFlashAttribute("told", "The teams are drawn. Draw again for others, or change them by hand.");
        return back(id);
    }

    @PostMapping("/column")
    String column(@PathVariable long id, @RequestParam String table, @AuthenticationPrincipal SignedIn me, RedirectAttributes redirect) {
        AssignmentView assignment = courses.forPlanner(id, me.accountId());
        RosterReading reading = RosterCsv.read(table.getBytes(StandardCharsets.UTF_8));
        if (!reading.isGood()) {
            redirect.addFlashAttribute("refused", reading.faults().stream().limit(5).map(fault -> (fault.row() > 0 ? "Row " + fault.row() + ": " : "") + fault.message()).collect(Collectors.joining(" ")));
            return back(id);
        }
        if (reading.lines().stream().allMatch(line -> line.team().isEmpty())) {
            redirect.addFlashAttribute("refused", "No column was recognised as the teams: name it “Team”. Nothing is changed.");
            return back(id);
        }
        TeamPlan.Column column = teams.fromColumn(assignment, reading.lines());
        redirect.addFlashAttribute("told", column.teams().size() + " students are in the teams the table names." + named(" Not on the roster: ", column.unknown().stream().map(RosterLine::listed).toList())
                + named(" The table names no team for: ", column.silent().stream().map(RosterChange.Known::listed).toList()));
        return back(id);
    }

    private static String named(String says, List<String> names) {
        return names.isEmpty() ? "" : says + String.join("; ", names.subList(0, Math.min(names.size(), 8))) + (names.size() > 8 ? " and " + (names.size() - 8) + " more" : "") + ".";
    }

    private static String back(long id) {
        return "redirect:/assignments/" + id + "/teams";
    }
}
