package org.opensatchel.web.mail;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.stream.IntStream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.opensatchel.web.RunningApplication;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;

/** A mail is queued once, can be taken back until it goes, and goes once. */
class MailQueueTest extends RunningApplication {

    @Autowired
    private MailService mails;
    @Autowired
    private MailRound round;
    @Autowired
    private JdbcTemplate database;

    @BeforeEach
    @AfterEach
    void noMails() {
        nothingIsDecided(database);
    }

    private Optional<Long> queue(String once) {
        long enrolment = place("ottoline.marsh").student().enrolmentId();
        return mails.queue(
                new Letter(once, Letter.Kind.REMINDER, market().id(), enrolment, Optional.empty(), "o@harrowgate.example", "subject",
                        "body"),
                accounts.loadUserByUsername("quillfeather").accountId());
    }

    private List<String> states() {
        return database.queryForList("select state from mail order by id", String.class);
    }

    @Test
    void theSameMailIsQueuedOnceAndMayBeQueuedAgainWhenItWasTakenBack() {
        long first = queue("one").orElseThrow();
        assertThat(queue("one")).isEmpty();
        assertThat(mails.cancel(List.of(first))).isEqualTo(1);
        assertThat(mails.cancel(List.of(first))).isZero();
        assertThat(queue("one")).isPresent();
        assertThat(states()).containsExactly("CANCELLED", "QUEUED");
    }

    @Test
    void whoeverGivesThemAwayEachGoesOnce() {
        IntStream.range(0, 60).forEach(i -> queue("many " + i));
        database.update("update mail set not_before = now() - interval '1 second'");
        int[] given = IntStream.range(0, 4)
                .mapToObj(
                        i -> CompletableFuture.supplyAsync(() -> IntStream.range(0, 20).map(n -> round.giveSome()).sum()))
                .toList().stream().mapToInt(CompletableFuture::join).toArray();
        await().atMost(Duration.ofSeconds(20)).until(() -> states().stream().allMatch("SENT"::equals));
        assertThat(IntStream.of(given).sum()).isLessThanOrEqualTo(60);
        assertThat(database.queryForObject("select max(tries) from mail", Integer.class)).isEqualTo(1);
    }

    /** A server that died between marking and giving away leaves a mail of which nobody knows. */
    @Test
    void whatADeadServerWasAtIsNotSentAgainByItself() {
        long id = queue("lost").orElseThrow();
        database.update("update mail set state = 'SENDING', claimed_at = now() - interval '10 minutes' where id = ?", id);
        await().atMost(Duration.ofSeconds(20)).until(() -> states().equals(List.of("UNSURE")));
        assertThat(mails.again(market().id(), id)).isTrue();
        await().atMost(Duration.ofSeconds(20)).until(() -> states().equals(List.of("SENT")));
    }
}
