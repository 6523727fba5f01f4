package org.opensatchel.web.handout;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.web.handout.HandoutService.Held;
import org.opensatchel.web.storage.Moments;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** What students got last, collected or loaded onto a drive, and which steps they confirmed. */
@Repository
class HeldRows {

    private final JdbcClient database;

    HeldRows(JdbcClient database) {
        this.database = database;
    }

    /** What each student of an assignment got, by enrolment. */
    Map<Long, Held> of(long assignment) {
        Map<Long, Held> out = new HashMap<>();
        database.sql("""
                select distinct on (got.enrolment_id) got.enrolment_id, k.id, k.version, got.at, got.drive, got.handed_out
                from (
                  select enrolment_id, kit_version_id, collected_at as at, '' as drive, handed_out from collection
                  union all
                  select enrolment_id, kit_version_id, loaded_at, drive, true from drive_load) got
                join kit_version k on k.id = got.kit_version_id
                where k.assignment_id = ? order by got.enrolment_id, got.at desc, k.version desc""").param(assignment).query(row -> {
            out.put(row.getLong("enrolment_id"), held(row, 0));
        });
        return out;
    }

    /** The same of one student; nothing of the others is read. */
    Optional<Held> of(long assignment, long enrolment) {
        return database.sql("""
                select k.id, k.version, got.at, got.drive, got.handed_out
                from (
                  select kit_version_id, collected_at as at, '' as drive, handed_out from collection where enrolment_id = :enrolment
                  union all
                  select kit_version_id, loaded_at, drive, true from drive_load where enrolment_id = :enrolment) got
                join kit_version k on k.id = got.kit_version_id
                where k.assignment_id = :assignment order by got.at desc, k.version desc limit 1""")
                .param("assignment", assignment).param("enrolment", enrolment).query(HeldRows::held).optional();
    }

    private static Held held(ResultSet row, int number) throws SQLException {
        return new Held(row.getLong("id"), row.getInt("version"), Moments.of(row, "at"), row.getString("drive"),
                row.getBoolean("handed_out"));
    }

    /** Notes that a student did a step, once. */
    void confirm(long assignment, long enrolment, String step, Instant now) {
        database.sql("""
                insert into step_confirmation (assignment_id, enrolment_id, step, confirmed_at) values (?, ?, ?, ?)
                on conflict do nothing""").params(assignment, enrolment, step, Moments.at(now)).update();
    }
}
