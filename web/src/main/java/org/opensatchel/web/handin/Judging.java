package org.opensatchel.web.handin;

import jakarta.persistence.EntityManager;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.time.Duration;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.LongFunction;
import java.util.stream.Collectors;
import org.hibernate.Session;
import org.opensatchel.core.judging.Judgement;
import org.opensatchel.core.judging.LateHandIn;
import org.opensatchel.core.judging.Theme;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.report.Report;
import org.opensatchel.core.report.Report.FindingLine;
import org.opensatchel.core.report.ReportDigest;
import org.opensatchel.core.report.Score;
import org.opensatchel.core.report.Summary;
import org.opensatchel.web.course.CourseService;
import org.opensatchel.web.decision.DecisionService;
import org.opensatchel.web.decision.RemarkView;
import org.opensatchel.web.decision.Subject;
import org.opensatchel.web.kit.KitService;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/**
 * Judges hand-ins anew: what a check found, and what was decided about it, give the columns that the board sorts and counts. The report
 * itself is not touched.
 */
@Component
class Judging {

    private static final int LONGEST_SUBJECT = 200;
    private static final int LONGEST_THEME = 80;
    private static final int AT_ONCE = 50;

    private final HandInRepository handIns;
    private final DecisionService decisions;
    private final KitService kits;
    private final CourseService courses;
    private final EntityManager entities;
    private final Digests digests;

    Judging(HandInRepository handIns, DecisionService decisions, KitService kits, CourseService courses, EntityManager entities,
            Digests digests) {
        this.courses = courses;
        this.digests = digests;
        this.handIns = handIns;
        this.decisions = decisions;
        this.kits = kits;
        this.entities = entities;
    }

    /**
     * What counts of some hand-ins of one assignment, by hand-in: so many questions to the database, however many they are.
     *
     * @param digested makes the digest of a report from before there were any
     */
    Map<Long, Judged> of(long assignment, Collection<Long> ids, LongFunction<ReportDigest> digested) {
        List<HandInRepository.Unjudged> some = handIns.toJudge(ids);
        Decided decided = new Decided(decisions.rulings(assignment), remarks(some), courses.deadlines(assignment));
        return some.stream().collect(Collectors.toMap(HandInRepository.Unjudged::getId, one -> {
            Kit kit = kits.version(one.getKitVersionId()).kit();
            ReportDigest digest = one.getDigest() == null ? digested.apply(one.getId()) : digests.read(one.getDigest());
            return new Judged(decided.judge(one, digest, kit, kit.points()), kit.version(), decided.remarks(one));
        }));
    }

    /** Judges what was not judged since something changed of these; in the order of their numbers, so that two who do it do not meet. */
    @Transactional
    public void catchUp(Collection<Long> ids) {
        List<HandInRepository.Unjudged> open = ids.isEmpty() ? List.of() : handIns.unjudged(ids);
        List<Long> assignments = open.stream().map(HandInRepository.Unjudged::getAssignmentId).distinct().toList();
        Map<Long, DecisionService.Rulings> rulings = assignments.stream()
                .collect(Collectors.toMap(assignment -> assignment, decisions::rulings));
        Map<Long, CourseService.Deadlines> deadlines = assignments.stream()
                .collect(Collectors.toMap(assignment -> assignment, courses::deadlines));
        for (int from = 0; from < open.size(); from += AT_ONCE) {
            List<HandInRepository.Unjudged> some = open.subList(from, Math.min(open.size(), from + AT_ONCE));
            Map<Long, List<RemarkView>> remarks = remarks(some);
            entities.unwrap(Session.class).doWork(connection -> {
                for (HandInRepository.Unjudged one : some) {
                    Decided decided = new Decided(rulings.get(one.getAssignmentId()), remarks, deadlines.get(one.getAssignmentId()));
                    Kit kit = kits.version(one.getKitVersionId()).kit();
                    keep(connection, one.getId(), decided.judge(one, digests.read(one.getDigest()), kit, kit.points()));
                }
            });
        }
    }

    private Map<Long, List<RemarkView>> remarks(List<HandInRepository.Unjudged> some) {
        return decisions.remarks(some.stream().map(HandInRepository.Unjudged::getId).toList());
    }

    /** What was decided about the hand-ins of an assignment, and raised about some. */
    private record Decided(DecisionService.Rulings rulings, Map<Long, List<RemarkView>> remarks, CourseService.Deadlines deadlines) {
        Judgement judge(HandInRepository.Unjudged one, ReportDigest digest, Kit kit, Optional<Kit.Points> points) {
            Subject subject = new Subject(one.getAssignmentId(), one.getEnrolmentId(), one.getId());
            return Judgement.of(digest, LateHandIn.beside(late(one), kit), rulings.about(subject), DecisionService.raised(remarks(one)),
                    points);
        }

        /** Nobody minds when somebody has their files checked before they hand in. */
        private Optional<Duration> late(HandInRepository.Unjudged one) {
            return one.getKind().equals("PRE_CHECK") ? Optional.empty()
                    : deadlines.of(one.getEnrolmentId()).late(one.getReceivedAt());
        }

        List<RemarkView> remarks(HandInRepository.Unjudged one) {
            return remarks.getOrDefault(one.getId(), List.of());
        }
    }

    /** What each student would earn by a rule of points, with all that was decided; nothing is kept of it. */
    List<HandInService.Earned> earned(long assignment, Kit.Points rule) {
        List<HandInRepository.Unjudged> counting = handIns.countingDigests(assignment);
        Decided decided = new Decided(decisions.rulings(assignment), remarks(counting), courses.deadlines(assignment));
        return counting.stream().map(one -> {
            ReportDigest digest = digests.read(one.getDigest());
            Kit kit = kits.version(one.getKitVersionId()).kit();
            return new HandInService.Earned(one.getEnrolmentId(), one.getId(),
                    decided.judge(one, digest, kit, kit.points()).digest().head().points(),
                    decided.judge(one, digest, kit, Optional.of(rule)).digest().head().points());
        }).toList();
    }

    private static void keep(Connection connection, long handIn, Judgement judgement) throws SQLException {
        Report head = judgement.digest().head();
        try (PreparedStatement columns = connection.prepareStatement("update hand_in set judged = true, verdict = ?, must = ?, should = ?, "
                + "note = ?, marks = ?, doubts = ?, points = ?, points_of = ?, points_parts = ?, codes = ? where id = ? and state = 'DONE'")) {
            columns.setString(1, head.verdict().word());
            columns.setInt(2, head.counts().must());
            columns.setInt(3, head.counts().should());
            columns.setInt(4, head.counts().note());
            columns.setString(5, Summary.marks(head.findings()));
            columns.setInt(6, head.doubtful());
            columns.setBigDecimal(7, head.points().map(Score::earned).orElse(null));
            columns.setObject(8, head.points().map(Score::of).orElse(null), java.sql.Types.INTEGER);
            columns.setString(9, head.points().map(Judging::parts).orElse(""));
            columns.setString(10, codes(head.findings()));
            columns.setLong(11, handIn);
            columns.executeUpdate();
        }
        try (PreparedStatement remove = connection.prepareStatement("delete from hand_in_finding where hand_in_id = ?")) {
            remove.setLong(1, handIn);
            remove.executeUpdate();
        }
        try (PreparedStatement add = connection.prepareStatement(
                "insert into hand_in_finding (hand_in_id, ordinal, code, severity, theme, subject) values (?, ?, ?, ?, ?, ?)")) {
            int ordinal = 0;
            for (FindingLine finding : head.findings()) {
                add(add, handIn, ordinal++, finding, finding.severity());
            }
            for (Judgement.Waived waived : judgement.waived()) {
                add(add, handIn, ordinal++, waived.finding(), "waived");
            }
            add.executeBatch();
        }
    }

    private static void add(PreparedStatement add, long handIn, int ordinal, FindingLine finding, String severity) throws SQLException {
        add.setLong(1, handIn);
        add.setInt(2, ordinal);
        add.setString(3, finding.code());
        add.setString(4, severity);
        add.setString(5, cut(Theme.of(finding).text(), LONGEST_THEME));
        add.setString(6, cut(Theme.subject(finding), LONGEST_SUBJECT));
        add.addBatch();
    }

    private static String codes(List<FindingLine> findings) {
        Map<String, Integer> counts = new LinkedHashMap<>();
        findings.forEach(finding -> counts.merge(finding.code(), 1, Integer::sum));
        return counts.entrySet().stream().map(code -> code.getKey() + ":" + code.getValue()).collect(Collectors.joining(";"));
    }

    private static String parts(Score score) {
        return score.parts().stream().map(part -> java.math.BigDecimal.valueOf(part.of()).subtract(part.taken()).toPlainString())
                .collect(Collectors.joining(";"));
    }

    private static String cut(String text, int most) {
        String kept = text.replace("\0", "");
        return kept.codePointCount(0, kept.length()) <= most ? kept : kept.substring(0, kept.offsetByCodePoints(0, most));
    }
}
