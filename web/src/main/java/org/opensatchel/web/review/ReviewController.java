package org.opensatchel.web.review;

import org.opensatchel.web.checks.CheckService;
import org.opensatchel.web.judging.JudgingService;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import org.opensatchel.web.account.SignedIn;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.Chosen;
import org.opensatchel.web.course.CourseService;
import org.opensatchel.web.handin.HandInService;
import org.opensatchel.web.report.ToldFindings;
import org.opensatchel.web.text.Speech;
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
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The class at a glance. */
@Controller
class ReviewController {

    private final CourseService courses;
    private final HandInService handIns;
    private final BoardMaker boards;
    private final BoardOrders orders;
    private final JudgingService judging;
    private final CheckService checks;

    ReviewController(CourseService courses, HandInService handIns, BoardMaker boards, BoardOrders orders, JudgingService judging,
            CheckService checks) {
        this.checks = checks;
        this.judging = judging;
        this.orders = orders;
        this.courses = courses;
        this.handIns = handIns;
        this.boards = boards;
    }

    /** Whether something of the board changed, and whether something is about to. */
    record State(String state, boolean busy) {}

    /**
     * In one transaction, as a report is.
     *
     * @param part {@code board} when our script wants the table alone, after something changed
     */
    @Transactional
    @GetMapping("/assignments/{id}/review")
    public String review(@PathVariable long id, @RequestParam Map<String, String> asked,
            @RequestHeader(name = "X-Part", defaultValue = "") String part,
            @AuthenticationPrincipal SignedIn me, Model model) {
        AssignmentView assignment = courses.forInstructor(id, me.accountId());
        BoardQuery query = BoardQuery.of(asked);
        Board board = boards.board(assignment, me.accountId(), query);
        orders.saw(assignment, me.accountId(), board);
        model.addAttribute("assignment", assignment);
        model.addAttribute("step", "review");
        model.addAttribute("board", board);
        model.addAttribute("query", query);
        model.addAttribute("titles", Speech.words());
        model.addAttribute("module", "board");
        model.addAttribute("scriptWords", "board");
        return part.equals("board") ? "review/class :: board" : "review/class";
    }

    @GetMapping("/assignments/{id}/review/state")
    @ResponseBody
    State state(@PathVariable long id, @AuthenticationPrincipal SignedIn me) {
        Board board = boards.board(courses.forInstructor(id, me.accountId()), me.accountId(), BoardQuery.ALL);
        return new State(board.state(), board.isBusy());
    }

    /** The findings behind one mark of the board. */
    @GetMapping("/assignments/{id}/review/findings")
    String findings(@PathVariable long id, @RequestParam("hand-in") long handIn, @RequestParam String family,
            @AuthenticationPrincipal SignedIn me, Model model) {
        HandInService.Shown shown = shown(id, handIn, me);
        model.addAttribute("handIn", shown.handIn());
        model.addAttribute("student", shown.place().student());
        model.addAttribute("family", family);
        model.addAttribute("groups", ToldFindings.of(judging.judgement(shown), Speech.words()).ofFamily(family));
        return "review/findings :: panel";
    }

    private HandInService.Shown shown(long assignment, long handIn, SignedIn me) {
        HandInService.Shown shown = handIns.show(handIn, me.accountId());
        if (!shown.byInstructor() || shown.place().assignment().id() != assignment || !shown.handIn().isDone()) {
            throw new org.opensatchel.web.course.NotAccessible();
        }
        return shown;
    }

    /** Has the checks of several students' hand-ins made again. */
    @PostMapping("/assignments/{id}/review/check-again")
    String again(@PathVariable long id, @RequestParam(name = "who", required = false) List<Long> who,
            @RequestParam(defaultValue = "false") boolean newest, @RequestParam(defaultValue = "") String back,
            @AuthenticationPrincipal SignedIn me, RedirectAttributes redirect) {
        AssignmentView assignment = courses.forInstructor(id, me.accountId());
        List<Long> chosen = Chosen.of(who);
        int begun = checks.checkAgain(assignment, chosen, newest);
        redirect.addFlashAttribute("told",
                chosen.isEmpty() ? Speech.say("review.nobody-chosen") : Speech.say("review.checking-again", begun));
        return "redirect:/assignments/" + id + "/review" + carried(back);
    }

    /** Back to the board as it was; only a query of our own, never another address. */
    static String carried(String back) {
        return back.startsWith("?") && back.length() < 2_000 && back.matches("[\\x21-\\x7e]+") ? back : "";
    }

    @GetMapping("/assignments/{id}/review.csv")
    ResponseEntity<byte[]> csv(@PathVariable long id, @RequestParam Map<String, String> asked, @AuthenticationPrincipal SignedIn me)
            throws IOException {
        AssignmentView assignment = courses.forInstructor(id, me.accountId());
        String name = assignment.courseCode().replace(" ", "") + "_" + assignment.code() + "_review.csv";
        return ResponseEntity.ok().contentType(new MediaType("text", "csv", StandardCharsets.UTF_8))
                .header(HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment().filename(name, StandardCharsets.UTF_8).build().toString())
                .body(BoardCsv.of(assignment, boards.board(assignment, me.accountId(), BoardQuery.of(asked))));
    }
}
