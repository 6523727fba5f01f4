package org.opensatchel.web.audit;

import java.time.Instant;
import org.opensatchel.web.storage.Moments;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** What is noted in the log with every page that is looked at, so as cheaply as can be. */
@Repository
class AuditRows {

    private final JdbcClient database;

    AuditRows(JdbcClient database) {
        this.database = database;
    }

    /** Ends the transaction without waiting for the disk (PostgreSQL, asynchronous commit), in the same question. */
    void saw(Instant at, long account, AuditService.About about) {
        database.sql("""
                with lazily as (select set_config('synchronous_commit', 'off', true))
                insert into audit (at, account_id, assignment_id, enrolment_id, hand_in_id, what, detail)
                select cast(? as timestamptz), ?, ?, nullif(?, 0), nullif(?, 0), 'SAW', '' from lazily""")
                .params(Moments.at(at), account, about.assignment(), about.enrolment(), about.handIn()).update();
    }
}
