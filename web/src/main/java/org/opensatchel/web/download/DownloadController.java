package org.opensatchel.web.download;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.opensatchel.web.account.SignedIn;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.CourseService;
import org.opensatchel.web.course.NotAccessible;
import org.opensatchel.web.course.Student;
import org.opensatchel.web.handin.HandInProject;
import org.opensatchel.web.handin.HandInService;
import org.opensatchel.web.handin.HandInView;
import org.opensatchel.web.job.Job;
import org.opensatchel.web.job.JobPages;
import org.opensatchel.web.storage.LocalFile;
import org.opensatchel.web.text.Speech;
import org.opensatchel.worker.WorkOrder;
import org.springframework.core.io.FileSystemResource;
import org.springframework.http.CacheControl;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Taking hand-ins to where they are graded: one, some or all, or what is new; and what of it is graded. */
@Controller
class DownloadController {

    private final CourseService courses;
    private final HandInService handIns;
    private final HandInProject projects;
    private final DownloadService downloads;
    private final Downloads making;
    private final JobPages jobs;

    DownloadController(CourseService courses, HandInService handIns, HandInProject projects, DownloadService downloads, Downloads making,
            JobPages jobs) {
        this.making = making;
        this.jobs = jobs;
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
    Object some(@PathVariable long id, @RequestParam(defaultValue = "chosen") String what,
            @RequestParam(name = "who", required = false) List<Long> who,
            @AuthenticationPrincipal SignedIn me, HttpServletRequest request, RedirectAttributes redirect) {
        AssignmentView assignment = courses.forInstructor(id, me.accountId());
        List<HandInService.Shown> chosen = rows(assignment, me).stream()
                .filter(row -> what.equals("all")
                        || (what.equals("new") ? !row.downloaded : who != null && who.contains(row.student.enrolmentId())))
                .map(row -> handIns.show(row.handIn.id(), me.accountId())).toList();
        if (chosen.isEmpty()) {
            redirect.addFlashAttribute("told", Speech.say(what.equals("new") ? "download.nothing-new" : "download.nothing"));
            return "redirect:/assignments/" + id + "/downloads";
        }
        String name = assignment.courseCode().replace(" ", "") + "_" + assignment.code() + "_hand-ins.zip";
        return asked(assignment, downloads.wanted(assignment, chosen, name), me, request, redirect);
    }

    /** One hand-in, its root under the name it should have. */
    @PostMapping("/hand-ins/{handIn}/project.zip")
    Object one(@PathVariable long handIn, @AuthenticationPrincipal SignedIn me, HttpServletRequest request, RedirectAttributes redirect) {
        HandInService.Shown shown = mine(handIn, me);
        AssignmentView assignment = shown.place().assignment();
        String name = assignment.code() + "_" + shown.place().student().last() + ".zip";
        return asked(assignment, downloads.wanted(assignment, List.of(shown), name), me, request, redirect);
    }

    /** What is made in a moment is downloaded at once; for the rest a page says how far it is. */
    private Object asked(AssignmentView assignment, Downloads.Wanted wanted, SignedIn me, HttpServletRequest request,
            RedirectAttributes redirect) {
        Optional<Job> job = making.ask(assignment, me.accountId(), wanted);
        if (job.isEmpty()) {
            redirect.addFlashAttribute("told", Speech.say("job.own"));
            return "redirect:" + page(assignment.id());
        }
        String at = page(assignment.id()) + "/" + job.get().id();
        return jobs.once(job, JobPages.MOMENT, request, () -> "redirect:" + at + "/file", "redirect:" + at);
    }

    private static String page(long assignment) {
        return "/assignments/" + assignment + "/downloads";
    }

    @GetMapping("/assignments/{id}/downloads/{job}")
    Object making(@PathVariable long id, @PathVariable long job, @AuthenticationPrincipal SignedIn me, Model model,
            HttpServletRequest request, HttpServletResponse response) {
        AssignmentView assignment = courses.forInstructor(id, me.accountId());
        Job asked = making.find(assignment, job).orElseThrow(NotAccessible::new);
        model.addAttribute("assignment", assignment);
        model.addAttribute("step", "review");
        return jobs.show(Optional.of(asked), new JobPages.Waiting("download", page(id)), request, response, model, () -> {
            model.addAttribute("made", making.made(asked));
            model.addAttribute("at", page(id) + "/" + job + "/file");
            // Browsers begin by themselves, and stay on this page.
            response.setHeader("Refresh", "0; url=" + page(id) + "/" + job + "/file");
            return "download/ready";
        });
    }

    @GetMapping("/assignments/{id}/downloads/{job}/file")
    Object file(@PathVariable long id, @PathVariable long job, @RequestHeader(name = HttpHeaders.RANGE, required = false) String range,
            @AuthenticationPrincipal SignedIn me, RedirectAttributes redirect) {
        AssignmentView assignment = courses.forInstructor(id, me.accountId());
        Job made = making.find(assignment, job).filter(Job::isDone).orElseThrow(NotAccessible::new);
        Optional<Path> file = making.file(made);
        if (file.isEmpty()) {
            redirect.addFlashAttribute("told", Speech.say("download.expired"));
            return "redirect:" + page(id);
        }
        if (range == null) {
            downloads.downloaded(assignment, making.wanted(made).picked(), me.accountId());
        }
        return ResponseEntity.ok().contentType(new MediaType("application", "zip")).cacheControl(CacheControl.noStore())
                .header(HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment().filename(making.made(made).name(), StandardCharsets.UTF_8).build().toString())
                .body(new FileSystemResource(file.get()));
    }

    /** What was sent, byte for byte: the instructor's and the student's own. */
    @PostMapping("/hand-ins/{handIn}/as-it-came")
    void asItCame(@PathVariable long handIn, @AuthenticationPrincipal SignedIn me, HttpServletResponse response) throws IOException {
        HandInService.Shown shown = handIns.show(handIn, me.accountId());
        if (shown.handIn().isPreCheck()) {
            throw new NotAccessible();
        }
        boolean folder = shown.handIn().form() == WorkOrder.Form.FOLDER;
        attachment(response, shown.handIn().fileName() + (folder ? ".listing.json" : ""));
        response.setContentType("application/octet-stream");
        try (LocalFile stored = projects.asItCame(shown)) {
            Files.copy(stored.path(), response.getOutputStream());
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
