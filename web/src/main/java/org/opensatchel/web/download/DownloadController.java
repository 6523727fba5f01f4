package org.opensatchel.web.download;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.opensatchel.web.account.SignedIn;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.CourseService;
import org.opensatchel.web.course.NotAccessible;
import org.opensatchel.web.course.Student;
import org.opensatchel.web.handin.HandInProject;
import org.opensatchel.web.handin.HandInService;
import org.opensatchel.web.handin.HandInView;
import org.opensatchel.web.text.Speech;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Taking hand-ins to where they are graded: one, some or all, or what is new; and what of it is graded. */
@Controller
class DownloadController {

    private final CourseService courses;
    private final HandInService handIns;
    private final HandInProject projects;
    private final DownloadService downloads;

    DownloadController(CourseService courses, HandInService handIns, HandInProject projects, DownloadService downloads) {
        this.courses = courses;
        this.handIns = handIns;
        this.projects = projects;
        this.downloads = downloads;
    }

    /** A student's hand-in on the checklist. */
    record Row(Student student, HandInView handIn, boolean downloaded, boolean graded) {}

    @GetMapping("/assignments/{id}/downloads")
    String list(@PathVariable long id, @AuthenticationPrincipal SignedIn me, Model model) {
        AssignmentView assignment = courses.forInstructor(id, me.accountId());
        List<Row> rows = rows(assignment, me);
        model.addAttribute("assignment", assignment);
        model.addAttribute("step", "review");
        model.addAttribute("rows", rows);
        model.addAttribute("fresh", rows.stream().filter(row -> !row.downloaded).count());
        model.addAttribute("done", rows.stream().filter(Row::graded).count());
        return "download/downloads";
    }

    private List<Row> rows(AssignmentView assignment, SignedIn me) {
        Map<Long, HandInView> counting = handIns.counting(assignment);
        Set<Long> downloaded = downloads.downloadedBy(assignment, me.accountId());
        Set<Long> graded = downloads.graded(assignment);
        List<Row> rows = new ArrayList<>();
        for (Student student : courses.roster(assignment)) {
            HandInView handIn = counting.get(student.enrolmentId());
            if (handIn != null) {
                rows.add(new Row(student, handIn, downloaded.contains(handIn.id()), graded.contains(handIn.id())));
            }
        }
        return rows;
    }

    /**
     * @param what {@code all}, {@code new} for what was not downloaded since it came, or {@code chosen}
     * @param who the students chosen
     */
    @PostMapping("/assignments/{id}/downloads")
    String some(@PathVariable long id, @RequestParam(defaultValue = "chosen") String what,
            @RequestParam(name = "who", required = false) List<Long> who,
            @AuthenticationPrincipal SignedIn me, HttpServletResponse response, RedirectAttributes redirect) throws IOException {
        AssignmentView assignment = courses.forInstructor(id, me.accountId());
        List<HandInService.Shown> chosen = rows(assignment, me).stream()
                .filter(row -> what.equals("all")
                        || (what.equals("new") ? !row.downloaded : who != null && who.contains(row.student.enrolmentId())))
                .map(row -> handIns.show(row.handIn.id(), me.accountId())).toList();
        if (chosen.isEmpty()) {
            redirect.addFlashAttribute("told", Speech.say(what.equals("new") ? "download.nothing-new" : "download.nothing"));
            return "redirect:/assignments/" + id + "/downloads";
        }
        attachment(response, assignment.courseCode().replace(" ", "") + "_" + assignment.code() + "_hand-ins.zip");
        downloads.write(assignment, chosen, me.accountId(), response.getOutputStream());
        return null;
    }

    /** One hand-in, its root under the name it should have. */
    @PostMapping("/hand-ins/{handIn}/project.zip")
    void one(@PathVariable long handIn, @AuthenticationPrincipal SignedIn me, HttpServletResponse response) throws IOException {
        HandInService.Shown shown = mine(handIn, me);
        attachment(response, shown.place().assignment().code() + "_" + shown.place().student().last() + ".zip");
        downloads.write(shown.place().assignment(), List.of(shown), me.accountId(), response.getOutputStream());
    }

    /** What was sent, byte for byte: the instructor's and the student's own. */
    @PostMapping("/hand-ins/{handIn}/as-it-came")
    void asItCame(@PathVariable long handIn, @AuthenticationPrincipal SignedIn me, HttpServletResponse response) throws IOException {
        HandInService.Shown shown = handIns.show(handIn, me.accountId());
        if (shown.handIn().isPreCheck()) {
            throw new NotAccessible();
        }
        boolean folder = shown.handIn().form().equals("FOLDER");
        attachment(response, shown.handIn().fileName() + (folder ? ".listing.json" : ""));
        response.setContentType("application/octet-stream");
        try (HandInProject.Opened opened = projects.open(shown)) {
            java.nio.file.Files.copy(opened.stored().path(), response.getOutputStream());
        }
        if (shown.byInstructor()) {
            downloads.downloaded(shown, me.accountId());
        }
    }

    @PostMapping("/hand-ins/{handIn}/graded")
    String graded(@PathVariable long handIn, @RequestParam(defaultValue = "false") boolean graded, @AuthenticationPrincipal SignedIn me) {
        HandInService.Shown shown = mine(handIn, me);
        downloads.grade(shown, graded, me.accountId());
        return "redirect:/assignments/" + shown.place().assignment().id() + "/downloads";
    }

    private HandInService.Shown mine(long handIn, SignedIn me) {
        HandInService.Shown shown = handIns.show(handIn, me.accountId());
        if (!shown.byInstructor() || shown.handIn().isPreCheck()) {
            throw new NotAccessible();
        }
        return shown;
    }

    private static void attachment(HttpServletResponse response, String fileName) {
        response.setContentType("application/zip");
        response.setHeader(HttpHeaders.CONTENT_DISPOSITION,
                ContentDisposition.attachment().filename(fileName, StandardCharsets.UTF_8).build().toString());
    }
}
