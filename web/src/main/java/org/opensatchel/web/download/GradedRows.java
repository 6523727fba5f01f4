package org.opensatchel.web.download;

import java.time.Instant;
import java.util.Set;
import org.opensatchel.web.storage.Moments;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Which hand-ins are downloaded, and which are graded. */
@Repository
class GradedRows {

    private final JdbcClient database;

    GradedRows(JdbcClient database) {
        this.database = database;
    }

    Set<Long> downloaded(long assignment, long account) {
        return database.sql("""
                select distinct hand_in_id from audit
                where assignment_id = ? and account_id = ? and what = 'DOWNLOADED' and hand_in_id is not null""")
                .params(assignment, account).query(Long.class).set();
    }

    Set<Long> graded(long assignment) {
        return database.sql("""
                select g.hand_in_id from graded g join hand_in h on h.id = g.hand_in_id where h.assignment_id = ?""").param(assignment)
                .query(Long.class).set();
    }

    void grade(long handIn, long by, Instant now) {
        database.sql("insert into graded (hand_in_id, graded_by, graded_at) values (?, ?, ?) on conflict do nothing")
                .params(handIn, by, Moments.at(now)).update();
    }

    void ungrade(long handIn) {
        database.sql("delete from graded where hand_in_id = ?").param(handIn).update();
    }
}
