package org.opensatchel.web.review;

import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.core.judging.Judgement;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.report.FindingGroups;
import org.opensatchel.core.report.Score;
import org.opensatchel.core.words.Sentence;
import org.opensatchel.web.account.SignedIn;
import org.opensatchel.web.audit.AuditService;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.CourseService;
import org.opensatchel.web.decision.DecisionService;
import org.opensatchel.web.decision.GivenView;
import org.opensatchel.web.feedback.FeedbackLetterService;
import org.opensatchel.web.handin.HandInService;
import org.opensatchel.web.handout.StepService;
import org.opensatchel.web.judging.Judged;
import org.opensatchel.web.kit.KitService;
import org.opensatchel.web.kit.PublishedKit;
import org.opensatchel.web.location.LocationService;
import org.opensatchel.web.report.BesideReport;
import org.opensatchel.web.report.PastReports;
import org.opensatchel.web.text.Speech;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;

/** What an instructor has beside one student's report: neighbours on the board, decisions, points, remarks, and what was done so far. */
@Component
class ReviewBesideReport implements BesideReport {

    private static final int MOST_WAIVED = 100;
    private static final int MOST_PLACES = 8;

    private final BoardOrders orders;
    private final DecisionService decisions;
    private final AuditService audit;
    private final FeedbackLetterService slips;
    private final StepService steps;
    private final LocationService locations;
    private final PastReports reports;
    private final KitService kits;

    ReviewBesideReport(BoardOrders orders, DecisionService decisions, AuditService audit, FeedbackLetterService slips, StepService steps,
            LocationService locations, PastReports reports, KitService kits) {
        this.steps = steps;
        this.locations = locations;
        this.reports = reports;
        this.kits = kits;
        this.slips = slips;
        this.orders = orders;
        this.decisions = decisions;
        this.audit = audit;
    }

    /**
     * Where the student stands in the board's order.
     *
     * @param place from 1; 0 where the board does not show them
     * @param previous the address of the one before, empty for none
     */
    record Neighbours(int place, int all, String previous, String next, String board) {}

    /** A finding that was waived, told. */
    record Waived(long ruling, Sentence what, String reason, String scope) {}

    /** A part of the points, told. */
    record Part(String part, int of, BigDecimal left, List<Off> off) {}

    /** What something took off. */
    record Off(Sentence what, BigDecimal points) {}

    @Override
    public void lay(HandInService.Shown shown, Judged judged, Map<String, String> asked, Model model) {
        if (!shown.byInstructor()) {
            return;
        }
        SignedIn me = (SignedIn) SecurityContextHolder.getContext().getAuthentication().getPrincipal();
        AssignmentView assignment = shown.place().assignment();
        long handIn = shown.handIn().id();
        BoardQuery query = BoardQuery.of(asked);
        model.addAttribute("neighbours", neighbours(assignment, me, query, shown.place().student().enrolmentId()));
        model.addAttribute("query", query);
        if (judged == null) {
            return;
        }
        Judgement judgement = judged.judgement();
        Optional<Kit> newest = kits.current(assignment).map(PublishedKit::kit);
        toldUs(shown.place(), newest, model);
        model.addAttribute("past", reports.of(handIn));
        model.addAttribute("newestKit", newest.map(Kit::version).filter(version -> version > judged.kitVersion()).orElse(null));
        model.addAttribute("module", "desk");
        model.addAttribute("titles", Speech.words());
        model.addAttribute("waived", judgement.waived().stream().limit(MOST_WAIVED).map(ReviewBesideReport::waived).toList());
        model.addAttribute("remarks", judged.remarks());
        model.addAttribute("decision", decisions.decisions(List.of(handIn)).get(handIn));
        GivenView given = decisions.given(List.of(handIn)).get(handIn);
        model.addAttribute("given", given);
        judgement.digest().head().points().ifPresent(score -> {
            model.addAttribute("score", score);
            model.addAttribute("parts", parts(score, judgement.things()));
        });
        model.addAttribute("sentSlip", slips.sent(List.of(handIn)).get(handIn));
        model.addAttribute("done", audit.ofStudent(assignment.id(), shown.handIn().enrolmentId()));
        model.addAttribute("newDue",
                LocalDateTime.ofInstant(newDue(assignment), assignment.deadline().zone()).truncatedTo(ChronoUnit.MINUTES));
        audit.saw(me.accountId(), new AuditService.About(assignment.id(), shown.handIn().enrolmentId(), handIn));
    }

    /** What the student said of themselves: steps they did, and where the project lies. */
    void toldUs(CourseService.Membership place, Model model) {
        toldUs(place, kits.current(place.assignment()).map(PublishedKit::kit), model);
    }

    private void toldUs(CourseService.Membership place, Optional<Kit> newest, Model model) {
        model.addAttribute("steps", newest.map(kit -> steps.of(place, kit)).orElse(List.of()).stream()
                .filter(one -> one.step().confirm()).toList());
        model.addAttribute("placed", locations.history(place).stream().limit(MOST_PLACES).toList());
    }

    /** A week from now, at the hour of the deadline. */
    private static Instant newDue(AssignmentView assignment) {
        LocalDateTime due = LocalDateTime.ofInstant(assignment.dueAt(), assignment.deadline().zone());
        return LocalDateTime.now(assignment.deadline().zone()).plusDays(7).withHour(due.getHour()).withMinute(due.getMinute())
                .atZone(assignment.deadline().zone()).toInstant();
    }

    Neighbours neighbours(AssignmentView assignment, SignedIn me, BoardQuery query, long enrolment) {
        BoardOrders.Place place = orders.of(assignment, me.accountId(), query, enrolment);
        return new Neighbours(place.place(), place.all(), place.previous().map(one -> address(assignment, one, query)).orElse(""),
                place.next().map(one -> address(assignment, one, query)).orElse(""),
                "/assignments/" + assignment.id() + "/review" + query.carried());
    }

    /** It leads on to what they handed in, when there is something. */
    private static String address(AssignmentView assignment, long enrolment, BoardQuery query) {
        return "/assignments/" + assignment.id() + "/students/" + enrolment + query.carried();
    }

    private static Waived waived(Judgement.Waived one) {
        return new Waived(one.ruling().id(), Speech.words().message(one.finding()), one.ruling().reason(),
                Speech.say("desk.scope-" + one.ruling().scope()));
    }

    private static List<Part> parts(Score score, List<FindingGroups.Group> things) {
        List<Part> out = new ArrayList<>();
        for (Score.Part part : score.parts()) {
            List<Off> off = part.off().stream().map(one -> new Off(Speech.words().heading(things.get(one.thing())), one.off())).toList();
            if (part.of() > 0) {
                out.add(new Part(part.part(), part.of(), BigDecimal.valueOf(part.of()).subtract(part.taken()), off));
            }
        }
        return out;
    }

    /** What was found, by the key of one of its findings, with all that is told with it. */
    static Optional<FindingGroups.Group> thing(Judgement judgement, String code, String key) {
        return judgement.things().stream().filter(group -> group.code().equals(code))
                .filter(group -> group.findings().stream().anyMatch(one -> org.opensatchel.core.judging.FindingKey.of(one).equals(key)))
                .findFirst();
    }
}
