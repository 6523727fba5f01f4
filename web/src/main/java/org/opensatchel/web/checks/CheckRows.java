package org.opensatchel.web.checks;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Duration;
import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.opensatchel.core.report.Summary;
import org.opensatchel.web.handin.CameIn;
import org.opensatchel.web.storage.Locks;
import org.opensatchel.web.storage.Moments;
import org.opensatchel.worker.WorkOrder;
import org.opensatchel.worker.WorkResult;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** The checks of hand-ins as they stand in the database. Who has one out of the queue holds a token, and every answer names it. */
@Repository
class CheckRows {

    /** Which kit the next check is made by, where it is not to be the one of the last. */
    private static final String WAIT_AGAIN = """
            update hand_in h set state = 'WAITING', failure = null, tries = 0, faults = 0, queued_at = :now, not_before = :now,
              next_kit_version_id = case when :newest then (
                select k.id from kit_version k where k.assignment_id = h.assignment_id order by k.version desc limit 1) end
            """;

    private final JdbcClient database;
    private final Locks locks;

    CheckRows(JdbcClient database, Locks locks) {
        this.database = database;
        this.locks = locks;
    }

    /**
     * A check that was taken out of the queue.
     *
     * @param tries how often it failed by what the project wants
     * @param faults how often it failed by our fault
     */
    record Claimed(CameIn cameIn, int tries, int faults) {}

    /** Waits until no other server takes a check out of the queue, and holds that until the transaction ends. */
    void lockQueue() {
        locks.hold(Locks.What.CHECK_QUEUE);
    }

    /** Checks that may begin, those that have waited longest first. */
    List<FairQueue.Waiting> waiting(Instant now) {
        return database.sql("""
                select h.id, a.course_id, e.account_id, h.queued_at, h.weight
                from hand_in h join assignment a on a.id = h.assignment_id join enrolment e on e.id = h.enrolment_id
                where h.state = 'WAITING' and h.not_before <= ? order by h.queued_at limit 5000""").param(Moments.at(now))
                .query((row, number) -> new FairQueue.Waiting(row.getLong(1), row.getLong(2), row.getLong(3),
                        Moments.of(row, 4), row.getInt(5)))
                .list();
    }

    /** Checks that go on, on any server. */
    List<FairQueue.Running> running() {
        return database.sql("""
                select a.course_id, e.account_id, h.weight
                from hand_in h join assignment a on a.id = h.assignment_id join enrolment e on e.id = h.enrolment_id
                where h.state = 'CHECKING'""")
                .query((row, number) -> new FairQueue.Running(row.getLong(1), row.getLong(2), row.getInt(3))).list();
    }

    /** Takes a check out of the queue; empty when it waits no more. */
    Optional<Claimed> claim(long id, String token, Instant now) {
        return database.sql("""
                update hand_in set state = 'CHECKING', claimed_by = ?, heartbeat = ?, files_done = 0, bytes_done = 0
                where id = ? and state = 'WAITING'
                returning id, assignment_id, enrolment_id, sha256, form, coalesce(next_kit_version_id, kit_version_id) as kit_version,
                  tries, faults""").params(token, Moments.at(now), id).query(CheckRows::claimed).optional();
    }

    private static Claimed claimed(ResultSet row, int number) throws SQLException {
        return new Claimed(new CameIn(row.getLong("id"), row.getLong("assignment_id"), row.getLong("enrolment_id"), row.getString("sha256"),
                WorkOrder.Form.valueOf(row.getString("form")), row.getLong("kit_version")), row.getInt("tries"), row.getInt("faults"));
    }

    /** Whether a check is still that of who claimed it; its row stays theirs until the transaction ends. */
    boolean isOurs(long id, String token) {
        return database.sql("select 1 from hand_in where id = ? and claimed_by = ? and state = 'CHECKING' for update").params(id, token)
                .query(Integer.class).optional().isPresent();
    }

    /** Keeps the report that is about to be made again. */
    void keepPast(long id) {
        database.sql("""
                insert into past_report (hand_in_id, kit_version_id, checked_at, verdict, must, should, note, report)
                select id, kit_version_id, checked_at, verdict, must, should, note, report from hand_in
                where id = ? and report is not null and checked_at is not null and verdict is not null""").param(id).update();
    }

    /** A sign of life of whoever checks it; false when it is no longer theirs. */
    boolean alive(long id, String token, Instant now, long files, long bytes) {
        return database.sql("""
                update hand_in set heartbeat = ?, files_done = ?, bytes_done = ?
                where id = ? and claimed_by = ? and state = 'CHECKING'""").params(Moments.at(now), files, bytes, id, token).update() == 1;
    }

    /** Keeps what came of a check; false when it is somebody else's by now. */
    boolean done(long id, String token, Instant now, WorkResult result) {
        Summary summary = result.summary();
        return database.sql("""
                update hand_in set state = 'DONE', claimed_by = null, failure = null, checked_at = :now, judged = false,
                  kit_version_id = coalesce(next_kit_version_id, kit_version_id), next_kit_version_id = null,
                  verdict = :verdict, must = :must, should = :should, note = :note, mark_counts = :marks, seam = :seam, links = :links,
                  doubts = :doubts, report = :report, digest = :digest
                where id = :id and claimed_by = :token and state = 'CHECKING'""").param("id", id).param("token", token)
                .param("now", Moments.at(now)).param("verdict", summary.verdict().word()).param("must", summary.must())
                .param("should", summary.should())
                .param("note", summary.note()).param("marks", summary.marks().toArray(Integer[]::new)).param("seam", summary.seam())
                .param("links", summary.links()).param("doubts", summary.doubts()).param("report", result.report())
                .param("digest", result.digest()).update() == 1;
    }

    /** Puts a check back, to be tried again or given up. */
    void putBack(Claimed check, String token, boolean last, String failure, Instant notBefore) {
        database.sql("""
                update hand_in set state = ?, claimed_by = null, failure = ?, tries = ?, faults = ?, not_before = ?
                where id = ? and claimed_by = ? and state = 'CHECKING'""")
                .params(last ? "FAILED" : "WAITING", failure, check.tries, check.faults, Moments.at(notBefore), check.cameIn.id(), token)
                .update();
    }

    /** Checks whose server is gone wait again, each time a little longer; that is no fault of the project. */
    int takeBackLost(Instant before, Instant now, Duration longest) {
        return database.sql("""
                update hand_in set state = 'WAITING', failure = null, faults = faults + 1, claimed_by = null,
                  not_before = cast(? as timestamp with time zone) + least(?, power(2, least(faults, 8))) * interval '1 second'
                where state = 'CHECKING' and (heartbeat is null or heartbeat < ?)""")
                .params(Moments.at(now), longest.toSeconds(), Moments.at(before)).update();
    }

    /** Lets a check that ended be made again, from the beginning; by the newest kit, or by the one it was made by. */
    boolean again(long id, Instant now, boolean newest) {
        return database.sql(WAIT_AGAIN + "where h.id = :id and h.state in ('DONE', 'FAILED')").param("id", id).param("now", Moments.at(now))
                .param("newest", newest).update() == 1;
    }

    /** The same for the hand-ins of some students that count. */
    int countingAgain(long assignment, Collection<Long> enrolments, Instant now, boolean newest) {
        return database.sql(WAIT_AGAIN
                + """
                        where h.assignment_id = :assignment and h.enrolment_id in (:enrolments) and h.state in ('DONE', 'FAILED')
                          and h.counts_since = (
                            select max(o.counts_since) from hand_in o where o.assignment_id = h.assignment_id and o.enrolment_id = h.enrolment_id)""")
                .param("assignment", assignment).param("enrolments", enrolments).param("now", Moments.at(now)).param("newest", newest)
                .update();
    }

    long countWaiting(Instant now) {
        return database.sql("select count(*) from hand_in where state = 'WAITING' and not_before <= ?").param(Moments.at(now))
                .query(Long.class)
                .single();
    }

    /** When the check that waits longest was to begin. */
    Optional<Instant> oldestWaiting(Instant now) {
        return database.sql("""
                select queued_at from hand_in where state = 'WAITING' and not_before <= ? order by queued_at limit 1""")
                .param(Moments.at(now))
                .query((row, number) -> Moments.of(row, 1)).optional();
    }

    /** The digests of the student's checked hand-ins before this one, or of all before a pre-check, the newest first. */
    List<byte[]> digestsBefore(long id) {
        return database.sql("""
                select e.digest from hand_in e
                join hand_in h on h.assignment_id = e.assignment_id and h.enrolment_id = e.enrolment_id
                where h.id = ? and e.kind = 'HAND_IN' and (h.kind = 'PRE_CHECK' or e.number < h.number) and e.state = 'DONE'
                  and e.digest is not null
                order by e.number desc limit 5""").param(id).query((row, number) -> row.getBytes(1)).list();
    }
}
