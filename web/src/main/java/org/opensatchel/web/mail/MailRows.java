package org.opensatchel.web.mail;

import java.time.Instant;
import java.util.List;
import org.opensatchel.web.storage.Moments;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Mails as they stand in the queue. */
@Repository
class MailRows {

    private final JdbcClient database;

    MailRows(JdbcClient database) {
        this.database = database;
    }

    /** Whether there is anything to do; asked every second, so as cheaply as can be. */
    boolean isSomethingDue() {
        return database.sql("select exists (select 1 from mail where state = 'SENDING' or state = 'QUEUED' and not_before <= now())")
                .query(Boolean.class).single();
    }

    /** Marks what is to go now, so that nobody else gives it away. */
    List<Long> claim(Instant now, int most) {
        return database.sql("""
                update mail set state = 'SENDING', claimed_at = :now, tries = tries + 1 where id in (
                  select id from mail where state = 'QUEUED' and not_before <= :now
                  order by not_before, id limit :most for update skip locked)
                returning id""").param("now", Moments.at(now)).param("most", most).query(Long.class).list();
    }
}
