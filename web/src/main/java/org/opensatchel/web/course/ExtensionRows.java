package org.opensatchel.web.course;

import java.time.Instant;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.web.storage.Moments;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Who has more time for what, and until when. */
@Repository
class ExtensionRows {

    private final JdbcClient database;

    ExtensionRows(JdbcClient database) {
        this.database = database;
    }

    Optional<Instant> of(long assignment, long enrolment) {
        return database.sql("select due_at from extension where assignment_id = ? and enrolment_id = ?").params(assignment, enrolment)
                .query((row, number) -> Moments.of(row, "due_at")).optional();
    }

    /** Who has more time for an assignment, by enrolment. */
    Map<Long, Instant> of(long assignment) {
        return byNumber("select enrolment_id as id, due_at from extension where assignment_id = ?", assignment);
    }

    /** What one person was given more time for, by assignment. */
    Map<Long, Instant> ofAccount(long account) {
        return byNumber("""
                select x.assignment_id as id, x.due_at from extension x join enrolment e on e.id = x.enrolment_id
                where e.account_id = ?""", account);
    }

    private Map<Long, Instant> byNumber(String sql, long value) {
        Map<Long, Instant> out = new HashMap<>();
        database.sql(sql).param(value).query(row -> {
            out.put(row.getLong("id"), Moments.of(row, "due_at"));
        });
        return out;
    }

    void put(long assignment, long enrolment, Instant due) {
        database.sql("""
                insert into extension (assignment_id, enrolment_id, due_at) values (?, ?, ?)
                on conflict (assignment_id, enrolment_id) do update set due_at = excluded.due_at""")
                .params(assignment, enrolment, Moments.at(due)).update();
    }

    void remove(long assignment, long enrolment) {
        database.sql("delete from extension where assignment_id = ? and enrolment_id = ?").params(assignment, enrolment).update();
    }
}
