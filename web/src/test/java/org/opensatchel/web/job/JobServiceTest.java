package org.opensatchel.web.job;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Optional;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.opensatchel.web.RunningApplication;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;

/** Jobs outlive whoever was at them, are made once however often they are asked for, and are given up when nothing helps. */
class JobServiceTest extends RunningApplication {

    private static final String KIND = "lesson";

    @Autowired
    private JobService desk;
    @Autowired
    private JdbcTemplate database;

    /** Those of other tests stay for an hour. */
    @BeforeEach
    @AfterEach
    void noJobs() {
        database.update("delete from job");
    }

    private long me() {
        return accounts.loadUserByUsername("quillfeather").accountId();
    }

    /** About an example that nobody sent. */
    private static byte[] about(int example) {
        return ("{\"file\":\"" + "0".repeat(63) + example + "\",\"form\":\"ZIP\",\"handIn\":0}").getBytes(StandardCharsets.UTF_8);
    }

    private Job.State state(byte[] work) {
        return desk.find(KIND, market().courseId(), work).orElseThrow().state();
    }

    @Test
    void whatIsAskedTwiceIsOneJobAndWhatIsGoneIsTold() {
        Job first = desk.ask(KIND, market().courseId(), me(), about(1)).orElseThrow();
        Job second = desk.ask(KIND, market().courseId(), me(), about(1)).orElseThrow();
        assertThat(second.id()).isEqualTo(first.id());
        await().atMost(Duration.ofMinutes(1)).until(() -> state(about(1)) == Job.State.FAILED);
        assertThat(desk.find(KIND, market().courseId(), about(1)).orElseThrow().trouble()).contains(Job.Trouble.GONE);
    }

    @Test
    void onePersonWaitsForAFew() {
        database.update("insert into job (kind, course_id, account_id, name, work, state, asked_at, heartbeat, claimed_by) "
                + "select ?, ?, ?, lpad(n::text, 64, '0'), '', 'RUNNING', now(), now() + interval '1 hour', 'another' from generate_series(1, 6) n",
                KIND, market().courseId(), me());
        assertThat(desk.ask(KIND, market().courseId(), me(), about(1))).isEmpty();
        assertThat(desk.ask(KIND, market().courseId(), accounts.loadUserByUsername("tamsin").accountId(), about(1))).isPresent();
    }

    @Test
    void whatAServerWasAtThatIsGoneIsTakenUpByAnother() {
        desk.ask(KIND, market().courseId(), me(), about(2));
        database.update("update job set state = 'RUNNING', claimed_by = 'gone', heartbeat = now() - interval '31 seconds', tries = 1");
        await().atMost(Duration.ofMinutes(1)).until(() -> state(about(2)) == Job.State.FAILED);
        assertThat(database.queryForObject("select tries from job", Integer.class)).isEqualTo(2);
    }

    @Test
    void whatEndedItsServerThreeTimesIsGivenUp() {
        database.update("insert into job (kind, course_id, account_id, name, work, state, asked_at, heartbeat, claimed_by, tries) "
                + "values (?, ?, ?, lpad('', 64, '1'), '', 'RUNNING', now(), now() - interval '31 seconds', 'gone', 3)", KIND,
                market().courseId(), me());
        await().atMost(Duration.ofMinutes(1))
                .until(() -> database.queryForObject("select state from job", String.class).equals("FAILED"));
        assertThat(database.queryForObject("select trouble from job", String.class)).isEqualTo("FAULT");
    }

    @Test
    void whatIsCancelledEndsAndMayBeAskedForAgain() {
        database.update("insert into job (kind, course_id, account_id, name, work, state, asked_at, heartbeat, claimed_by) "
                + "values (?, ?, ?, ?, ?, 'RUNNING', now(), now() + interval '1 hour', 'another')", KIND, market().courseId(), me(),
                org.opensatchel.base.hash.Sha256.of(about(3)), about(3));
        desk.cancel(KIND, market().courseId(), about(3));
        assertThat(state(about(3))).isEqualTo(Job.State.CANCELLED);
        Optional<Job> again = desk.ask(KIND, market().courseId(), me(), about(3));
        assertThat(again.orElseThrow().isOpen()).isTrue();
        await().atMost(Duration.ofMinutes(1)).until(() -> state(about(3)) == Job.State.FAILED);
    }
}
