package org.opensatchel.web.judging;

import java.math.BigDecimal;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import org.opensatchel.base.text.Shortened;
import org.opensatchel.core.judging.Judgement;
import org.opensatchel.core.judging.Theme;
import org.opensatchel.core.report.PlanFound;
import org.opensatchel.core.report.Report;
import org.opensatchel.core.report.Report.FindingLine;
import org.opensatchel.core.report.Score;
import org.opensatchel.core.report.Summary;
import org.opensatchel.web.handin.CountingHandIns;
import org.opensatchel.web.storage.Moments;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** What is judged of hand-ins as it stands in the database, for the board to sort and to count. */
@Repository
class JudgedRows {

    private static final int LONGEST_SUBJECT = 200;
    private static final int LONGEST_THEME = 80;
    private static final String UNJUDGED = "select h.id, h.assignment_id, h.enrolment_id, h.kit_version_id, h.kind, h.received_at, h.digest ";

    private final JdbcClient database;
    private final JdbcTemplate batches;

    JudgedRows(JdbcClient database, JdbcTemplate batches) {
        this.database = database;
        this.batches = batches;
    }

    /**
     * What is needed to judge a hand-in.
     *
     * @param counts whether it was handed in, and not only checked before that
     * @param digest packed; null of one from before there were digests
     */
    record Unjudged(long id, long assignment, long enrolment, long kitVersion, boolean counts, Instant receivedAt, byte[] digest) {}

    private static Unjudged unjudged(ResultSet row, int number) throws SQLException {
        return new Unjudged(row.getLong(1), row.getLong(2), row.getLong(3), row.getLong(4), row.getString(5).equals("HAND_IN"),
                Moments.of(row, 6), row.getBytes(7));
    }

    /** What of these is checked and was not judged since something changed; held until the transaction ends. */
    List<Unjudged> unjudged(Collection<Long> ids) {
        return database.sql(
                UNJUDGED + """
                        from hand_in h where h.id in (:ids) and h.state = 'DONE' and not h.judged and h.digest is not null order by h.id for update""")
                .param("ids", ids).query(JudgedRows::unjudged).list();
    }

    /** Of each student the one that counts, if it is checked. */
    List<Unjudged> counting(long assignment) {
        return database.sql(CountingHandIns.SQL + UNJUDGED + """
                from counting join hand_in h on h.id = counting.id where h.state = 'DONE' and h.digest is not null order by h.id""")
                .param("assignment", assignment).query(JudgedRows::unjudged).list();
    }

    /** Some hand-ins, whatever was judged of them before. */
    List<Unjudged> toJudge(Collection<Long> ids) {
        return database.sql(UNJUDGED + "from hand_in h where h.id in (:ids)").param("ids", ids).query(JudgedRows::unjudged).list();
    }

    /** Has the hand-ins of an assignment judged again, all of them or those of one student, or one; 0 stands for all. */
    void judgeAgain(long assignment, long enrolment, long handIn) {
        database.sql(
                """
                        update hand_in set judged = false
                        where assignment_id = :assignment and (:enrolment = 0 or enrolment_id = :enrolment) and (:handIn = 0 or id = :handIn) and judged""")
                .param("assignment", assignment).param("enrolment", enrolment).param("handIn", handIn).update();
    }

    /** The one that counts of each student, and the first one, where it was not judged since something changed. */
    List<Long> countingUnjudged(long assignment) {
        return database
                .sql("""
                        select h.id from hand_in h
                        where h.assignment_id = ? and h.state = 'DONE' and not h.judged and h.digest is not null and (h.number = 1 or h.counts_since = (
                          select max(o.counts_since) from hand_in o where o.assignment_id = h.assignment_id and o.enrolment_id = h.enrolment_id))""")
                .param(assignment).query(Long.class).list();
    }

    /** What each student does wrong in the one that counts, and what in the first one, where that is another; what was waived is left out. */
    ClassFindings findings(long assignment) {
        List<ClassFindings.Line> now = new ArrayList<>();
        List<ClassFindings.Line> first = new ArrayList<>();
        database.sql(CountingHandIns.SQL + """
                , first as (
                  select distinct on (enrolment_id) id, enrolment_id from hand_in
                  where assignment_id = :assignment and kind = 'HAND_IN' and judged order by enrolment_id, number)
                select true as counts, c.enrolment_id, f.theme, f.code, f.severity, count(*) as findings
                from counting c join hand_in_finding f on f.hand_in_id = c.id
                where f.severity in ('must', 'should') group by c.enrolment_id, f.theme, f.code, f.severity
                union all
                select false, c.enrolment_id, f.theme, f.code, f.severity, count(*)
                from first c join hand_in_finding f on f.hand_in_id = c.id
                where f.severity in ('must', 'should') and c.id not in (select id from counting)
                group by c.enrolment_id, f.theme, f.code, f.severity""").param("assignment", assignment)
                .query(row -> {
                    (row.getBoolean("counts") ? now : first).add(new ClassFindings.Line(row.getLong("enrolment_id"), row.getString("theme"),
                            row.getString("code"), row.getString("severity"), row.getLong("findings")));
                });
        return new ClassFindings(now, first, shared(assignment));
    }

    /** Names of files that several students' hand-ins miss in the same way. */
    private List<ClassFindings.Shared> shared(long assignment) {
        return database.sql(CountingHandIns.SQL + """
                select f.theme, f.subject, count(distinct c.enrolment_id) as students
                from counting c join hand_in_finding f on f.hand_in_id = c.id
                where f.subject <> '' and f.severity in ('must', 'should')
                group by f.theme, f.subject having count(distinct c.enrolment_id) > 1 order by 3 desc, 2 limit 200""")
                .param("assignment", assignment)
                .query((row, number) -> new ClassFindings.Shared(row.getString(1), row.getString(2), row.getLong(3)))
                .list();
    }

    /** Keeps what was judged of a hand-in, which stays as it is if it is being checked again. */
    void keep(long handIn, Judgement judgement) {
        Report head = judgement.digest().head();
        Map<String, Integer> codes = Tally.codes(head.findings());
        database.sql(
                """
                        update hand_in set judged = true, verdict = :verdict, must = :must, must_told = :told, should = :should, note = :note, mark_counts = :marks,
                          doubts = :doubts, points = :points, points_of = :of, part_points = cast(:parts as numeric[]),
                          finding_codes = :codes, finding_counts = :counts, folders = :folders
                        where id = :id and state = 'DONE'""")
                .param("id", handIn).param("verdict", head.verdict().word())
                .param("must", head.counts().must()).param("told", judgement.mustTold()).param("should", head.counts().should())
                .param("note", head.counts().note())
                .param("marks", Summary.marks(head.findings()).toArray(Integer[]::new)).param("doubts", head.doubtful())
                .param("points", head.points().map(Score::earned).orElse(null), java.sql.Types.NUMERIC)
                .param("of", head.points().map(Score::of).orElse(null), java.sql.Types.INTEGER)
                .param("parts", head.points().map(JudgedRows::parts).orElse(new String[0]))
                .param("codes", codes.keySet().toArray(String[]::new)).param("counts", codes.values().toArray(Integer[]::new))
                .param("folders", head.plan().map(PlanFound::filled).orElse(List.of()).toArray(String[]::new)).update();
        database.sql("delete from hand_in_finding where hand_in_id = ?").param(handIn).update();
        List<Object[]> rows = new ArrayList<>();
        head.findings().forEach(finding -> rows.add(row(handIn, rows.size(), finding, finding.severity())));
        judgement.waived().forEach(waived -> rows.add(row(handIn, rows.size(), waived.finding(), "waived")));
        batches.batchUpdate("insert into hand_in_finding (hand_in_id, ordinal, code, severity, theme, subject) values (?, ?, ?, ?, ?, ?)",
                rows);
    }

    private static Object[] row(long handIn, int ordinal, FindingLine finding, String severity) {
        return new Object[]{handIn, ordinal, finding.code(), severity, cut(Theme.of(finding).text(), LONGEST_THEME),
                cut(Theme.subject(finding), LONGEST_SUBJECT)};
    }

    private static String[] parts(Score score) {
        return score.parts().stream().map(part -> BigDecimal.valueOf(part.of()).subtract(part.taken()).toPlainString())
                .toArray(String[]::new);
    }

    private static String cut(String text, int most) {
        return Shortened.end(text.replace("\0", ""), most);
    }
}
