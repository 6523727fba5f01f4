package org.opensatchel.web.feedback;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.base.text.Shortened;
import org.opensatchel.core.judging.FeedbackItems;
import org.opensatchel.core.judging.Judgement;
import org.opensatchel.core.report.Verdict;
import org.opensatchel.core.words.Words;
import org.opensatchel.web.account.AccountService;
import org.opensatchel.web.audit.AuditAction;
import org.opensatchel.web.audit.AuditService;
import org.opensatchel.web.audit.Detail;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.CourseService;
import org.opensatchel.web.course.Student;
import org.opensatchel.web.decision.DecisionService;
import org.opensatchel.web.decision.DecisionView;
import org.opensatchel.web.decision.GivenView;
import org.opensatchel.web.decision.RemarkView;
import org.opensatchel.web.handin.HandInService;
import org.opensatchel.web.handin.HandInService.Shown;
import org.opensatchel.web.judging.JudgingService;
import org.opensatchel.web.mail.Letter;
import org.opensatchel.web.mail.MailService;
import org.opensatchel.web.storage.Locks;
import org.opensatchel.web.text.Speech;
import org.opensatchel.web.text.Times;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Return slips: built from what counts, changed by hand, sent once, and read by whom they are for. */
@Service
@Transactional
public class FeedbackLetterService {

    private static final int LONGEST_PART = 4_000;

    private final FeedbackLetterRepository slips;
    private final FeedbackLetterRows rows;
    private final Locks locks;
    private final HandInService handIns;
    private final DecisionService decisions;
    private final AccountService accounts;
    private final CourseService courses;
    private final MailService mails;
    private final AuditService audit;
    private final SignedLinks links;
    private final Clock clock;
    private final JudgingService judging;

    FeedbackLetterService(FeedbackLetterRepository slips, FeedbackLetterRows rows, Locks locks, HandInService handIns,
            DecisionService decisions, AccountService accounts,
            CourseService courses,
            MailService mails, AuditService audit, SignedLinks links, Clock clock, JudgingService judging) {
        this.judging = judging;
        this.slips = slips;
        this.rows = rows;
        this.locks = locks;
        this.handIns = handIns;
        this.decisions = decisions;
        this.accounts = accounts;
        this.courses = courses;
        this.mails = mails;
        this.audit = audit;
        this.links = links;
        this.clock = clock;
    }

    /** A slip that was sent, for pages. */
    public record SentSlip(long id, long handIn, Instant at, String text) {}

    /** The language a student is written to in. */
    public Words words(Student student) {
        return Speech.in(Locale.forLanguageTag(
                accounts.language(student.accountId()).or(() -> courses.languageOf(student.accountId())).filter(tag -> !tag.isEmpty())
                        .orElse("en")));
    }

    /** What would go back now, in the student's language. */
    public FeedbackDraft draft(Shown shown, String from) {
        return draft(shown, judging.judgement(shown), from, slips.open(shown.handIn().id()));
    }

    private FeedbackDraft draft(Shown shown, Judgement judgement, String from, Optional<FeedbackLetter> open) {
        Words words = words(shown.place().student());
        Map<String, String> changed = open.map(slip -> texts(slip.texts())).orElse(Map.of());
        List<FeedbackDraft.Part> items = FeedbackItems.of(judgement, words).items().stream()
                .map(item -> new FeedbackDraft.Part(item.key(), item.severity(), item.text(),
                        changed.getOrDefault(item.key(), item.text())))
                .toList();
        long handIn = shown.handIn().id();
        AssignmentView assignment = shown.place().assignment();
        Optional<DecisionView> decision = Optional.ofNullable(decisions.decisions(List.of(handIn)).get(handIn));
        String greeting = open.map(FeedbackLetter::greeting).orElseGet(() -> greeting(shown, judgement, items, decision, words));
        String closing = open.map(FeedbackLetter::closing).orElse(words.fill("slip.closing", from));
        List<String> remarks = decisions.remarks(List.of(handIn)).getOrDefault(handIn, List.of()).stream()
                .filter(remark -> remark.severity().isEmpty()).map(RemarkView::text).toList();
        boolean touched = open.isPresent();
        return new FeedbackDraft(words.fill("slip.subject", assignment.courseCode(), assignment.name()), greeting, items, remarks,
                facts(assignment, judgement, handIn, decision, words), closing, touched, "");
    }

    private static String greeting(Shown shown, Judgement judgement, List<FeedbackDraft.Part> items, Optional<DecisionView> decision,
            Words words) {
        Student student = shown.place().student();
        String name = student.first().isEmpty() ? student.last() : student.first();
        long must = items.stream().filter(item -> item.severity().equals("must")).count();
        Verdict verdict = judgement.digest().head().verdict();
        String key = verdict == Verdict.BLOCKED ? "slip.blocked"
                : decision.filter(DecisionView::isAccepted).isPresent() ? "slip.accepted"
                        : must > 0 ? "slip.fix" : items.isEmpty() ? "slip.ready" : "slip.tidy";
        return words.fill("slip.hello", name) + "\n\n"
                + words.fill(key, shown.handIn().number(), shown.place().assignment().name(), must, items.size() - must);
    }

    private List<String> facts(AssignmentView assignment, Judgement judgement, long handIn, Optional<DecisionView> decision, Words words) {
        List<String> facts = new ArrayList<>();
        decision.flatMap(DecisionView::due)
                .ifPresent(due -> facts.add(words.fill("slip.due", Times.full(due, assignment.deadline().zone(), words))));
        GivenView given = decisions.given(List.of(handIn)).get(handIn);
        judgement.digest().head().points()
                .ifPresent(score -> facts.add(words.fill("slip.points", given == null ? score.earned() : given.points(), score.of())));
        return facts;
    }

    private static Map<String, String> texts(String json) {
        Map<String, String> out = new LinkedHashMap<>();
        JsonDocuments.MAPPER.readTree(json).properties().forEach(entry -> out.put(entry.getKey(), entry.getValue().asString("")));
        return out;
    }

    /**
     * Keeps what somebody changed.
     *
     * @param texts by the keys of what is to be fixed; empty for what is left out
     */
    public void change(Shown shown, String greeting, String closing, Map<String, String> texts, String from, long by) {
        FeedbackDraft built = draft(shown, judging.judgement(shown), from, Optional.empty());
        Map<String, String> changed = new LinkedHashMap<>();
        for (FeedbackDraft.Part part : built.items()) {
            String text = cut(texts.getOrDefault(part.key(), part.built()));
            if (!text.equals(part.built())) {
                changed.put(part.key(), text);
            }
        }
        locks.hold(Locks.What.LETTER, shown.handIn().id());
        FeedbackLetter slip = slips.open(shown.handIn().id()).orElseGet(() -> new FeedbackLetter(shown.handIn().id()));
        slip.change(cut(greeting), cut(closing), JsonDocuments.MAPPER.writeValueAsString(changed), by, clock.instant());
        slips.saveAndFlush(slip);
    }

    private static String cut(String text) {
        String bare = text.replace("\r\n", "\n").replace("\0", "").strip();
        return Shortened.cut(bare, LONGEST_PART);
    }

    /** Lets go of what was changed: the slip is built anew. */
    public void buildAnew(Shown shown) {
        slips.removeOpen(shown.handIn().id());
    }

    /**
     * Sends what would go back now: to the student's page, and by mail where an address is known. What is said again word for word is not
     * sent again.
     */
    public Optional<Long> send(Shown shown, String from, long by) {
        long handIn = shown.handIn().id();
        locks.hold(Locks.What.LETTER, handIn);
        Optional<FeedbackLetter> open = slips.open(handIn);
        FeedbackDraft draft = draft(shown, judging.judgement(shown), from, open);
        String said = draft.text();
        boolean again = slips.sent(List.of(handIn)).stream().reduce((a, b) -> b).filter(last -> last.sentText().equals(said)).isPresent();
        if (again) {
            return Optional.empty();
        }
        FeedbackLetter slip = open.orElseGet(() -> new FeedbackLetter(handIn));
        if (open.isEmpty()) {
            slip.change(draft.greeting(), draft.closing(), "{}", by, clock.instant());
            slip = slips.saveAndFlush(slip);
        }
        Student student = shown.place().student();
        AssignmentView assignment = shown.place().assignment();
        Optional<Long> mail = Optional.empty();
        Optional<String> address = accounts.addresses(List.of(student.accountId())).values().stream().findFirst();
        if (address.isPresent()) {
            String link = words(student).fill("slip.link", links.link(slip.id()));
            FeedbackDraft whole = new FeedbackDraft(draft.subject(), draft.greeting(), draft.items(), draft.remarks(), draft.facts(),
                    draft.closing(),
                    draft.changed(), link);
            mail = mails
                    .queue(new Letter("slip:" + slip.id(), Letter.Kind.SLIP, assignment.id(), student.enrolmentId(), Optional.of(handIn),
                            address.get(), draft.subject(), whole.text()), by);
        }
        slip.sent(said, mail.orElse(null), by, clock.instant());
        slips.saveAndFlush(slip);
        audit.log(by, new AuditService.About(assignment.id(), student.enrolmentId(), handIn), AuditAction.SENT,
                Detail.text(address.orElse("")));
        return Optional.of(slip.id());
    }

    /** Takes slips back whose mail has not gone; how many those are. A slip without a mail can be taken back while a mail could. */
    public int takeBack(AssignmentView assignment, Collection<Long> ids, long by) {
        int taken = 0;
        for (long id : ids) {
            Optional<FeedbackLetter> slip = slips.findById(id).filter(one -> one.sentAt() != null);
            Optional<Shown> shown = slip.map(one -> handIns.show(one.handIn(), by))
                    .filter(one -> one.byInstructor() && one.place().assignment().id() == assignment.id());
            if (shown.isPresent() && mayTakeBack(slip.get())) {
                locks.hold(Locks.What.LETTER, slip.get().handIn());
                slips.removeOpen(slip.get().handIn());
                slip.get().notSent();
                slips.saveAndFlush(slip.get());
                audit.log(by, new AuditService.About(assignment.id(), shown.get().handIn().enrolmentId(), slip.get().handIn()),
                        AuditAction.TOOK_BACK,
                        Detail.of("slip.logged-undo"));
                taken++;
            }
        }
        return taken;
    }

    private boolean mayTakeBack(FeedbackLetter slip) {
        return slip.mailId() == null ? slip.sentAt().plus(mails.held()).isAfter(clock.instant())
                : mails.cancel(List.of(slip.mailId())) == 1;
    }

    /** What went back about hand-ins, the newest of each. */
    @Transactional(readOnly = true)
    public Map<Long, SentSlip> sent(Collection<Long> ids) {
        Map<Long, SentSlip> out = new HashMap<>();
        if (!ids.isEmpty()) {
            slips.sent(ids).forEach(slip -> out.put(slip.handIn(), new SentSlip(slip.id(), slip.handIn(), slip.sentAt(), slip.sentText())));
        }
        return out;
    }

    /** When something went back, by hand-in. */
    @Transactional(readOnly = true)
    public Map<Long, Instant> sentOf(AssignmentView assignment) {
        return rows.sentOf(assignment.id());
    }

    /** The hand-in whose report a signed link opens; a slip that was taken back opens nothing. */
    public Optional<SentSlip> opened(String token) {
        return links.opens(token).flatMap(slips::findById).filter(slip -> slip.sentAt() != null)
                .map(slip -> new SentSlip(slip.id(), slip.handIn(), slip.sentAt(), slip.sentText()));
    }

    /** Reminds a student who has not handed in, once a day at most; false where that was done or no address is known. */
    public boolean remind(AssignmentView assignment, Student student, String from, long by) {
        Optional<String> address = accounts.addresses(List.of(student.accountId())).values().stream().findFirst();
        if (address.isEmpty()) {
            return false;
        }
        Words words = words(student);
        Instant due = courses.deadlines(assignment).of(student.enrolmentId()).at();
        String name = student.first().isEmpty() ? student.last() : student.first();
        boolean over = due.isBefore(clock.instant());
        String body = words.fill("slip.hello", name) + "\n\n"
                + words.fill(over ? "slip.remind-over" : "slip.remind", assignment.name(),
                        Times.full(due, assignment.deadline().zone(), words))
                + "\n\n"
                + words.fill("slip.closing", from) + "\n";
        String today = LocalDate.ofInstant(clock.instant(), assignment.deadline().zone()).toString();
        boolean queued = mails
                .queue(new Letter("reminder:" + assignment.id() + ":" + student.enrolmentId() + ":" + today, Letter.Kind.REMINDER,
                        assignment.id(), student.enrolmentId(), Optional.empty(), address.get(),
                        words.fill("slip.remind-subject", assignment.courseCode(), assignment.name()), body), by)
                .isPresent();
        if (queued) {
            audit.log(by, new AuditService.About(assignment.id(), student.enrolmentId(), 0), AuditAction.REMINDED,
                    Detail.text(address.get()));
        }
        return queued;
    }
}
