package org.opensatchel.web.drive;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.web.account.SignedIn;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.CourseService;
import org.opensatchel.web.course.NotAccessible;
import org.opensatchel.web.course.Student;
import org.opensatchel.web.handout.HandoutService;
import org.opensatchel.web.kit.KitService;
import org.opensatchel.web.kit.PublishedKit;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The drive bay: kits onto the drives that are plugged in. */
@Controller
class DriveController {

    /** What a drive should have left beside the starter files before it is offered, in bytes. */
    private static final long ROOM_FOR_FOLDERS = 4 << 20;

    private final CourseService courses;
    private final KitService kits;
    private final HandoutService handouts;
    private final Bay bay;
    private final Loads loads;

    DriveController(CourseService courses, KitService kits, HandoutService handouts, Bay bay, Loads loads) {
        this.courses = courses;
        this.kits = kits;
        this.handouts = handouts;
        this.bay = bay;
        this.loads = loads;
    }

    /** A drive with the student it is offered for, and how far its load has come. */
    record Row(Bay.Slot slot, long offered, Loads.State state) {}

    @GetMapping("/assignments/{id}/drives")
    String drives(@PathVariable long id, @AuthenticationPrincipal SignedIn me, Model model) {
        AssignmentView assignment = courses.forInstructor(id, me.accountId());
        PublishedKit kit = kits.current(assignment).orElseThrow(NotAccessible::new);
        List<Student> students = courses.roster(assignment).stream()
                .filter(student -> handouts.rootName(kit, assignment, student).isPresent()).toList();
        Set<Long> given = new HashSet<>(handouts.held(assignment).keySet());
        Iterator<Student> next = students.stream().filter(student -> !given.contains(student.enrolmentId())).iterator();
        Map<String, Loads.State> states = loads.states();
        long needed = kit.kit().starter().stream().mapToLong(Kit.StarterFile::bytes).sum() + ROOM_FOR_FOLDERS;
        List<Row> rows = new ArrayList<>();
        for (Bay.Slot slot : bay.slots(assignment.courseCode())) {
            Loads.State state = states.get(slot.label());
            boolean roomy = slot.free() > needed;
            rows.add(new Row(slot, roomy && next.hasNext() ? next.next().enrolmentId() : 0, state));
        }
        model.addAttribute("assignment", assignment);
        model.addAttribute("step", "hand-out");
        model.addAttribute("students", students);
        model.addAttribute("rows", rows);
        model.addAttribute("busy", states.values().stream().anyMatch(Loads.State::isBusy));
        return "drive/drives";
    }

    /** Begins all loads that were asked for: for each drive one student, or none. */
    @PostMapping("/assignments/{id}/drives")
    String load(@PathVariable long id, @RequestParam List<String> drive, @RequestParam List<Long> student,
            @AuthenticationPrincipal SignedIn me) {
        AssignmentView assignment = courses.forInstructor(id, me.accountId());
        PublishedKit kit = kits.current(assignment).orElseThrow(NotAccessible::new);
        for (int i = 0; i < Math.min(drive.size(), student.size()); i++) {
            if (student.get(i) != null && student.get(i) != 0) {
                loads.begin(drive.get(i), kit, assignment, courses.student(assignment, student.get(i)));
            }
        }
        return "redirect:/assignments/" + id + "/drives";
    }
}
