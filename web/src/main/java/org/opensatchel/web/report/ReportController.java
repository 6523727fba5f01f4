package org.opensatchel.web.report;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.core.report.Report.FindingLine;
import org.opensatchel.core.report.ReportDigest;
import org.opensatchel.core.words.Sentence;
import org.opensatchel.web.account.SignedIn;
import org.opensatchel.web.checks.CheckService;
import org.opensatchel.web.checks.FailureWords;
import org.opensatchel.web.course.CourseService;
import org.opensatchel.web.course.NotAccessible;
import org.opensatchel.web.handin.HandInService;
import org.opensatchel.web.handin.HandInState;
import org.opensatchel.web.handin.HandInView;
import org.opensatchel.web.job.Job;
import org.opensatchel.web.job.JobPages;
import org.opensatchel.web.text.Speech;
import org.springframework.core.io.InputStreamResource;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;

/** Watching a check, and reading its report: that of a hand-in, and that of a check before it. */
@Controller
class ReportController {

    private final CourseService courses;
    private final HandInService handIns;
    private final FailureWords failures;
    private final Comparing comparing;
    private final ReportPage page;
    private final PastReports past;
    private final JobPages jobs;
    private final CheckService checks;

    ReportController(CourseService courses, HandInService handIns, Comparing comparing, FailureWords failures, ReportPage page,
            PastReports past, JobPages jobs, CheckService checks) {
        this.checks = checks;
        this.jobs = jobs;
        this.past = past;
        this.page = page;
        this.courses = courses;
        this.handIns = handIns;
        this.comparing = comparing;
        this.failures = failures;
    }

    /** How far a check has come. */
    record Progress(HandInState state, long files, long bytes, Integer before) {}

    /** In one transaction, since each of its own would go to the database and back before and after every question. */
    @Transactional
    @GetMapping({"/hand-ins/{handInId}", "/pre-checks/{handInId}"})
    public String report(@PathVariable long handInId, @RequestParam(name = "page", defaultValue = "1") int number,
            @RequestParam Map<String, String> asked,
            @AuthenticationPrincipal SignedIn me,
            Model model, HttpServletResponse response) {
        HandInService.Shown who = handIns.show(handInId, me.accountId());
        boolean asStudent = who.byInstructor() && asked.getOrDefault("as", "").equals("student");
        HandInService.Shown shown = asStudent ? who.asStudent() : who;
        model.addAttribute("seenAs", asStudent ? shown.place().student().name() : null);
        model.addAttribute("assignment", shown.place().assignment());
        model.addAttribute("student", shown.place().student());
        model.addAttribute("step", who.byInstructor() ? "review" : shown.handIn().isPreCheck() ? "check" : "hand-in");
        model.addAttribute("handIn", shown.handIn());
        model.addAttribute("byInstructor", shown.byInstructor());
        model.addAttribute("late", page.late(shown).orElse(null));
        if (!shown.handIn().isDone()) {
            page.lay(shown, null, asked, model);
            return waiting(shown, model, response);
        }
        if (!shown.byInstructor()) {
            model.addAttribute("module", "look/done");
        }
        page.fill(shown, number, asked, model);
        return "report/report";
    }

    private String waiting(HandInService.Shown shown, Model model, HttpServletResponse response) {
        HandInView handIn = shown.handIn();
        if (handIn.failure() != null) {
            model.addAttribute("trouble", failures.sentence(handIn.failure()));
            model.addAttribute("ofSize", failures.isOfSize(handIn.failure()));
        }
        model.addAttribute("before", checks.placeInQueue(handIn).orElse(null));
        if (!handIn.isFailed()) {
            // Browsers without script look again by themselves.
            response.setHeader("Refresh", "5");
        }
        return "report/waiting";
    }

    /** What became of a project from one time it was sent to another; both are the same student's. */
    @GetMapping({"/hand-ins/{handInId}/since/{beforeId}", "/pre-checks/{handInId}/since/{beforeId}"})
    Object since(@PathVariable long handInId, @PathVariable long beforeId, @AuthenticationPrincipal SignedIn me, Model model,
            HttpServletRequest request, HttpServletResponse response) {
        HandInService.Shown now = handIns.show(handInId, me.accountId());
        HandInService.Shown before = handIns.show(beforeId, me.accountId());
        boolean same = now.handIn().enrolmentId() == before.handIn().enrolmentId()
                && now.handIn().assignmentId() == before.handIn().assignmentId() && handInId != beforeId;
        if (!same || !now.handIn().isDone() || !before.handIn().isDone()) {
            throw new NotAccessible();
        }
        model.addAttribute("assignment", now.place().assignment());
        model.addAttribute("step", now.byInstructor() ? "review" : now.handIn().isPreCheck() ? "check" : "hand-in");
        Optional<Job> asked = comparing.ask(before, now, me.accountId());
        return jobs.show(asked, new JobPages.Waiting("compare", now.handIn().address()), request, response, model, () -> {
            Comparing.Comparison comparison = comparing.answer(asked.orElseThrow(), before, now);
            model.addAttribute("student", now.place().student());
            model.addAttribute("byInstructor", now.byInstructor());
            model.addAttribute("now", now.handIn());
            model.addAttribute("before", before.handIn());
            model.addAttribute("compared", comparison.compared());
            model.addAttribute("since", comparison.since());
            model.addAttribute("fixed", told(comparison.since().fixed()));
            model.addAttribute("fresh", told(comparison.since().fresh()));
            return "report/since";
        });
    }

    private static List<Sentence> told(List<FindingLine> findings) {
        return findings.stream().limit(Comparing.MOST).map(finding -> Speech.words().message(finding)).toList();
    }

    /** A report as it was before the hand-in was checked again; for who teaches. */
    @GetMapping("/hand-ins/{handInId}/reports/{pastId}")
    String past(@PathVariable long handInId, @PathVariable long pastId, @AuthenticationPrincipal SignedIn me, Model model) {
        HandInService.Shown shown = handIns.show(handInId, me.accountId());
        PastReports.Past one = past.of(handInId).stream().filter(report -> shown.byInstructor() && report.id() == pastId).findFirst()
                .orElseThrow(NotAccessible::new);
        ReportDigest digest = past.digest(handInId, pastId);
        model.addAttribute("assignment", shown.place().assignment());
        model.addAttribute("student", shown.place().student());
        model.addAttribute("step", "review");
        model.addAttribute("handIn", shown.handIn());
        model.addAttribute("past", one);
        model.addAttribute("report", digest.head());
        model.addAttribute("groups", ToldFindings.of(digest, Speech.words()));
        return "report/past";
    }

    /** Has a check made again that could not be made, or that an instructor wants once more. */
    @PostMapping({"/hand-ins/{handInId}/check-again", "/pre-checks/{handInId}/check-again"})
    String again(@PathVariable long handInId, @RequestParam(defaultValue = "false") boolean newest, @AuthenticationPrincipal SignedIn me) {
        HandInService.Shown shown = handIns.show(handInId, me.accountId());
        if (!shown.byInstructor() && !shown.isOf(me.accountId())) {
            throw new NotAccessible();
        }
        checks.again(shown, newest);
        return "redirect:" + shown.handIn().address();
    }

    @GetMapping({"/hand-ins/{handInId}/progress", "/pre-checks/{handInId}/progress"})
    @ResponseBody
    Progress progress(@PathVariable long handInId, @AuthenticationPrincipal SignedIn me) {
        HandInView handIn = handIns.show(handInId, me.accountId()).handIn();
        return new Progress(handIn.state(), handIn.filesDone(), handIn.bytesDone(), checks.placeInQueue(handIn).orElse(null));
    }

    @GetMapping({"/hand-ins/{handInId}/report.json", "/pre-checks/{handInId}/report.json"})
    ResponseEntity<InputStreamResource> json(@PathVariable long handInId, @AuthenticationPrincipal SignedIn me) {
        HandInService.Shown shown = handIns.show(handInId, me.accountId());
        String name = "report_" + shown.place().assignment().code() + "_" + shown.place().student().number() + "_" + shown.handIn().number()
                + ".json";
        return ResponseEntity.ok().contentType(MediaType.APPLICATION_JSON)
                .header(HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment().filename(name, StandardCharsets.UTF_8).build().toString())
                .body(new InputStreamResource(handIns.reportJson(shown)));
    }
}
