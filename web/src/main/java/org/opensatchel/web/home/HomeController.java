package org.opensatchel.web.home;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.opensatchel.base.text.Shortened;
import org.opensatchel.core.words.Words;
import org.opensatchel.web.account.SignedIn;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.CourseService;
import org.opensatchel.web.course.NotAccessible;
import org.opensatchel.web.kit.KitService;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

/** The first page: the courses one teaches, or the work one has to do. */
@Controller
class HomeController {

    private static final int LONGEST_SOUGHT = 200;

    private final CourseService courses;
    private final KitService kits;
    private final MyWork work;
    private final TeachingWork teaching;

    HomeController(CourseService courses, KitService kits, MyWork work, TeachingWork teaching) {
        this.teaching = teaching;
        this.courses = courses;
        this.kits = kits;
        this.work = work;
    }

    @GetMapping("/")
    String home(@AuthenticationPrincipal SignedIn me, Model model) {
        if (!me.isInstructor()) {
            List<MyWork.Line> lines = work.of(me.accountId());
            Set<Long> busy = lines.stream().map(line -> line.assignment().courseId()).collect(Collectors.toSet());
            model.addAttribute("work", lines);
            model.addAttribute("idle",
                    courses.coursesAttendedBy(me.accountId()).stream().filter(course -> !busy.contains(course.id())).toList());
            return "home/my-work";
        }
        Map<Long, TeachingWork.Waits> waits = teaching.of(me.accountId());
        model.addAttribute("waits", waits);
        model.addAttribute("drawn", waits.values().stream().anyMatch(one -> one.handed() > 0));
        model.addAttribute("nothing", TeachingWork.Waits.NOTHING);
        model.addAttribute("languages", Words.languages());
        model.addAttribute("courses", courses.coursesTaughtBy(me.accountId()));
        List<AssignmentView> taught = courses.taughtBy(me.accountId());
        Map<Long, SmallBag> bags = new HashMap<>();
        Map<Long, Map<String, Integer>> filled = teaching.filled(me.accountId());
        taught.forEach(one -> kits.current(one).ifPresent(kit -> bags.put(one.id(), SmallBag.of(kit.kit(),
                filled.getOrDefault(one.id(), Map.of()), waits.getOrDefault(one.id(), TeachingWork.Waits.NOTHING).checked()))));
        model.addAttribute("bags", bags);
        model.addAttribute("assignments",
                taught.stream()
                        .collect(Collectors.groupingBy(AssignmentView::courseId, LinkedHashMap::new, Collectors.toList())));
        return "home/home";
    }

    /** Looks for a student in all courses somebody teaches. */
    @GetMapping("/students")
    String search(@RequestParam(defaultValue = "") String q, @AuthenticationPrincipal SignedIn me, Model model) {
        if (!me.isInstructor()) {
            throw new NotAccessible();
        }
        String sought = Shortened.cut(q, LONGEST_SOUGHT);
        model.addAttribute("q", sought);
        model.addAttribute("found", teaching.search(me.accountId(), sought));
        return "home/students";
    }

    @GetMapping("/assignments/{id}")
    String assignment(@PathVariable long id, @AuthenticationPrincipal SignedIn me) {
        if (courses.taught(id, me.accountId()).isPresent()) {
            return "redirect:/assignments/" + id + "/review";
        }
        courses.forStudent(id, me.accountId());
        return "redirect:" + work.nextAddress(id, me.accountId());
    }
}
