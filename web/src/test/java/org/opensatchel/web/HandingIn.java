package org.opensatchel.web;

import static org.awaitility.Awaitility.await;

import java.time.Duration;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;

/** Tests in which somebody hands something in: what came is checked to its end, and then taken away. */
public abstract class HandingIn extends RunningApplication {

    @Autowired
    protected JdbcTemplate database;
    /** The last hand-in from before. */
    protected long last;

    @BeforeEach
    void rememberHandIns() {
        last = database.queryForObject("select max(id) from hand_in", Long.class);
    }

    @AfterEach
    protected void takeHandInsAway() {
        leavePages();
        await().atMost(Duration.ofMinutes(1)).until(() -> database
                .queryForObject("select count(*) from hand_in where id > ? and state in ('WAITING', 'CHECKING')", Integer.class,
                        last) == 0);
        database.update("delete from sending");
        database.update("delete from hand_in where id > ?", last);
        database.update("delete from stored_content where purpose = 'SENDING'");
        database.update(
                "delete from stored_content c where purpose = 'HAND_IN' and not exists (select 1 from hand_in h where h.sha256 = c.sha256)");
        database.update("update assignment set takes_listing = false");
    }
}
