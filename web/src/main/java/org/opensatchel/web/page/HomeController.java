package org.opensatchel.web.page;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.stream.Collectors;
import org.opensatchel.web.account.SignedIn;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.CourseService;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;

/** The first page: one's courses and their assignments. */
@Controller
class HomeController {

    private final CourseService courses;

    HomeController(CourseService courses) {
        this.courses = courses;
    }

    @GetMapping("/")
    String home(@AuthenticationPrincipal SignedIn me, Model model) {
        List<AssignmentView> assignments = me.isInstructor() ? courses.taughtBy(me.accountId()) : courses.attendedBy(me.accountId());
        model.addAttribute("courses",
                me.isInstructor() ? courses.coursesTaughtBy(me.accountId()) : courses.coursesAttendedBy(me.accountId()));
        model.addAttribute("assignments",
                assignments.stream().collect(Collectors.groupingBy(AssignmentView::courseId, LinkedHashMap::new, Collectors.toList())));
        return "page/home";
    }

    @GetMapping("/assignments/{id}")
    String assignment(@PathVariable long id, @AuthenticationPrincipal SignedIn me) {
        if (courses.teaches(id, me.accountId())) {
            return "redirect:/assignments/" + id + "/review";
        }
        courses.forStudent(id, me.accountId());
        return "redirect:/assignments/" + id + "/kit";
    }
}
