package org.opensatchel.web.handin;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.opensatchel.web.course.CourseService.Place;
import org.opensatchel.web.demo.RunningApplication;
import org.opensatchel.web.kit.KitService;
import org.opensatchel.web.location.LocationService;
import org.opensatchel.web.storage.ContentStore;
import org.opensatchel.web.storage.SatchelProperties;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.transaction.PlatformTransactionManager;

/** A check is a job: it is run after a crash, and never twice for one hand-in. */
class CheckJobTest extends RunningApplication {

    @Autowired
    private JdbcTemplate database;
    @Autowired
    private HandInRepository repository;
    @Autowired
    private KitService kits;
    @Autowired
    private LocationService locations;
    @Autowired
    private ContentStore store;
    @Autowired
    private SatchelProperties properties;
    @Autowired
    private Clock clock;
    @Autowired
    private PlatformTransactionManager transactions;

    private long waiting;

    /** The other tests compare what the demo handed in, and nothing beside it. */
    @AfterEach
    void takeAway() {
        database.update("delete from hand_in where id = ?", waiting);
    }

    @Test
    void whatAStoppedServerLeftIsChecked() {
        waiting = handedIn("CHECKING");
        database.update("insert into scheduled_tasks (task_name, task_instance, execution_time, picked, picked_by, last_heartbeat, version) "
                + "values ('check-hand-in', ?, now() - interval '1 hour', true, 'a server that is gone', now() - interval '1 hour', 1)", Long.toString(waiting));

        await().atMost(Duration.ofMinutes(1)).until(() -> repository.view(waiting).orElseThrow().isDone());

        assertThat(repository.view(waiting).orElseThrow().verdict()).isEqualTo("ready");
        await().atMost(Duration.ofMinutes(1)).until(() -> database.queryForObject("select count(*) from scheduled_tasks where task_instance = ?", Integer.class, Long.toString(waiting)) == 0);
    }

    @Test
    void fourAtOnceReadTheProjectOnce() {
        waiting = handedIn("WAITING");
        CountingStore counting = new CountingStore(store);
        HandInCheck check = new HandInCheck(repository, courses, kits, locations, counting, properties, clock, transactions);

        Stream.generate(() -> CompletableFuture.runAsync(() -> check.run(waiting))).limit(4).toList().forEach(CompletableFuture::join);

        assertThat(repository.view(waiting).orElseThrow().isDone()).isTrue();
        assertThat(counting.opened).hasValue(1);
    }

    @Test
    void twoHandInsAtOnceHaveTheirOwnNumbers() {
        Place place = place("ottoline.marsh");
        HandIn first = repository.findById(handIns.ofStudent(place).get(0).id()).orElseThrow();
        ContentStore.Stored stored = new ContentStore.Stored(first.sha256(), first.view().bytes());
        List<Long> taken = Stream.generate(() -> CompletableFuture.supplyAsync(() -> handIns.take(place, "again.zip", stored))).limit(4).toList().stream().map(CompletableFuture::join).toList();

        assertThat(taken.stream().map(id -> repository.view(id).orElseThrow().number()).sorted().toList()).containsExactly(2, 3, 4, 5);
        demoIsChecked();
        taken.forEach(id -> database.update("delete from hand_in where id = ?", id));
    }

    /** One more hand-in of a clean project, with no job that would check it. */
    private long handedIn(String state) {
        HandIn clean = repository.findById(handIns.ofAssignment(market()).stream().filter(one -> "ready".equals(one.verdict())).findFirst().orElseThrow().id()).orElseThrow();
        return database.queryForObject("insert into hand_in (assignment_id, enrolment_id, number, file_name, sha256, bytes, received_at, kit_version_id, state) "
                + "select assignment_id, enrolment_id, number + 1, file_name, sha256, bytes, received_at, kit_version_id, ? from hand_in where id = ? returning id",
                Long.class, state, clean.id());
    }

    private static final class CountingStore implements ContentStore {
        private final ContentStore store;
        private final AtomicInteger opened = new AtomicInteger();

        CountingStore(ContentStore store) {
            this.store = store;
        }

        @Override
        public Stored store(InputStream content, long mostBytes) throws IOException {
            return store.store(content, mostBytes);
        }

        @Override
        public InputStream open(String sha256) throws IOException {
            return store.open(sha256);
        }

        @Override
        public Path file(String sha256) throws IOException {
            opened.incrementAndGet();
            return store.file(sha256);
        }
    }
}
