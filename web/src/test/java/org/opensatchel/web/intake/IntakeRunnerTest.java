package org.opensatchel.web.intake;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.opensatchel.web.HandingIn;
import org.opensatchel.web.audit.AuditService;
import org.opensatchel.web.course.CourseService;
import org.opensatchel.web.storage.ContentStore;
import org.opensatchel.web.storage.Contents;
import org.opensatchel.web.storage.MadeFiles;
import org.opensatchel.web.storage.Purpose;
import org.opensatchel.web.storage.SatchelProperties;
import org.opensatchel.web.upload.HandInReceiver;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/** Imports whose server stops or ends in the middle, and what another server is at. */
class IntakeRunnerTest extends HandingIn {

    @Autowired
    private SatchelProperties properties;
    @Autowired
    private IntakeRunner lane;
    @Autowired
    private Contents contents;
    @Autowired
    private IntakeRows intakes;
    @Autowired
    private CourseService allCourses;
    @Autowired
    private HandInReceiver receiver;
    @Autowired
    private ContentStore store;
    @Autowired
    private AuditService audit;
    @Autowired
    private Batches batches;
    @Autowired
    private MadeFiles made;
    @Autowired
    private Clock clock;
    @Autowired
    private PlatformTransactionManager transactions;

    @AfterEach
    void noIntakes() {
        database.update("delete from intake_item");
        database.update("delete from intake");
        database.update("delete from audit");
        database.update("delete from stored_content where purpose = 'INTAKE'");
    }

    private List<Integer> counts() {
        return Stream.of("liv.sorensen", "tamsin", "cass.umberline", "odile.marsh").map(login -> handIns.ofStudent(place(login)).size())
                .toList();
    }

    private long running(String sha256, String claimedBy, String heartbeat) {
        return database.queryForObject("insert into intake (assignment_id, name, sha256, state, made_by, made_at, claimed_by, heartbeat) "
                + "values (?, 'batch.zip', ?, 'RUNNING', ?, now(), ?, now() + cast(? as interval)) returning id", Long.class, market().id(),
                sha256,
                accounts.loadUserByUsername("quillfeather").accountId(), claimedBy, heartbeat);
    }

    private void item(long intake, int ordinal, String name, String login, String state) {
        database.update("insert into intake_item (intake_id, ordinal, name, enrolment_id, state) values (?, ?, ?, ?, ?)", intake, ordinal,
                name,
                place(login).student().enrolmentId(), state);
    }

    private List<String> states(long intake) {
        return database.queryForList("select state from intake_item where intake_id = ? order by ordinal", String.class, intake);
    }

    private String batch() throws IOException {
        byte[] batch = SentBatch.zip("a_1_file_/a.zip", SentBatch.project("S\u00f8rensen", "Liv"), "b_2_file_/b.zip",
                SentBatch.project("Tamsin", ""), "c_3_file_/c.zip",
                SentBatch.project("Umberline", "Cass"));
        return contents.keep(new ByteArrayInputStream(batch), Purpose.INTAKE, market().courseId(),
                accounts.loadUserByUsername("quillfeather").accountId(), Long.MAX_VALUE).sha256();
    }

    /** A server that ended in the middle of an import, however it ended, costs half a minute; what was taken in is not taken in again. */
    @Test
    void whatAServerWasAtThatIsGoneGoesOnWhereItStopped() throws IOException {
        List<Integer> before = counts();
        long intake = running(batch(), "gone", "-31 seconds");
        item(intake, 0, "a_1_file_", "liv.sorensen", "TAKEN");
        item(intake, 1, "b_2_file_", "tamsin", "OPEN");
        item(intake, 2, "c_3_file_", "cass.umberline", "OPEN");
        await().atMost(Duration.ofMinutes(1))
                .until(() -> database.queryForObject("select state from intake where id = ?", String.class, intake).equals("DONE"));
        assertThat(states(intake)).containsOnly("TAKEN");
        assertThat(counts()).isEqualTo(List.of(before.get(0), before.get(1) + 1, before.get(2) + 1, before.get(3)));
        demoIsChecked();
    }

    @Test
    void whatAnotherServerIsAtIsLeftToIt() throws IOException {
        long intake = running(batch(), "another", "1 hour");
        item(intake, 0, "a_1_file_", "liv.sorensen", "OPEN");
        long ours = running(batch(), null, "0 seconds");
        item(ours, 0, "b_2_file_", "tamsin", "OPEN");
        await().atMost(Duration.ofMinutes(1))
                .until(() -> database.queryForObject("select state from intake where id = ?", String.class, ours).equals("DONE"));
        assertThat(states(intake)).containsExactly("OPEN");
        demoIsChecked();
    }

    /** An ordinary stop breaks nothing off: the one that is being taken in is finished, and no other becomes a fault. */
    @Test
    void aStopLeavesTheRestWaiting() throws Exception {
        List<Integer> before = counts();
        lane.stop();
        long intake = running(batch(), null, "0 seconds");
        item(intake, 0, "a_1_file_", "liv.sorensen", "OPEN");
        item(intake, 1, "b_2_file_", "tamsin", "OPEN");
        item(intake, 2, "c_3_file_", "cass.umberline", "OPEN");
        lane.start();
        await().atMost(Duration.ofMinutes(1)).until(() -> states(intake).contains("TAKEN"));
        CountDownLatch stopped = new CountDownLatch(1);
        lane.stop(stopped::countDown);
        assertThat(stopped.await(1, TimeUnit.MINUTES)).isTrue();
        assertThat(states(intake)).doesNotContain("FAILED");
        lane.start();
        await().atMost(Duration.ofMinutes(1))
                .until(() -> database.queryForObject("select state from intake where id = ?", String.class, intake).equals("DONE"));
        assertThat(states(intake)).containsOnly("TAKEN");
        assertThat(counts()).isEqualTo(List.of(before.get(0) + 1, before.get(1) + 1, before.get(2) + 1, before.get(3)));
        demoIsChecked();
    }

    /** An import whose server ends at a step; each call it makes is one, before it and after it. */
    private IntakeRunner ending(StepsUntilTheEnd steps) {
        return new IntakeRunner(steps.over(IntakeRows.class, intakes), steps.over(CourseService.class, allCourses),
                steps.over(HandInReceiver.class, receiver), steps.over(ContentStore.class, store), steps.over(AuditService.class, audit),
                steps.over(Batches.class, batches), steps.over(MadeFiles.class, made), properties, clock, transactions);
    }

    /** Wherever a server ends in the middle of an import: whoever takes it up has each item once in the end, and none becomes a fault. */
    @Test
    void whereverItEndsEachItemComesInOnce() throws Exception {
        lane.stop();
        String batch = batch();
        List<Integer> before = counts();
        int steps = 0;
        try {
            for (boolean ended = true; ended; steps++) {
                StepsUntilTheEnd until = new StepsUntilTheEnd(steps);
                IntakeRunner first = ending(until);
                long intake = running(batch, null, "0 seconds");
                item(intake, 0, "a_1_file_", "liv.sorensen", "OPEN");
                item(intake, 1, "b_2_file_", "tamsin", "OPEN");
                first.start();
                await().atMost(Duration.ofMinutes(1)).until(() -> until.ended() || isDone(intake));
                ended = until.ended();
                first.stop();
                database.update("update intake set heartbeat = now() - interval '31 seconds' where id = ?", intake);
                IntakeRunner next = ending(new StepsUntilTheEnd(Integer.MAX_VALUE));
                next.start();
                await().atMost(Duration.ofMinutes(1)).until(() -> isDone(intake));
                next.stop();
                assertThat(states(intake)).as("ended at step %d", steps).containsExactly("TAKEN", "TAKEN");
                assertThat(counts()).as("ended at step %d", steps)
                        .isEqualTo(List.of(before.get(0) + 1, before.get(1) + 1, before.get(2), before.get(3)));
                takeBack(intake);
            }
        } finally {
            lane.start();
        }
        assertThat(steps).as("steps of two items").isGreaterThan(30);
    }

    private boolean isDone(long intake) {
        return database.queryForObject("select state from intake where id = ?", String.class, intake).equals("DONE");
    }

    /** Takes back what came in, so that the next time begins as this one did. */
    private void takeBack(long intake) {
        await().atMost(Duration.ofMinutes(1))
                .until(() -> new TransactionTemplate(transactions).execute(status -> intakes.removeHandIns(intake)) == 0);
        database.update("delete from intake_item where intake_id = ?", intake);
        database.update("delete from intake where id = ?", intake);
    }
}
