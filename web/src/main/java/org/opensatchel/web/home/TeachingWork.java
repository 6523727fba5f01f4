package org.opensatchel.web.home;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.core.report.Verdict;
import org.opensatchel.web.storage.Moments;
import org.opensatchel.web.text.Speech;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** What waits in the assignments somebody teaches: one question for all of them. */
@Component
class TeachingWork {

    private static final Duration NEW = Duration.ofDays(1);
    private static final int MOST_FOUND = 50;

    /** What counts of everybody in the assignments somebody teaches. */
    private static final String COUNTING = """
            with mine as (
              select a.id, a.course_id from assignment a join course_instructor t on t.course_id = a.course_id where t.account_id = :account),
            here as (
              select m.id as assignment, e.id as enrolment from mine m join enrolment e on e.course_id = m.course_id where e.left_at is null),
            last as (
              select p.assignment, l.* from here p cross join lateral (select h.id, h.verdict, h.should, h.doubts, h.state, h.folders, h.received_at as received from hand_in h
                where h.assignment_id = p.assignment and h.enrolment_id = p.enrolment and h.counts_since is not null order by h.counts_since desc limit 1) l)
            """;

    private static final String QUESTION = COUNTING
            + """
                    , placed as (
                      select l.assignment_id as assignment, count(distinct l.enrolment_id) as places from project_location l
                      join here p on p.assignment = l.assignment_id and p.enrolment = l.enrolment_id group by l.assignment_id),
                    handed as (
                      select l.assignment, count(*) as handed, count(*) filter (where l.verdict in ('fix', 'blocked')) as fix,
                        count(*) filter (where l.verdict = 'ready' and (l.should > 0 or l.doubts > 0)) as tidy,
                        count(*) filter (where l.verdict = 'ready' and l.should = 0 and l.doubts = 0) as ready,
                        count(*) filter (where l.received > :since) as fresh,
                        count(*) filter (where l.verdict in ('fix', 'blocked') and not exists (select 1 from slip s where s.hand_in_id = l.id and s.sent_at is not null)
                          and not exists (select 1 from decision d where d.hand_in_id = l.id and d.undone_at is null)) as waiting
                      from last l group by l.assignment)
                    select m.id as assignment, (select count(*) from here p where p.assignment = m.id) as students, coalesce(p.places, 0) as placed,
                      coalesce(h.handed, 0) as handed, coalesce(h.fix, 0) as fix, coalesce(h.tidy, 0) as tidy, coalesce(h.ready, 0) as ready,
                      coalesce(h.fresh, 0) as fresh, coalesce(h.waiting, 0) as waiting
                    from mine m left join placed p on p.assignment = m.id left join handed h on h.assignment = m.id""";

    private static final String FILLED = COUNTING
            + """
                    select l.assignment, f.folder, count(*) as projects from last l cross join unnest(l.folders) as f(folder) group by l.assignment, f.folder""";

    private static final String SEARCH = """
            select a.id as assignment, c.code || ' ' || c.title as course, a.code || ' ' || a.title as title, e.id as enrolment, e.last_name as last,
              e.first_name as first, e.student_number as number, h.id as hand_in, h.verdict as verdict, h.should as should, h.doubts as doubts
            from enrolment e join course c on c.id = e.course_id join course_instructor t on t.course_id = c.id and t.account_id = :account
            join assignment a on a.course_id = c.id
            left join lateral (select id, verdict, should, doubts from hand_in where assignment_id = a.id and enrolment_id = e.id and counts_since is not null
              order by counts_since desc limit 1) h on true
            where e.left_at is null and (lower(e.first_name || ' ' || e.last_name) like :sought escape '!' or lower(e.last_name || ', ' || e.first_name) like :sought escape '!'
              or lower(e.student_number) like :begins escape '!') order by e.last_name, e.first_name, e.id, a.due_at limit :most""";

    private final JdbcClient database;
    private final Clock clock;

    TeachingWork(JdbcClient database, Clock clock) {
        this.database = database;
        this.clock = clock;
    }

    /**
     * What waits in an assignment.
     *
     * @param placed who set a location
     * @param fresh what came since yesterday
     * @param waiting what is to fix and nobody said anything about yet
     */
    record Waits(int students, int placed, int handed, int fix, int tidy, int ready, int fresh, int waiting) {

        static final Waits NOTHING = new Waits(0, 0, 0, 0, 0, 0, 0, 0);
        private static final int WIDTH = 480;

        /** How many projects were checked. */
        int checked() {
            return fix + tidy + ready;
        }

        /** The class as one line of stitches, one a student: what is torn first, then what is whole, then what is not there. */
        public List<Stitch> seam() {
            List<Stitch> out = new ArrayList<>();
            double step = (double) WIDTH / Math.max(1, students);
            int at = 0;
            for (String kind : List.of("drop", "dot", "whole", "checking", "gap")) {
                for (int i = 0; i < count(kind); i++) {
                    out.add(new Stitch(kind, (int) Math.round(at++ * step), Math.max(2, (int) Math.round(step * 0.62))));
                }
            }
            return out;
        }

        private int count(String kind) {
            return switch (kind) {
                case "drop" -> fix;
                case "dot" -> tidy;
                case "whole" -> ready;
                case "checking" -> handed - fix - tidy - ready;
                default -> Math.max(0, students - handed);
            };
        }

        public String words() {
            return Speech.say("home.seam", fix, tidy, ready, students - handed);
        }
    }

    /** A student's stitch; measures in the units of the drawing. */
    record Stitch(String kind, int x, int width) {}

    /** A student that was looked for, in one assignment. */
    record Found(long assignment, String course, String title, long enrolment, String listed, Long handIn, String told) {}

    @Transactional(readOnly = true)
    public Map<Long, Waits> of(long account) {
        Instant since = clock.instant().minus(NEW);
        Map<Long, Waits> out = new HashMap<>();
        database.sql(QUESTION).param("account", account).param("since", Moments.at(since)).query(row -> {
            out.put(row.getLong("assignment"), new Waits(row.getInt("students"), row.getInt("placed"), row.getInt("handed"),
                    row.getInt("fix"), row.getInt("tidy"), row.getInt("ready"), row.getInt("fresh"), row.getInt("waiting")));
        });
        return out;
    }

    /** By assignment and folder of its plan: how many of the projects that count have files in it. */
    @Transactional(readOnly = true)
    public Map<Long, Map<String, Integer>> filled(long account) {
        Map<Long, Map<String, Integer>> out = new HashMap<>();
        database.sql(FILLED).param("account", account).query(row -> {
            out.computeIfAbsent(row.getLong("assignment"), key -> new HashMap<>()).put(row.getString("folder"), row.getInt("projects"));
        });
        return out;
    }

    /** Students of the courses somebody teaches, by a part of their name or the beginning of their number. */
    @Transactional(readOnly = true)
    public List<Found> search(long account, String sought) {
        String plain = sought.strip().toLowerCase(Locale.ROOT).replace("!", "!!").replace("%", "!%").replace("_", "!_")
                .replace("\0", "");
        if (plain.isEmpty()) {
            return List.of();
        }
        return database.sql(SEARCH).param("account", account).param("sought", "%" + plain + "%").param("begins", plain + "%")
                .param("most", MOST_FOUND).query(TeachingWork::found).list();
    }

    private static Found found(ResultSet row, int number) throws SQLException {
        String first = row.getString("first");
        String verdict = row.getString("verdict");
        Optional<Long> handIn = Optional.ofNullable(row.getObject("hand_in", Long.class));
        String told = verdict == null ? handIn.isEmpty() ? "none" : "checking"
                : Verdict.of(verdict).told(row.getInt("should"), row.getInt("doubts")).word();
        return new Found(row.getLong("assignment"), row.getString("course"), row.getString("title"), row.getLong("enrolment"),
                first.isEmpty() ? row.getString("last") : row.getString("last") + ", " + first, handIn.orElse(null), told);
    }
}
