package org.opensatchel.web.feedback;

import java.time.Instant;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.web.storage.Moments;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** What went back to students, and the keys that links to it are signed with. */
@Repository
class FeedbackLetterRows {

    private final JdbcClient database;

    FeedbackLetterRows(JdbcClient database) {
        this.database = database;
    }

    /** When something went back last about the hand-ins of an assignment, by hand-in. */
    Map<Long, Instant> sentOf(long assignment) {
        Map<Long, Instant> out = new HashMap<>();
        database.sql("""
                select s.hand_in_id, max(s.sent_at) as sent from slip s join hand_in h on h.id = s.hand_in_id
                where h.assignment_id = ? and s.sent_at is not null group by s.hand_in_id""").param(assignment).query(row -> {
            out.put(row.getLong(1), Moments.of(row, "sent"));
        });
        return out;
    }

    Optional<byte[]> secret(String name) {
        return database.sql("select value from secret where name = ?").param(name).query((row, number) -> row.getBytes(1)).optional();
    }

    /** Keeps a secret unless there is one of this name; the one that there is then. */
    byte[] keepSecret(String name, byte[] value) {
        database.sql("insert into secret (name, value) values (?, ?) on conflict (name) do nothing").param(name).param(value).update();
        return secret(name).orElseThrow();
    }
}
