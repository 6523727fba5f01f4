package org.opensatchel.web.feedback;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import org.opensatchel.web.account.AccountService;
import org.opensatchel.web.account.SignedIn;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.Chosen;
import org.opensatchel.web.course.CourseService;
import org.opensatchel.web.course.NotAccessible;
import org.opensatchel.web.course.Student;
import org.opensatchel.web.handin.HandInService;
import org.opensatchel.web.handin.HandInView;
import org.opensatchel.web.mail.MailService;
import org.opensatchel.web.mail.MailView;
import org.opensatchel.web.print.PdfPrinter;
import org.opensatchel.web.text.Pages;
import org.opensatchel.web.text.Speech;
import org.springframework.data.domain.Page;
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
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Sending hand-ins back: one slip in depth, all of a class, reminders, and what became of the mails. */
@Controller
class FeedbackLetterController {

    private static final int MAIL_ROWS = 50;
    private static final List<String> WAYS = List.of("torn", "fix", "tidy", "ready", "all", "none");

    private final FeedbackLetterService slips;
    private final HandInService handIns;
    private final CourseService courses;
    private final AccountService accounts;
    private final MailService mails;
    private final PdfPrinter printer;

    FeedbackLetterController(FeedbackLetterService slips, HandInService handIns, CourseService courses, AccountService accounts,
            MailService mails,
            PdfPrinter printer) {
        this.slips = slips;
        this.handIns = handIns;
        this.courses = courses;
        this.accounts = accounts;
        this.mails = mails;
        this.printer = printer;
    }

    /** A student on the page of what goes back. */
    record Row(Student student, Optional<HandInView> handIn, Optional<Instant> sent, Optional<Instant> reminded, boolean hasAddress) {

        /** Whether something is to be sent: it is checked, and nothing went back about it. */
        public boolean isOpen() {
            return handIn.filter(HandInView::isDone).isPresent() && sent.isEmpty();
        }

        /** Whether there is something to fix or tidy in it. */
        public boolean isTorn() {
            return isOpen() && !"ready".equals(handIn.get().told());
        }

        /** Whether they are chosen by one of the ways to choose; those about whom something was sent already are not. */
        boolean isChosen(String way) {
            return switch (way) {
                case "all" -> isOpen();
                case "ready", "fix" -> isOpen() && handIn.get().told().equals(way);
                case "tidy" -> isOpen() && List.of("tidy", "doubts").contains(handIn.get().told());
                case "none" -> false;
                default -> isTorn();
            };
        }
    }

    private HandInService.Shown mine(long handIn, SignedIn me) {
        HandInService.Shown shown = handIns.show(handIn, me.accountId());
        if (!shown.byInstructor() || shown.handIn().isPreCheck() || !shown.handIn().isDone()) {
            throw new NotAccessible();
        }
        return shown;
    }

    @GetMapping("/assignments/{id}/return")
    String all(@PathVariable long id, @RequestParam(defaultValue = "1") int page, @RequestParam(defaultValue = "torn") String choose,
            @AuthenticationPrincipal SignedIn me, Model model) {
        AssignmentView assignment = courses.forInstructor(id, me.accountId());
        List<Row> rows = rows(assignment);
        Page<MailView> sent = mails.of(id, Pages.of(page, MAIL_ROWS));
        model.addAttribute("assignment", assignment);
        model.addAttribute("step", "return");
        model.addAttribute("rows", rows.stream().filter(row -> row.handIn().isPresent()).toList());
        model.addAttribute("missing", rows.stream().filter(row -> row.handIn().isEmpty()).toList());
        model.addAttribute("choose", WAYS.contains(choose) ? choose : "torn");
        model.addAttribute("ways", WAYS);
        model.addAttribute("chosen", rows.stream().filter(row -> row.isChosen(choose)).map(row -> row.student().enrolmentId())
                .collect(java.util.stream.Collectors.toSet()));
        model.addAttribute("torn", rows.stream().filter(Row::isTorn).count());
        model.addAttribute("mails", sent);
        model.addAttribute("leaves", mails.leaves());
        model.addAttribute("held", mails.held().toSeconds());
        model.addAttribute("students", courses.everybody(assignment).stream()
                .collect(java.util.stream.Collectors.toMap(Student::enrolmentId, Student::listed)));
        return "feedback/return";
    }

    private List<Row> rows(AssignmentView assignment) {
        Map<Long, HandInView> counting = handIns.counting(assignment);
        Map<Long, Instant> sent = slips.sentOf(assignment);
        Map<Long, Instant> reminded = mails.reminded(assignment.id());
        List<Student> roster = courses.roster(assignment);
        Map<Long, String> addresses = accounts.addresses(roster.stream().map(Student::accountId).toList());
        List<Row> rows = new ArrayList<>();
        for (Student student : roster) {
            Optional<HandInView> handIn = Optional.ofNullable(counting.get(student.enrolmentId()));
            rows.add(new Row(student, handIn, handIn.map(one -> sent.get(one.id())),
                    Optional.ofNullable(reminded.get(student.enrolmentId())),
                    addresses.containsKey(student.accountId())));
        }
        return rows;
    }

    /** Sends what goes back about the hand-ins of some students. */
    @PostMapping("/assignments/{id}/return/send")
    String sendAll(@PathVariable long id, @RequestParam(name = "who", required = false) List<Long> who,
            @AuthenticationPrincipal SignedIn me,
            RedirectAttributes redirect) {
        AssignmentView assignment = courses.forInstructor(id, me.accountId());
        Map<Long, HandInView> counting = handIns.counting(assignment);
        List<Long> sent = new ArrayList<>();
        int same = 0;
        for (long enrolment : Chosen.of(who)) {
            HandInView handIn = counting.get(enrolment);
            if (handIn != null && handIn.isDone()) {
                Optional<Long> slip = slips.send(mine(handIn.id(), me), me.displayName(), me.accountId());
                slip.ifPresent(sent::add);
                same += slip.isEmpty() ? 1 : 0;
            }
        }
        told(redirect, Chosen.of(who).isEmpty() ? Speech.say("review.nobody-chosen") : Speech.say(sentWord(), sent.size(), same),
                sent);
        return "redirect:/assignments/" + id + "/return";
    }

    /** Without a mail server nothing is sent: letters are on the students' pages. */
    private String sentWord() {
        return mails.leaves() ? "return.sent" : "return.given";
    }

    private static void told(RedirectAttributes redirect, String what, List<Long> slips) {
        redirect.addFlashAttribute("told", what);
        if (!slips.isEmpty()) {
            redirect.addFlashAttribute("undoSlips", slips);
        }
    }

    /** Takes slips back whose mail has not gone. */
    @PostMapping("/assignments/{id}/return/undo")
    String undo(@PathVariable long id, @RequestParam(name = "slip", required = false) List<Long> which,
            @AuthenticationPrincipal SignedIn me,
            RedirectAttributes redirect) {
        AssignmentView assignment = courses.forInstructor(id, me.accountId());
        List<Long> asked = Chosen.of(which);
        int taken = slips.takeBack(assignment, asked, me.accountId());
        redirect.addFlashAttribute("told", Speech.say("return.taken-back", taken, asked.size() - taken));
        return "redirect:/assignments/" + id + "/return";
    }

    /** Reminds those who have not handed in. */
    @PostMapping("/assignments/{id}/return/remind")
    String remind(@PathVariable long id, @RequestParam(name = "who", required = false) List<Long> who, @AuthenticationPrincipal SignedIn me,
            RedirectAttributes redirect) {
        AssignmentView assignment = courses.forInstructor(id, me.accountId());
        Map<Long, HandInView> counting = handIns.counting(assignment);
        List<Long> asked = Chosen.of(who);
        List<Student> open = courses.roster(assignment).stream()
                .filter(student -> asked.contains(student.enrolmentId()) && !counting.containsKey(student.enrolmentId())).toList();
        long reminded = open.stream().filter(student -> slips.remind(assignment, student, me.displayName(), me.accountId())).count();
        redirect.addFlashAttribute("told", asked.isEmpty() ? Speech.say("review.nobody-chosen")
                : Speech.say("return.reminded", reminded, asked.size() - reminded));
        return "redirect:/assignments/" + id + "/return";
    }

    @PostMapping("/assignments/{id}/return/mails/{mail}/again")
    String again(@PathVariable long id, @PathVariable long mail, @AuthenticationPrincipal SignedIn me, RedirectAttributes redirect) {
        courses.forInstructor(id, me.accountId());
        if (mails.again(id, mail)) {
            redirect.addFlashAttribute("told", Speech.say("return.tried-again"));
        }
        return "redirect:/assignments/" + id + "/return";
    }

    @GetMapping("/hand-ins/{handIn}/slip")
    String slip(@PathVariable long handIn, @AuthenticationPrincipal SignedIn me, Model model) {
        HandInService.Shown shown = mine(handIn, me);
        model.addAttribute("assignment", shown.place().assignment());
        model.addAttribute("student", shown.place().student());
        model.addAttribute("step", "return");
        model.addAttribute("handIn", shown.handIn());
        model.addAttribute("draft", slips.draft(shown, me.displayName()));
        model.addAttribute("sent", slips.sent(List.of(handIn)).get(handIn));
        model.addAttribute("leaves", mails.leaves());
        model.addAttribute("addresses", accounts.addresses(List.of(shown.place().student().accountId())).values());
        model.addAttribute("language", slips.words(shown.place().student()).locale().getLanguage());
        return "feedback/slip";
    }

    /** @param texts the fields of the form; what is to be fixed is under {@code text-} and its key */
    @PostMapping("/hand-ins/{handIn}/slip")
    String change(@PathVariable long handIn, @RequestParam(defaultValue = "") String greeting,
            @RequestParam(defaultValue = "") String closing,
            @RequestParam(defaultValue = "save") String then, @RequestParam Map<String, String> texts, @AuthenticationPrincipal SignedIn me,
            RedirectAttributes redirect) {
        HandInService.Shown shown = mine(handIn, me);
        if (then.equals("anew")) {
            slips.buildAnew(shown);
            redirect.addFlashAttribute("told", Speech.say("slip.built-anew"));
            return "redirect:/hand-ins/" + handIn + "/slip";
        }
        Map<String, String> parts = new LinkedHashMap<>();
        texts.forEach((name, text) -> {
            if (name.startsWith("text-")) {
                String key = name.substring("text-".length());
                parts.put(key, texts.containsKey("out-" + key) ? "" : text);
            }
        });
        slips.change(shown, greeting, closing, parts, me.displayName(), me.accountId());
        if (!then.equals("send")) {
            redirect.addFlashAttribute("told", Speech.say("slip.saved"));
            return "redirect:/hand-ins/" + handIn + "/slip";
        }
        Optional<Long> sent = slips.send(shown, me.displayName(), me.accountId());
        told(redirect, Speech.say(sentWord(), sent.isPresent() ? 1 : 0, sent.isPresent() ? 0 : 1), sent.map(List::of).orElse(List.of()));
        return "redirect:/assignments/" + shown.place().assignment().id() + "/return";
    }

    /** One page to print: for the instructor what would be sent, for the student what was. */
    @GetMapping("/hand-ins/{handIn}/slip.pdf")
    CompletableFuture<ResponseEntity<byte[]>> pdf(@PathVariable long handIn, @AuthenticationPrincipal SignedIn me) {
        HandInService.Shown shown = handIns.show(handIn, me.accountId());
        boolean may = shown.byInstructor() || shown.isOf(me.accountId());
        if (!may || shown.handIn().isPreCheck() || !shown.handIn().isDone()) {
            throw new NotAccessible();
        }
        String text = shown.byInstructor() ? slips.draft(shown, me.displayName()).text()
                : Optional.ofNullable(slips.sent(List.of(handIn)).get(handIn)).map(FeedbackLetterService.SentSlip::text)
                        .orElseThrow(NotAccessible::new);
        return printed(printer, me.accountId(), shown, text);
    }

    static CompletableFuture<ResponseEntity<byte[]>> printed(PdfPrinter printer, long account, HandInService.Shown shown, String text) {
        String name = "slip_" + shown.place().assignment().code() + "_" + shown.place().student().last() + ".pdf";
        return printer
                .pdf(account, "print/slip",
                        Map.of("assignment", shown.place().assignment(), "student", shown.place().student(), "text", text))
                .thenApply(pdf -> ResponseEntity.ok().contentType(MediaType.APPLICATION_PDF).header(HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment().filename(name, StandardCharsets.UTF_8).build().toString()).body(pdf));
    }

    /** What was sent to a student, for themselves. */
    @GetMapping("/assignments/{id}/letters")
    String letters(@PathVariable long id, @AuthenticationPrincipal SignedIn me, Model model) {
        CourseService.Membership place = courses.forStudent(id, me.accountId());
        model.addAttribute("assignment", place.assignment());
        model.addAttribute("step", "hand-in");
        model.addAttribute("mails", mails.ofStudent(id, place.student().enrolmentId()));
        model.addAttribute("slips", slips.sent(handIns.ofStudent(place).stream().map(HandInView::id).toList()).values().stream()
                .sorted(java.util.Comparator.comparing(FeedbackLetterService.SentSlip::at).reversed()).toList());
        return "feedback/letters";
    }
}
