package org.opensatchel.web.page;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.opensatchel.web.account.SignedIn;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.CourseService;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;

/** The first page: the courses one teaches, or the work one has to do. */
@Controller
class HomeController {

    private final CourseService courses;
    private final MyWork work;

    HomeController(CourseService courses, MyWork work) {
        this.courses = courses;
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
            return "page/my-work";
        }
        model.addAttribute("courses", courses.coursesTaughtBy(me.accountId()));
        model.addAttribute("assignments",
                courses.taughtBy(me.accountId()).stream()
                        .collect(Collectors.groupingBy(AssignmentView::courseId, LinkedHashMap::new, Collectors.toList())));
        return "page/home";
    }

    @GetMapping("/assignments/{id}")
    String assignment(@PathVariable long id, @AuthenticationPrincipal SignedIn me) {
        if (courses.teaches(id, me.accountId())) {
            return "redirect:/assignments/" + id + "/review";
        }
        courses.forStudent(id, me.accountId());
        return "redirect:" + work.nextAddress(id, me.accountId());
    }
}
