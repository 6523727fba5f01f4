package org.opensatchel.web.export;

import org.opensatchel.web.judging.JudgingService;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.stream.Collectors;
import org.opensatchel.web.account.SignedIn;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.CourseService;
import org.opensatchel.web.course.NotAccessible;
import org.opensatchel.web.decision.DecisionService;
import org.opensatchel.web.decision.RemarkView;
import org.opensatchel.web.errand.Errands;
import org.opensatchel.web.handin.HandInProject;
import org.opensatchel.web.handin.HandInService;
import org.opensatchel.web.handin.HandInView;
import org.opensatchel.web.print.PdfPrinter;
import org.opensatchel.web.report.ToldFindings;
import org.opensatchel.web.review.BoardMaker;
import org.opensatchel.web.text.Speech;
import org.opensatchel.worker.Errand;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

/** What other programs take: the class as tables, a report as a page, as PDF and as SARIF. */
@Controller
class ExportController {

    private static final MediaType CSV = new MediaType("text", "csv", StandardCharsets.UTF_8);

    private final CourseService courses;
    private final HandInService handIns;
    private final BoardMaker boards;
    private final DecisionService decisions;
    private final PdfPrinter printer;
    private final HandInProject projects;
    private final Errands errands;
    private final Clock clock;
    private final JudgingService judging;

    ExportController(CourseService courses, HandInService handIns, BoardMaker boards, DecisionService decisions, PdfPrinter printer,
            HandInProject projects, Errands errands, Clock clock, JudgingService judging) {
        this.judging = judging;
        this.courses = courses;
        this.handIns = handIns;
        this.boards = boards;
        this.decisions = decisions;
        this.printer = printer;
        this.projects = projects;
        this.errands = errands;
        this.clock = clock;
    }

    @GetMapping("/assignments/{id}/exports")
    String choose(@PathVariable long id, @AuthenticationPrincipal SignedIn me, Model model) {
        model.addAttribute("assignment", courses.forInstructor(id, me.accountId()));
        model.addAttribute("step", "review");
        model.addAttribute("columns", List.of(Gradebook.Column.values()));
        return "export/exports";
    }

    private List<Gradebook.Line> lines(AssignmentView assignment, SignedIn me) {
        List<org.opensatchel.web.review.BoardRow> rows = boards.roster(assignment, me.accountId());
        Map<Long, List<RemarkView>> remarks = decisions
                .remarks(rows.stream().flatMap(row -> row.handIn().stream()).map(HandInView::id).toList());
        return rows.stream()
                .map(row -> new Gradebook.Line(row,
                        row.handIn().map(handIn -> remarks.getOrDefault(handIn.id(), List.of())).orElse(List.of())
                                .stream().map(RemarkView::text).collect(Collectors.joining(" · ")).replaceAll("\\s*[\\r\\n]+\\s*", " ")))
                .toList();
    }

    @GetMapping("/assignments/{id}/gradebook.csv")
    ResponseEntity<byte[]> gradebook(@PathVariable long id, @RequestParam(name = "column", required = false) List<String> columns,
            @AuthenticationPrincipal SignedIn me) throws IOException {
        AssignmentView assignment = courses.forInstructor(id, me.accountId());
        return download(Gradebook.csv(lines(assignment, me), Gradebook.Column.chosen(columns == null ? List.of() : columns), assignment),
                CSV,
                name(assignment) + "_gradebook.csv");
    }

    @GetMapping("/assignments/{id}/results.csv")
    ResponseEntity<byte[]> oneRoster(@PathVariable long id, @AuthenticationPrincipal SignedIn me) throws IOException {
        AssignmentView assignment = courses.forInstructor(id, me.accountId());
        return download(Gradebook.oneRoster(lines(assignment, me), assignment, clock.instant()), CSV, "results.csv");
    }

    /** A report on one page that needs nothing beside it. */
    @GetMapping("/hand-ins/{handIn}/report.html")
    ResponseEntity<byte[]> html(@PathVariable long handIn, @AuthenticationPrincipal SignedIn me) {
        HandInService.Shown shown = done(handIn, me);
        return download(printer.page("print/report", values(shown)).getBytes(StandardCharsets.UTF_8),
                new MediaType("text", "html", StandardCharsets.UTF_8),
                name(shown) + ".html");
    }

    @GetMapping("/hand-ins/{handIn}/report.pdf")
    CompletableFuture<ResponseEntity<byte[]>> pdf(@PathVariable long handIn, @AuthenticationPrincipal SignedIn me) {
        HandInService.Shown shown = done(handIn, me);
        return printer.pdf(me.accountId(), "print/report", values(shown))
                .thenApply(pdf -> download(pdf, MediaType.APPLICATION_PDF, name(shown) + ".pdf"));
    }

    @GetMapping("/hand-ins/{handIn}/report.sarif")
    CompletableFuture<ResponseEntity<byte[]>> sarif(@PathVariable long handIn, @AuthenticationPrincipal SignedIn me) {
        HandInService.Shown shown = done(handIn, me);
        String language = Speech.words().locale().toLanguageTag();
        return errands
                .ask(me.accountId(), () -> projects.lendReport(handIn).as(report -> new Errand.Sarif(report, language)), errands.page())
                .thenApply(sarif -> download(sarif, new MediaType("application", "sarif+json"), name(shown) + ".sarif"));
    }

    private HandInService.Shown done(long handIn, SignedIn me) {
        HandInService.Shown shown = handIns.show(handIn, me.accountId());
        if (!shown.handIn().isDone()) {
            throw new NotAccessible();
        }
        return shown;
    }

    private Map<String, Object> values(HandInService.Shown shown) {
        var judgement = judging.judgement(shown);
        return Map.of("assignment", shown.place().assignment(), "student", shown.place().student(), "handIn", shown.handIn(), "report",
                judgement.digest().head(), "raised", judgement.raised(), "groups",
                ToldFindings.of(judgement, Speech.words()).groups());
    }

    private static String name(AssignmentView assignment) {
        return assignment.courseCode().replace(" ", "") + "_" + assignment.code();
    }

    private static String name(HandInService.Shown shown) {
        return "report_" + shown.place().assignment().code() + "_" + shown.place().student().last() + "_" + shown.handIn().number();
    }

    private static ResponseEntity<byte[]> download(byte[] content, MediaType type, String name) {
        return ResponseEntity.ok().contentType(type).header(HttpHeaders.CONTENT_DISPOSITION,
                ContentDisposition.attachment().filename(name, StandardCharsets.UTF_8).build().toString()).body(content);
    }
}
