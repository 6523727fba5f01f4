package org.opensatchel.web.job;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Collection;
import java.util.HashSet;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.opensatchel.base.hash.Sha256;
import org.opensatchel.web.storage.Moments;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Jobs as they stand in the database, which all servers share: asked for, looked at, cancelled, and carried on by whoever has a place. */
@Service
public class JobService {

    /** Without a sign of life for so long, whoever was at a job is gone. */
    private static final Duration LOST = Duration.ofSeconds(30);
    /** What was made stays for so long. */
    public static final Duration KEPT = Duration.ofHours(1);
    /** That something went wrong which may have passed is told for so long; asked again after that, it is tried again. */
    private static final Duration TOLD = Duration.ofSeconds(20);
    private static final int MOST_TRIES = 3;
    /** Of one person so many may wait or go on; more is answered when one has ended. */
    private static final int MOST_OF_ONE = 6;
    private static final String VIEW = "select j.id, j.state, j.done, j.whole, j.trouble, (select count(*) from job o where o.state in ('WAITING', 'RUNNING') "
            + "and o.asked_at < j.asked_at and o.kind = j.kind) as before from job j ";

    private final JdbcClient database;
    private final Clock clock;

    JobService(JdbcClient database, Clock clock) {
        this.database = database;
        this.clock = clock;
    }

    /** What is carried on by somebody. */
    record Claim(long id, String token, String kind, JobWork.Asked asked, int tries) {}

    /**
     * Asks for something, unless it was asked for and is there, or waits, already, or is known to want too much.
     *
     * @return empty when this person waits for as much as one may
     */
    @Transactional
    public Optional<Job> ask(String kind, long course, long account, byte[] work) {
        String name = Sha256.of(work);
        Optional<Job> known = find(kind, course, work);
        if (known.filter(job -> job.isOpen() || job.isDone() || job.trouble().equals(Optional.of(Job.Trouble.SIZE))).isPresent()) {
            return known;
        }
        long open = database.sql("select count(*) from job where account_id = ? and state in ('WAITING', 'RUNNING')").param(account)
                .query(Long.class).single();
        if (open >= MOST_OF_ONE) {
            return Optional.empty();
        }
        database.sql("insert into job (kind, course_id, account_id, name, work, state, asked_at) values (?, ?, ?, ?, ?, 'WAITING', ?) "
                + "on conflict (course_id, kind, name) do update set state = 'WAITING', asked_at = excluded.asked_at, tries = 0, ended_at = null, "
                + "trouble = null, account_id = excluded.account_id where job.state = 'CANCELLED' "
                + "or job.state = 'FAILED' and job.trouble <> 'SIZE' and job.ended_at < ?")
                .params(kind, course, account, name, work, Moments.at(clock.instant()), Moments.at(clock.instant().minus(TOLD))).update();
        return find(kind, course, work);
    }

    /** Where something stands that was asked for. */
    @Transactional(readOnly = true)
    public Optional<Job> find(String kind, long course, byte[] work) {
        return database.sql(VIEW + "where j.course_id = ? and j.kind = ? and j.name = ?").params(course, kind, Sha256.of(work))
                .query(JobService::job).optional();
    }

    /** A job by its number, which a request names. */
    @Transactional(readOnly = true)
    public Optional<Job> find(String kind, long course, long id) {
        return database.sql(VIEW + "where j.course_id = ? and j.kind = ? and j.id = ?").params(course, kind, id).query(JobService::job)
                .optional();
    }

    /** What was asked of a job. */
    @Transactional(readOnly = true)
    public byte[] work(Job job) {
        return database.sql("select work from job where id = ?").param(job.id()).query((row, number) -> row.getBytes(1)).list().get(0);
    }

    /** Of some jobs those that go on no longer. */
    @Transactional(readOnly = true)
    public Set<Long> ended(Set<Long> some) {
        Long[] ids = some.toArray(Long[]::new);
        Set<Long> out = new HashSet<>(some);
        database.sql("select id from job where id = any(?) and state in ('WAITING', 'RUNNING')").param(ids).query(Long.class).list()
                .forEach(out::remove);
        return out;
    }

    /** The answer of a job that is done. */
    @Transactional(readOnly = true)
    public byte[] answer(Job job) {
        return database.sql("select answer from job where id = ? and state = 'DONE'").param(job.id())
                .query((row, number) -> row.getBytes(1)).list().get(0);
    }

    /** Ends a job that somebody asked for and does not want any more. */
    @Transactional
    public void cancel(String kind, long course, byte[] work) {
        database.sql("update job set state = 'CANCELLED', claimed_by = null, ended_at = ? where course_id = ? and kind = ? and name = ? "
                + "and state in ('WAITING', 'RUNNING')").params(Moments.at(clock.instant()), course, kind, Sha256.of(work)).update();
    }

    /** Ends a job of somebody's own. */
    @Transactional
    public void cancel(long id, long account) {
        database.sql("update job set state = 'CANCELLED', claimed_by = null, ended_at = ? where id = ? and account_id = ? "
                + "and state in ('WAITING', 'RUNNING')").params(Moments.at(clock.instant()), id, account).update();
    }

    /** Has something that ended made anew when it is asked for again, since what it made is gone. */
    @Transactional
    public void forget(Job job) {
        database.sql("delete from job where id = ? and ended_at is not null").param(job.id()).update();
    }

    /** Says how far a job is. */
    @Transactional
    public void progress(Claim claim, long done, long whole) {
        database.sql("update job set done = ?, whole = ?, heartbeat = ? where id = ? and claimed_by = ? and state = 'RUNNING'")
                .params(done, whole, Moments.at(clock.instant()), claim.id, claim.token).update();
    }

    /** Takes the job of some kinds that has waited longest. */
    @Transactional
    public Optional<Claim> claim(Collection<String> kinds) {
        String token = UUID.randomUUID().toString();
        return database
                .sql("update job set state = 'RUNNING', claimed_by = ?, heartbeat = ?, tries = tries + 1, done = 0, whole = 0 where id = (select id from job "
                        + "where state = 'WAITING' and kind = any(?) order by asked_at, id limit 1 for update skip locked) returning id, kind, course_id, account_id, work, tries")
                .params(token, Moments.at(clock.instant()), kinds.toArray(String[]::new))
                .query((row, number) -> new Claim(row.getLong("id"), token, row.getString("kind"),
                        new JobWork.Asked(row.getLong("course_id"), row.getLong("account_id"), row.getBytes("work")), row.getInt("tries")))
                .optional();
    }

    /** Gives a sign of life; false when the job is no longer whose who gives it. */
    @Transactional
    public boolean alive(Claim claim) {
        return database.sql("update job set heartbeat = ? where id = ? and claimed_by = ? and state = 'RUNNING'")
                .params(Moments.at(clock.instant()), claim.id, claim.token).update() == 1;
    }

    @Transactional
    public void done(Claim claim, byte[] answer) {
        database.sql(
                "update job set state = 'DONE', answer = ?, ended_at = ?, claimed_by = null where id = ? and claimed_by = ? and state = 'RUNNING'")
                .params(answer, Moments.at(clock.instant()), claim.id, claim.token).update();
    }

    @Transactional
    public void failed(Claim claim, Job.Trouble trouble) {
        // A fault of ours may be gone when it is tried again.
        boolean last = trouble != Job.Trouble.FAULT || claim.tries >= MOST_TRIES;
        database.sql(
                "update job set state = ?, trouble = ?, ended_at = ?, claimed_by = null where id = ? and claimed_by = ? and state = 'RUNNING'")
                .params(last ? "FAILED" : "WAITING", trouble.name(), last ? Moments.at(clock.instant()) : null, claim.id, claim.token)
                .update();
    }

    /** Puts a job back that is not to be ended here, as if it had not been begun. */
    @Transactional
    public void release(Claim claim) {
        database.sql(
                "update job set state = 'WAITING', claimed_by = null, tries = tries - 1 where id = ? and claimed_by = ? and state = 'RUNNING'")
                .params(claim.id, claim.token).update();
    }

    /** Jobs whose server is gone wait again; what ended servers as often as it was tried is given up. */
    @Transactional
    public int takeBackLost() {
        Instant now = clock.instant();
        return database.sql(
                "update job set state = case when tries >= ? then 'FAILED' else 'WAITING' end, ended_at = case when tries >= ? then ? end, "
                        + "trouble = 'FAULT', claimed_by = null where state = 'RUNNING' and heartbeat < ?")
                .params(MOST_TRIES, MOST_TRIES, Moments.at(now), Moments.at(now.minus(LOST))).update();
    }

    /** Lets go of what ended a while ago; asked again, it is made again. */
    @Transactional
    public int prune() {
        return database.sql("delete from job where ended_at < ?").param(Moments.at(clock.instant().minus(KEPT))).update();
    }

    private static Job job(ResultSet row, int number) throws SQLException {
        return new Job(row.getLong("id"), Job.State.valueOf(row.getString("state")), row.getLong("before"), row.getLong("done"),
                row.getLong("whole"), Optional.ofNullable(row.getString("trouble")).map(Job.Trouble::valueOf));
    }
}
