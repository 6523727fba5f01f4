package org.opensatchel.web.decision;

import java.math.BigDecimal;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.opensatchel.core.judging.Judgement.Raised;
import org.opensatchel.core.judging.Ruling;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/**
 * What instructors decide about hand-ins. Nothing here is ever deleted: what is taken back stays, with who took it back. Whoever asks has
 * been let in before.
 */
@Service
@Transactional
public class DecisionService {

    private final RulingRepository rulings;
    private final RemarkRepository remarks;
    private final DecisionRepository decisions;
    private final DecisionRows rows;
    private final GivenPointsRepository given;
    private final Clock clock;

    DecisionService(RulingRepository rulings, RemarkRepository remarks, DecisionRepository decisions, DecisionRows rows,
            GivenPointsRepository given,
            Clock clock) {
        this.rulings = rulings;
        this.remarks = remarks;
        this.decisions = decisions;
        this.rows = rows;
        this.given = given;
        this.clock = clock;
    }

    /** What a double click, or another window, decides twice in a moment is decided once. */
    private static final Duration MOMENT = Duration.ofSeconds(10);

    /** The rulings of an assignment that count, to be asked for one hand-in after the other. */
    public static final class Rulings {
        private final List<MadeRuling> all;

        private Rulings(List<MadeRuling> all) {
            this.all = all;
        }

        public List<Ruling> about(Subject subject) {
            return all.stream().filter(ruling -> ruling.isAbout(subject)).map(MadeRuling::ruling).toList();
        }
    }

    /** Begins to decide about a hand-in: until the transaction ends nobody else does. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void hold(long handIn) {
        rows.hold(handIn);
    }

    @Transactional(readOnly = true)
    public Rulings rulings(long assignment) {
        return new Rulings(rulings.counting(assignment));
    }

    /**
     * Overrules findings.
     *
     * @param keys which findings of the code; none for all of them
     * @param severity what they weigh from now on; absent for nothing at all
     */
    public long rule(Subject subject, Ruling.Scope scope, String code, List<String> keys, Optional<String> severity, String reason,
            long by) {
        return rulings.saveAndFlush(new MadeRuling(subject, scope, code, keys, severity, reason, by, clock.instant())).id();
    }

    /** Takes a ruling on this assignment back; empty when there is none to take back. */
    public Optional<Ruling> takeBackRuling(long assignment, long ruling, long by) {
        Optional<MadeRuling> made = rulings.findById(ruling).filter(one -> one.assignmentId() == assignment && !one.isUndone());
        made.ifPresent(one -> one.undo(by, clock.instant()));
        return made.map(MadeRuling::ruling);
    }

    /** @return empty where the same was remarked a moment ago */
    public Optional<Long> remark(Subject subject, Optional<String> severity, String path, String text, long by) {
        Instant now = clock.instant();
        boolean twice = remarks.of(List.of(subject.handIn())).stream().map(Remark::view)
                .anyMatch(one -> one.text().equals(text) && one.path().equals(path) && one.severity().equals(severity)
                        && one.madeAt().isAfter(now.minus(MOMENT)));
        return twice ? Optional.empty() : Optional.of(made(subject, severity, path, text, by));
    }

    private long made(Subject subject, Optional<String> severity, String path, String text, long by) {
        return remarks.saveAndFlush(new Remark(subject.handIn(), severity, path, text, by, clock.instant())).view().id();
    }

    public boolean removeRemark(Subject subject, long remark, long by) {
        Optional<Remark> made = remarks.findById(remark).filter(one -> one.handInId() == subject.handIn());
        made.ifPresent(one -> one.remove(by, clock.instant()));
        return made.isPresent();
    }

    /** The remarks on some hand-ins, the oldest first. */
    @Transactional(readOnly = true)
    public Map<Long, List<RemarkView>> remarks(Collection<Long> handIns) {
        return handIns.isEmpty() ? Map.of()
                : remarks.of(handIns).stream().map(Remark::view).collect(Collectors.groupingBy(RemarkView::handIn));
    }

    /** What somebody found by eye. */
    public static List<Raised> raised(List<RemarkView> remarks) {
        return remarks.stream().filter(remark -> remark.severity().isPresent()).map(RemarkView::raised).toList();
    }

    /** Decides about a hand-in; what was decided before holds no more. The same decided again is the same decision. */
    public long decide(Subject subject, DecisionView.Kind kind, String reason, Optional<Instant> due, Optional<Instant> dueBefore,
            long by) {
        Optional<DecisionView> same = decisions.of(List.of(subject.handIn())).stream().map(Decision::view)
                .filter(one -> one.kind() == kind && one.reason().equals(reason) && one.due().equals(due)).findFirst();
        if (same.isPresent()) {
            return same.get().id();
        }
        decisions.of(List.of(subject.handIn())).forEach(before -> before.undo(by, clock.instant()));
        return decisions.saveAndFlush(new Decision(subject.handIn(), kind, reason, due, dueBefore, by, clock.instant())).view().id();
    }

    /** Takes back what was decided about a hand-in. */
    public Optional<DecisionView> takeBackDecision(Subject subject, long by) {
        List<Decision> made = decisions.of(List.of(subject.handIn()));
        made.forEach(one -> one.undo(by, clock.instant()));
        return made.stream().reduce((a, b) -> b).map(Decision::view);
    }

    /** What is decided about some hand-ins. */
    @Transactional(readOnly = true)
    public Map<Long, DecisionView> decisions(Collection<Long> handIns) {
        Map<Long, DecisionView> out = new HashMap<>();
        if (!handIns.isEmpty()) {
            decisions.of(handIns).stream().map(Decision::view).forEach(one -> out.put(one.handIn(), one));
        }
        return out;
    }

    /** What is decided about the hand-ins of an assignment. */
    @Transactional(readOnly = true)
    public Map<Long, DecisionView> decisionsOf(long assignment) {
        Map<Long, DecisionView> out = new HashMap<>();
        decisions.ofAssignment(assignment).stream().map(Decision::view).forEach(one -> out.put(one.handIn(), one));
        return out;
    }

    /** Gives points by hand; those given before hold no more. */
    public void give(Subject subject, BigDecimal points, String reason, long by) {
        takeBackPoints(subject, by);
        given.saveAndFlush(new GivenPoints(subject.handIn(), points, reason, by, clock.instant()));
    }

    public boolean takeBackPoints(Subject subject, long by) {
        List<GivenPoints> made = given.of(List.of(subject.handIn()));
        made.forEach(one -> one.undo(by, clock.instant()));
        return !made.isEmpty();
    }

    /** The points given by hand to some hand-ins. */
    @Transactional(readOnly = true)
    public Map<Long, GivenView> given(Collection<Long> handIns) {
        Map<Long, GivenView> out = new HashMap<>();
        if (!handIns.isEmpty()) {
            given.of(handIns).stream().map(GivenPoints::view).forEach(one -> out.put(one.handIn(), one));
        }
        return out;
    }

    /** The points given by hand to the hand-ins of an assignment. */
    @Transactional(readOnly = true)
    public Map<Long, GivenView> givenOf(long assignment) {
        Map<Long, GivenView> out = new HashMap<>();
        given.ofAssignment(assignment).stream().map(GivenPoints::view).forEach(one -> out.put(one.handIn(), one));
        return out;
    }
}
