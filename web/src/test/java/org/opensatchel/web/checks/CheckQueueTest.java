package org.opensatchel.web.checks;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.opensatchel.core.report.Verdict;
import org.opensatchel.web.RunningApplication;
import org.opensatchel.web.course.CourseService.Membership;
import org.opensatchel.web.handin.CameIn;
import org.opensatchel.web.handin.HandInService;
import org.opensatchel.web.handin.HandInState;
import org.opensatchel.web.handin.HandInView;
import org.opensatchel.web.storage.ContentStore;
import org.opensatchel.worker.WorkOrder;
import org.opensatchel.worker.WorkOutcome.Reason;
import org.opensatchel.worker.WorkerPool;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.data.domain.Pageable;
import org.springframework.jdbc.core.JdbcTemplate;

/** Checks on the real database: none is lost, none is made twice at once, and each ends told. */
class CheckQueueTest extends RunningApplication {

    @Autowired
    private JdbcTemplate database;
    @Autowired
    private CheckService checks;
    @Autowired
    private CheckQueue queue;
    @Autowired
    private CheckRunner runner;
    @Autowired
    private WorkerPool workers;
    @Autowired
    private ContentStore store;

    private final List<Long> made = new ArrayList<>();

    /** The other tests compare what the demo handed in, and nothing beside it. */
    @AfterEach
    void takeAway() {
        made.forEach(id -> database.update("delete from hand_in where id = ?", id));
    }

    private HandInView view(long id) {
        return handIns.forLink(id).handIn();
    }

    private CheckQueue.Claim claim(String token, long id) {
        return database.queryForObject("select * from hand_in where id = ?", (row, number) -> new CheckQueue.Claim(token,
                new CheckRows.Claimed(new CameIn(id, row.getLong("assignment_id"), row.getLong("enrolment_id"), row.getString("sha256"),
                        WorkOrder.Form.valueOf(row.getString("form")), row.getLong("kit_version_id")), row.getInt("tries"),
                        row.getInt("faults"))),
                id);
    }

    /** What the newest hand-in of a student is kept as. */
    private ContentStore.Stored content(Membership place) {
        HandInView newest = handIns.ofStudent(place).get(0);
        return new ContentStore.Stored(database.queryForObject("select sha256 from hand_in where id = ?", String.class, newest.id()),
                newest.bytes());
    }

    private void awaitState(long id, HandInState state) {
        await().atMost(Duration.ofMinutes(5)).until(() -> view(id).state() == state);
    }

    /** One more hand-in of a clean project, as the queue may hold it. */
    private long handedIn(String state, String claimedBy, String heartbeat) {
        HandInView clean = handIns.ofAssignment(market(), Pageable.unpaged()).stream().filter(one -> one.verdict() == Verdict.READY)
                .findFirst().orElseThrow();
        long id = database.queryForObject(
                "insert into hand_in (assignment_id, enrolment_id, number, file_name, sha256, bytes, received_at, kit_version_id, state, queued_at, not_before, claimed_by, heartbeat) "
                        + "select assignment_id, enrolment_id, number + 1000 + ?, file_name, sha256, bytes, received_at, kit_version_id, ?, now(), now() + interval '1 hour', ?, now() - cast(? as interval) from hand_in where id = ? returning id",
                Long.class, made.size(), state, claimedBy, heartbeat, clean.id());
        made.add(id);
        return id;
    }

    private long handIn(String login, byte[] zip) throws IOException {
        long id = receiver.take(place(login), "project.zip", store.store(new ByteArrayInputStream(zip), Long.MAX_VALUE));
        made.add(id);
        return id;
    }

    private static byte[] pages(int pages, int links) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream out = new ZipOutputStream(bytes)) {
            for (int page = 0; page < pages; page++) {
                out.putNextEntry(new ZipEntry("P/p" + page + ".html"));
                for (int link = 0; link < links; link++) {
                    out.write(("<img src=\"gone-" + page + "-" + link + ".png\">").getBytes(StandardCharsets.UTF_8));
                }
                out.closeEntry();
            }
        }
        return bytes.toByteArray();
    }

    @Test
    void whatAStoppedServerLeftIsChecked() {
        long id = handedIn("CHECKING", "a server that is gone", "1 minute");
        awaitState(id, HandInState.DONE);
        assertThat(view(id).verdict()).isEqualTo(Verdict.READY);
        assertThat(view(id).failure()).isNull();
    }

    @Test
    void whatIsBeingCheckedIsNobodyElses() {
        long id = handedIn("CHECKING", "another server", "0 seconds");
        assertThat(queue.alive(claim("not theirs", id), 1, 1)).isFalse();
        assertThat(queue.alive(claim("another server", id), 1, 1)).isTrue();
        queue.failed(claim("not theirs", id), Reason.BROKE);
        assertThat(view(id).state()).isEqualTo(HandInState.CHECKING);
    }

    @Test
    void aWorkerThatIsKilledCostsNothingButTime() throws IOException {
        long id = handIn("ottoline.marsh", pages(60, 1_000));
        await().atMost(Duration.ofMinutes(5)).until(() -> view(id).state() != HandInState.WAITING);
        workers.processes().forEach(pid -> ProcessHandle.of(pid).ifPresent(ProcessHandle::destroyForcibly));
        awaitState(id, HandInState.DONE);
        assertThat(view(id).links()).isEqualTo(60_000);
    }

    @Test
    void whatWantsTooMuchIsTriedOnceMoreAndThenGivenUpUntilSomebodyAsks() {
        long id = handedIn("CHECKING", "me", "0 seconds");
        CheckQueue.Claim first = claim("me", id);
        assertThat(queue.failed(first, Reason.MEMORY)).isFalse();
        database.update("update hand_in set state = 'CHECKING', claimed_by = 'me' where id = ?", id);
        assertThat(queue.failed(claim("me", id), Reason.MEMORY)).isTrue();
        assertThat(view(id).state()).isEqualTo(HandInState.FAILED);
        assertThat(view(id).failure()).isEqualTo("MEMORY");

        HandInService.Shown shown = handIns.show(id, accounts.loadUserByUsername("quillfeather").accountId());
        assertThat(checks.again(shown, false)).isTrue();
        awaitState(id, HandInState.DONE);
    }

    @Test
    void whatIsOurFaultIsTriedAgainForAnHourAndThenToldUntilSomebodyAsks() {
        long id = handedIn("CHECKING", "me", "0 seconds");
        int tries = 0;
        Duration waited = Duration.ZERO;
        while (!queue.failed(claim("me", id), Reason.STORE)) {
            assertThat(view(id).state()).isEqualTo(HandInState.WAITING);
            waited = waited.plus(Duration.between(Instant.now(), view(id).notBefore()));
            assertThat(++tries).isLessThan(40);
            database.update("update hand_in set state = 'CHECKING', claimed_by = 'me' where id = ?", id);
        }
        assertThat(waited).isBetween(Duration.ofMinutes(50), Duration.ofMinutes(90));
        assertThat(view(id).state()).isEqualTo(HandInState.FAILED);
        assertThat(view(id).failure()).isEqualTo("STORE");

        HandInService.Shown shown = handIns.show(id, accounts.loadUserByUsername("quillfeather").accountId());
        assertThat(checks.again(shown, false)).isTrue();
        awaitState(id, HandInState.DONE);
    }

    @Test
    void contentThatIsGoneForAMomentIsReadWhenItIsBack() throws IOException {
        long id = handedIn("WAITING", null, "0 seconds");
        String sha256 = database.queryForObject("select sha256 from hand_in where id = ?", String.class, id);
        database.update("update hand_in set sha256 = ? where id = ?", "0".repeat(64), id);
        database.update("update hand_in set not_before = now() where id = ?", id);
        await().atMost(Duration.ofMinutes(5)).until(() -> "STORE".equals(view(id).failure()));
        database.update("update hand_in set sha256 = ? where id = ?", sha256, id);
        awaitState(id, HandInState.DONE);
    }

    @Test
    void aReportOfManyLinksIsReadInPages() throws IOException {
        long id = handIn("ottoline.marsh", pages(3, 150));
        awaitState(id, HandInState.DONE);
        HandInService.Shown shown = handIns.show(id, accounts.loadUserByUsername("quillfeather").accountId());
        assertThat(handIns.links(shown, 0)).hasSize(100);
        assertThat(handIns.links(shown, 4)).hasSize(50);
        assertThat(handIns.links(shown, 5)).isEmpty();
        assertThat(handIns.digest(shown).head().project().links()).isEqualTo(450);
        // A report from before there were pages is taken apart when it is first looked at.
        database.update("delete from hand_in_links where hand_in_id = ?", id);
        database.update("update hand_in set digest = null where id = ?", id);
        assertThat(handIns.digest(shown).head().project().links()).isEqualTo(450);
        assertThat(handIns.links(shown, 4)).hasSize(50);
    }

    @Test
    void twoHandInsAtOnceHaveTheirOwnNumbers() {
        Membership place = place("ottoline.marsh");
        ContentStore.Stored stored = content(place);
        List<Long> taken = Stream.generate(() -> CompletableFuture.supplyAsync(() -> receiver.take(place, "again.zip", stored))).limit(4)
                .toList().stream().map(CompletableFuture::join).toList();
        made.addAll(taken);
        assertThat(taken.stream().map(id -> view(id).number()).sorted().toList()).isEqualTo(IntStream.range(2, 6).boxed().toList());
        demoIsChecked();
    }

    @Test
    void ofVeryManyHandInsTheNewestAreKept() {
        ContentStore.Stored stored = content(place("ottoline.marsh"));
        Membership nobodyYet = courses.roster(market()).stream().map(student -> new Membership(market(), student))
                .filter(place -> handIns.ofStudent(place).isEmpty()).findFirst().orElseThrow();
        for (int i = 0; i < 23; i++) {
            made.add(receiver.take(nobodyYet, "again.zip", stored));
            demoIsChecked();
        }
        assertThat(handIns.ofStudent(nobodyYet)).extracting(HandInView::number)
                .isEqualTo(IntStream.iterate(23, n -> n - 1).limit(20).boxed().toList());
    }

    /** Of a student whose check goes on elsewhere the others wait, in the order they came. */
    @Test
    void thePlaceInTheQueueIsTold() {
        handedIn("CHECKING", "another server", "0 seconds");
        long first = handedIn("WAITING", null, "0 seconds");
        long second = handedIn("WAITING", null, "0 seconds");
        assertThat(queue.place(first)).as("not before its time").isEmpty();
        database.update("update hand_in set not_before = now(), queued_at = now() - interval '2 seconds' where id = ?", first);
        database.update("update hand_in set not_before = now(), queued_at = now() - interval '1 second' where id = ?", second);
        await().atMost(Duration.ofSeconds(20)).until(() -> queue.place(first).equals(Optional.of(0)));
        assertThat(queue.place(second)).contains(1);
        assertThat(view(first).state()).as("one check a student").isEqualTo(HandInState.WAITING);
        assertThat(runner.silence()).isLessThan(Duration.ofSeconds(30));
    }
}
