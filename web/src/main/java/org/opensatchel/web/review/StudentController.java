package org.opensatchel.web.review;

import java.util.Comparator;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.web.account.SignedIn;
import org.opensatchel.web.audit.AuditService;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.CourseService;
import org.opensatchel.web.course.NotAccessible;
import org.opensatchel.web.handin.HandInService;
import org.opensatchel.web.handin.HandInView;
import org.opensatchel.web.mail.MailService;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

/** A student who has handed in nothing yet: what is known of them. */
@Controller
class StudentController {

    private final CourseService courses;
    private final HandInService handIns;
    private final BoardMaker boards;
    private final ReviewBesideReport desk;
    private final MailService mails;
    private final AuditService audit;

    StudentController(CourseService courses, HandInService handIns, BoardMaker boards, ReviewBesideReport desk, MailService mails,
            AuditService audit) {
        this.handIns = handIns;
        this.courses = courses;
        this.boards = boards;
        this.desk = desk;
        this.mails = mails;
        this.audit = audit;
    }

    @GetMapping("/assignments/{id}/students/{enrolmentId}")
    String show(@PathVariable long id, @PathVariable long enrolmentId, @RequestParam Map<String, String> asked,
            @AuthenticationPrincipal SignedIn me,
            Model model) {
        AssignmentView assignment = courses.forInstructor(id, me.accountId());
        BoardQuery query = BoardQuery.of(asked);
        CourseService.Membership place = new CourseService.Membership(assignment, courses.student(assignment, enrolmentId));
        Optional<HandInView> counts = handIns.ofStudent(place).stream().filter(one -> !one.isWithdrawn())
                .max(Comparator.comparing(HandInView::countsSince));
        if (counts.isPresent()) {
            return "redirect:" + counts.get().address() + query.carried();
        }
        BoardRow found = boards.board(assignment, me.accountId(), BoardQuery.ALL).all().stream()
                .filter(one -> one.student().enrolmentId() == enrolmentId).findFirst().orElseThrow(NotAccessible::new);
        model.addAttribute("assignment", assignment);
        model.addAttribute("step", "review");
        model.addAttribute("row", found);
        model.addAttribute("student", found.student());
        model.addAttribute("due", courses.deadlines(assignment).of(enrolmentId).at());
        model.addAttribute("mails", mails.ofStudent(id, enrolmentId));
        model.addAttribute("done", audit.ofStudent(id, enrolmentId));
        model.addAttribute("neighbours", desk.neighbours(assignment, me, query, enrolmentId));
        model.addAttribute("query", query);
        desk.toldUs(place, model);
        model.addAttribute("module", "desk");
        return "review/student";
    }
}
