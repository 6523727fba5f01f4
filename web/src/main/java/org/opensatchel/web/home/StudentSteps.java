package org.opensatchel.web.home;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.opensatchel.web.storage.Moments;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** How far a student is with each assignment: one question, for the band on top and for the first page. */
@Component
class StudentSteps {

    private static final String QUESTION = """
            select a.id as assignment, held.version as held, held.at as held_at, kit.version as newest, kit.published_at as published,
              place.places as places, place.to_fix as places_to_fix, c.verdict as checked, c.received_at as checked_at, c.must as check_must, place.placed as placed,
              h.id as hand_in, h.number as number, h.received_at as received, h.verdict as verdict, h.must_told as must, h.checked_at as judged,
              sent.count as sent, l.looked_at as looked
            from enrolment e join assignment a on a.course_id = e.course_id
            left join lateral (
              select version, published_at from kit_version where assignment_id = a.id order by version desc limit 1) kit on true
            left join lateral (
              select k.version, x.at from (
                select kit_version_id, collected_at as at, id from collection where enrolment_id = e.id
                union all
                select kit_version_id, loaded_at, id from drive_load where enrolment_id = e.id) x
              join kit_version k on k.id = x.kit_version_id
              where k.assignment_id = a.id order by x.at desc, x.id desc limit 1) held on true
            left join lateral (
              select count(*) filter (where not given_up) as places, count(*) filter (where not given_up and must + should > 0) as to_fix,
                max(set_at) as placed
              from (select distinct on (computer) given_up, must, should, set_at from project_location
                where assignment_id = a.id and enrolment_id = e.id order by computer, set_at desc, id desc) current) place on true
            left join lateral (
              select coalesce(verdict, '') as verdict, received_at, must from hand_in
              where assignment_id = a.id and enrolment_id = e.id and kind = 'PRE_CHECK' order by number desc limit 1) c on true
            left join lateral (
              select id, number, received_at, verdict, must_told, checked_at from hand_in
              where assignment_id = a.id and enrolment_id = e.id and counts_since is not null
              order by counts_since desc, number desc limit 1) h on true
            left join lateral (
              select count(*) as count from hand_in where assignment_id = a.id and enrolment_id = e.id and kind = 'HAND_IN') sent on true
            left join looked l on l.assignment_id = a.id and l.enrolment_id = e.id
            where e.account_id = :account and e.left_at is null and (:assignment = 0 or a.id = :assignment) order by a.due_at, a.id""";

    private final JdbcClient database;

    StudentSteps(JdbcClient database) {
        this.database = database;
    }

    /** A number with its time. */
    record Dated(int number, Instant at) {}

    /**
     * A project that was sent, and what came of it.
     *
     * @param verdict empty while it is checked
     */
    record Judged(long id, int number, Instant at, String verdict, int must, Optional<Instant> judged) {}

    /**
     * Where somebody is with an assignment.
     *
     * @param held the version of the kit they hold, and since when
     * @param newest the kit's newest version, and when it was published
     * @param places how many locations are set
     * @param toFix how many of these have a fault
     * @param placed when the last of them was set
     * @param check the last check before handing in
     * @param handIn the hand-in that counts
     * @param sent how many there are, withdrawn ones among them
     * @param looked when they last looked at the assignment
     */
    record Steps(long assignment, Optional<Dated> held, Optional<Dated> newest, int places, int toFix, Optional<Instant> placed,
            Optional<Judged> check,
            Optional<Judged> handIn, int sent, Optional<Instant> looked) {

        boolean isOutdated() {
            return held.isPresent() && newest.filter(kit -> kit.number() > held.get().number()).isPresent();
        }
    }

    /** Of all assignments that an account studies, the next to be due first. */
    @Transactional(readOnly = true)
    public List<Steps> of(long account) {
        return asked(account, 0);
    }

    /** Of one; empty for who does not study it. */
    @Transactional(readOnly = true)
    public Optional<Steps> of(long account, long assignment) {
        return asked(account, assignment).stream().findFirst();
    }

    /** Notes that somebody looks at an assignment now; once a minute is enough. */
    @Transactional
    public void looked(long account, long assignment, Instant now) {
        database.sql("""
                insert into looked (assignment_id, enrolment_id, looked_at)
                select a.id, e.id, :now from enrolment e join assignment a on a.course_id = e.course_id
                where a.id = :assignment and e.account_id = :account and e.left_at is null
                on conflict (assignment_id, enrolment_id) do update set looked_at = excluded.looked_at
                where looked.looked_at < excluded.looked_at - interval '1 minute'""").param("now", Moments.at(now))
                .param("assignment", assignment)
                .param("account", account).update();
    }

    private List<Steps> asked(long account, long assignment) {
        return database.sql(QUESTION).param("account", account).param("assignment", assignment).query(StudentSteps::steps).list();
    }

    private static Steps steps(ResultSet row, int number) throws SQLException {
        return new Steps(row.getLong("assignment"), dated(row, "held", "held_at"), dated(row, "newest", "published"),
                row.getInt("places"), row.getInt("places_to_fix"), Moments.maybe(row, "placed"), check(row), handIn(row),
                row.getInt("sent"),
                Moments.maybe(row, "looked"));
    }

    private static Optional<Judged> check(ResultSet row) throws SQLException {
        Optional<Instant> at = Moments.maybe(row, "checked_at");
        return at.isEmpty() ? Optional.empty()
                : Optional.of(new Judged(0, 0, at.get(), row.getString("checked"), row.getInt("check_must"), at));
    }

    private static Optional<Judged> handIn(ResultSet row) throws SQLException {
        Optional<Dated> sent = dated(row, "number", "received");
        return sent.isEmpty() ? Optional.empty()
                : Optional.of(new Judged(row.getLong("hand_in"), sent.get().number(), sent.get().at(),
                        Optional.ofNullable(row.getString("verdict")).orElse(""), row.getInt("must"), Moments.maybe(row, "judged")));
    }

    private static Optional<Dated> dated(ResultSet row, String number, String at) throws SQLException {
        Integer value = row.getObject(number, Integer.class);
        return value == null ? Optional.empty() : Optional.of(new Dated(value, Moments.of(row, at)));
    }
}
