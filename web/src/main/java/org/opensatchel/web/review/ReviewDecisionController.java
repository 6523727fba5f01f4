package org.opensatchel.web.review;

import java.math.BigDecimal;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.opensatchel.core.judging.FindingKey;
import org.opensatchel.core.judging.Judgement;
import org.opensatchel.core.judging.Ruling;
import org.opensatchel.core.report.FindingGroups;
import org.opensatchel.core.report.Score;
import org.opensatchel.web.account.SignedIn;
import org.opensatchel.web.audit.AuditAction;
import org.opensatchel.web.audit.AuditService;
import org.opensatchel.web.audit.Detail;
import org.opensatchel.web.audit.Detail.Value;
import org.opensatchel.web.course.CourseService;
import org.opensatchel.web.course.NotAccessible;
import org.opensatchel.web.decision.DecisionService;
import org.opensatchel.web.decision.DecisionView;
import org.opensatchel.web.decision.Subject;
import org.opensatchel.web.handin.HandInService;
import org.opensatchel.web.judging.JudgingService;
import org.opensatchel.web.text.Speech;
import org.opensatchel.web.text.TypedTime;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** What an instructor decides about one hand-in. Each decision can be taken back, and the log keeps both. */
@Controller
@RequestMapping("/hand-ins/{handIn}")
class ReviewDecisionController {

    private static final int LONGEST_REASON = 1_000;
    private static final int LONGEST_REMARK = 4_000;
    private static final Set<String> WEIGHTS = Set.of("waived", "must", "should", "note");

    private final HandInService handIns;
    private final DecisionService decisions;
    private final CourseService courses;
    private final AuditService audit;
    private final JudgingService judging;

    ReviewDecisionController(HandInService handIns, DecisionService decisions, CourseService courses, AuditService audit,
            JudgingService judging) {
        this.judging = judging;
        this.handIns = handIns;
        this.decisions = decisions;
        this.courses = courses;
        this.audit = audit;
    }

    private HandInService.Shown mine(long handIn, SignedIn me) {
        HandInService.Shown shown = handIns.show(handIn, me.accountId());
        if (!shown.byInstructor() || shown.handIn().isPreCheck()) {
            throw new NotAccessible();
        }
        // Two windows, or a double click, decide one after the other.
        decisions.hold(handIn);
        return shown;
    }

    private static Subject subject(HandInService.Shown shown) {
        return new Subject(shown.place().assignment().id(), shown.handIn().enrolmentId(), shown.handIn().id());
    }

    private void log(SignedIn me, HandInService.Shown shown, AuditAction deed, Detail detail) {
        audit.log(me.accountId(),
                new AuditService.About(shown.place().assignment().id(), shown.handIn().enrolmentId(), shown.handIn().id()),
                deed, detail);
    }

    private static String back(HandInService.Shown shown, String back) {
        return "redirect:" + shown.handIn().address() + ReviewController.carried(back);
    }

    private static String cut(String text, int most) {
        String bare = text.strip().replace("\0", "");
        return bare.length() <= most ? bare : bare.substring(0, most);
    }

    private static void refused(RedirectAttributes redirect, String key) {
        redirect.addFlashAttribute("wrong", Speech.say(key));
    }

    /**
     * Waives what was found, or has it weigh something else.
     *
     * @param key of one finding of it
     * @param weight {@code waived}, {@code must}, {@code should} or {@code note}
     */
    @Transactional
    @PostMapping("/rulings")
    public String rule(@PathVariable long handIn, @RequestParam String code, @RequestParam String key, @RequestParam String weight,
            @RequestParam Ruling.Scope scope, @RequestParam(defaultValue = "") String reason, @RequestParam(defaultValue = "") String back,
            @AuthenticationPrincipal SignedIn me, RedirectAttributes redirect) {
        HandInService.Shown shown = mine(handIn, me);
        Judgement judgement = judging.judgement(shown);
        Optional<FindingGroups.Group> thing = ReviewBesideReport.thing(judgement, code, key);
        String why = cut(reason, LONGEST_REASON);
        if (why.isEmpty()) {
            refused(redirect, "desk.reason-missing");
        } else if (thing.isEmpty() || !WEIGHTS.contains(weight)) {
            refused(redirect, "desk.gone");
        } else if (weight.equals(thing.get().severity())) {
            refused(redirect, "desk.same-weight");
        } else {
            // What is told in one with thousands more is waived as a whole; for everybody it is the kind that is meant, not the file.
            boolean whole = scope == Ruling.Scope.ASSIGNMENT || thing.get().untold() > 0;
            List<String> keys = whole ? List.of() : thing.get().findings().stream().map(FindingKey::of).distinct().toList();
            long made = decisions.rule(subject(shown), scope, code, keys, Optional.of(weight).filter(word -> !word.equals("waived")), why,
                    me.accountId());
            judge(shown, scope);
            String title = Speech.words().title(code);
            log(me, shown, weight.equals("waived") ? AuditAction.WAIVED : AuditAction.WEIGHED,
                    Detail.of("desk.logged-" + weight, Value.title(code), Value.words("desk.scope-" + scope), why));
            redirect.addFlashAttribute("told", Speech.say("desk.told-" + weight, title));
            redirect.addFlashAttribute("undo", shown.handIn().address() + "/rulings/" + made + "/undo");
        }
        return back(shown, back);
    }

    private void judge(HandInService.Shown shown, Ruling.Scope scope) {
        judging.judgeAgain(shown.place().assignment().id(), scope == Ruling.Scope.ASSIGNMENT ? 0 : shown.handIn().enrolmentId(),
                scope == Ruling.Scope.HAND_IN ? shown.handIn().id() : 0);
    }

    @Transactional
    @PostMapping("/rulings/{ruling}/undo")
    public String undo(@PathVariable long handIn, @PathVariable long ruling, @RequestParam(defaultValue = "") String back,
            @AuthenticationPrincipal SignedIn me, RedirectAttributes redirect) {
        HandInService.Shown shown = mine(handIn, me);
        decisions.takeBackRuling(shown.place().assignment().id(), ruling, me.accountId()).ifPresent(taken -> {
            judge(shown, taken.scope());
            String title = Speech.words().title(taken.code());
            log(me, shown, AuditAction.TOOK_BACK, Detail.of("desk.logged-undo", Value.title(taken.code())));
            redirect.addFlashAttribute("told", Speech.say("desk.told-undo", title));
        });
        return back(shown, back);
    }

    /** @param severity empty for a remark alone */
    @Transactional
    @PostMapping("/remarks")
    public String remark(@PathVariable long handIn, @RequestParam String text, @RequestParam(defaultValue = "") String severity,
            @RequestParam(defaultValue = "") String path, @RequestParam(defaultValue = "") String back,
            @AuthenticationPrincipal SignedIn me,
            RedirectAttributes redirect) {
        HandInService.Shown shown = mine(handIn, me);
        String said = cut(text, LONGEST_REMARK);
        if (said.isEmpty()) {
            refused(redirect, "desk.remark-missing");
        } else {
            Optional<String> weighs = Optional.of(severity).filter(word -> WEIGHTS.contains(word) && !word.equals("waived"));
            if (decisions.remark(subject(shown), weighs, cut(path, LONGEST_REASON), said, me.accountId()).isPresent()) {
                judge(shown, Ruling.Scope.HAND_IN);
                log(me, shown, AuditAction.REMARKED, Detail.text(said));
            }
        }
        return back(shown, back);
    }

    @Transactional
    @PostMapping("/remarks/{remark}/remove")
    public String removeRemark(@PathVariable long handIn, @PathVariable long remark, @RequestParam(defaultValue = "") String back,
            @AuthenticationPrincipal SignedIn me) {
        HandInService.Shown shown = mine(handIn, me);
        if (decisions.removeRemark(subject(shown), remark, me.accountId())) {
            judge(shown, Ruling.Scope.HAND_IN);
            log(me, shown, AuditAction.TOOK_BACK, Detail.of("desk.logged-remark"));
        }
        return back(shown, back);
    }

    /** Takes it for gradable in spite of what is wrong. */
    @Transactional
    @PostMapping("/accept")
    public String accept(@PathVariable long handIn, @RequestParam(defaultValue = "") String reason,
            @RequestParam(defaultValue = "") String back,
            @AuthenticationPrincipal SignedIn me, RedirectAttributes redirect) {
        HandInService.Shown shown = mine(handIn, me);
        decisions.decide(subject(shown), DecisionView.Kind.ACCEPTED, cut(reason, LONGEST_REASON), Optional.empty(), Optional.empty(),
                me.accountId());
        log(me, shown, AuditAction.ACCEPTED, Detail.text(cut(reason, LONGEST_REASON)));
        told(redirect, shown, "desk.told-accepted");
        return back(shown, back);
    }

    private static void told(RedirectAttributes redirect, HandInService.Shown shown, String key) {
        redirect.addFlashAttribute("told", Speech.say(key, shown.place().student().name()));
        redirect.addFlashAttribute("undo", shown.handIn().address() + "/decision/undo");
    }

    /** Asks for it once more, until another date. */
    @Transactional
    @PostMapping("/ask-again")
    public String askAgain(@PathVariable long handIn, @RequestParam(defaultValue = "") String due,
            @RequestParam(defaultValue = "") String reason,
            @RequestParam(defaultValue = "") String back, @AuthenticationPrincipal SignedIn me, RedirectAttributes redirect) {
        HandInService.Shown shown = mine(handIn, me);
        TypedTime typed = TypedTime.read(due, shown.place().assignment().deadline().zone());
        Optional<Instant> until = typed.at();
        if (until.isEmpty()) {
            redirect.addFlashAttribute("refused", typed.refusal().orElseThrow());
        } else if (until.get().isBefore(Instant.now())) {
            refused(redirect, "desk.due-past");
        } else {
            Optional<Instant> before = Optional
                    .ofNullable(courses.extensions(shown.place().assignment()).get(shown.handIn().enrolmentId()));
            decisions.decide(subject(shown), DecisionView.Kind.RETURNED, cut(reason, LONGEST_REASON), until, before, me.accountId());
            courses.extend(shown.place().assignment(), shown.place().student(), until.get());
            log(me, shown, AuditAction.RETURNED,
                    Detail.of("desk.logged-until", Value.time(until.get(), shown.place().assignment().deadline().zone()),
                            cut(reason, LONGEST_REASON)));
            told(redirect, shown, "desk.told-returned");
        }
        return back(shown, back);
    }

    @Transactional
    @PostMapping("/decision/undo")
    public String undecide(@PathVariable long handIn, @RequestParam(defaultValue = "") String back, @AuthenticationPrincipal SignedIn me,
            RedirectAttributes redirect) {
        HandInService.Shown shown = mine(handIn, me);
        decisions.takeBackDecision(subject(shown), me.accountId()).ifPresent(taken -> {
            if (taken.kind() == DecisionView.Kind.RETURNED) {
                taken.dueBefore().ifPresentOrElse(before -> courses.extend(shown.place().assignment(), shown.place().student(), before),
                        () -> courses.endExtension(shown.place().assignment(), shown.place().student()));
            }
            log(me, shown, AuditAction.TOOK_BACK, Detail.of("desk.logged-" + taken.kind()));
            redirect.addFlashAttribute("told", Speech.say("desk.told-undecided"));
        });
        return back(shown, back);
    }

    @Transactional
    @PostMapping("/points")
    public String points(@PathVariable long handIn, @RequestParam(defaultValue = "") String points,
            @RequestParam(defaultValue = "") String reason,
            @RequestParam(defaultValue = "") String back, @AuthenticationPrincipal SignedIn me, RedirectAttributes redirect) {
        HandInService.Shown shown = mine(handIn, me);
        Optional<BigDecimal> number = number(points);
        int most = judging.judgement(shown).digest().head().points().map(Score::of).orElse(0);
        String why = cut(reason, LONGEST_REASON);
        if (number.isEmpty() || number.get().signum() < 0 || number.get().compareTo(BigDecimal.valueOf(most)) > 0
                || number.get().scale() > 2) {
            redirect.addFlashAttribute("wrong", Speech.say("desk.points-unreadable", most));
        } else if (why.isEmpty()) {
            refused(redirect, "desk.reason-missing");
        } else {
            decisions.give(subject(shown), number.get(), why, me.accountId());
            log(me, shown, AuditAction.GAVE_POINTS, Detail.of("desk.logged-gave", number.get(), why));
            redirect.addFlashAttribute("told", Speech.say("desk.told-points", number.get()));
            redirect.addFlashAttribute("undo", shown.handIn().address() + "/points/undo");
        }
        return back(shown, back);
    }

    /** Points as people type them: with a point or a comma. */
    private static Optional<BigDecimal> number(String typed) {
        String bare = typed.strip().replace(',', '.');
        return bare.matches("[0-9]{1,5}(\\.[0-9]{1,2})?") ? Optional.of(new BigDecimal(bare)) : Optional.empty();
    }

    @Transactional
    @PostMapping("/points/undo")
    public String countAgain(@PathVariable long handIn, @RequestParam(defaultValue = "") String back, @AuthenticationPrincipal SignedIn me,
            RedirectAttributes redirect) {
        HandInService.Shown shown = mine(handIn, me);
        if (decisions.takeBackPoints(subject(shown), me.accountId())) {
            log(me, shown, AuditAction.TOOK_BACK, Detail.of("desk.logged-points"));
            redirect.addFlashAttribute("told", Speech.say("desk.told-counted"));
        }
        return back(shown, back);
    }
}
