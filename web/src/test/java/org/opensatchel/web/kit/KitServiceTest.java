package org.opensatchel.web.kit;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.CyclicBarrier;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.KitReader;
import org.opensatchel.core.words.Words;
import org.opensatchel.web.RunningApplication;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.handout.HandoutService;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;

/** Versions on the real database: published once, held by whoever got them however, and saves that are let go of in time. */
class KitServiceTest extends RunningApplication {

    private static final Kit KIT = KitReader
            .read("{\"kit\": 1, \"title\": \"T\", \"root\": {\"name\": \"{last}\"}, \"folders\": [{\"path\": \"a\"}]}"
                    .getBytes(StandardCharsets.UTF_8))
            .kit().orElseThrow();

    @Autowired
    private KitService kits;
    @Autowired
    private KitEditor editor;
    @Autowired
    private HandoutService handouts;
    @Autowired
    private JdbcTemplate database;

    private long me() {
        return accounts.loadUserByUsername("quillfeather").accountId();
    }

    private AssignmentView fresh(String code) {
        return courses.forInstructor(courses.createAssignment(market().courseId(), code, "Try-out", Instant.now().plus(Duration.ofDays(9))),
                me());
    }

    /** Both begin from nothing at the same moment: one is published, the other is told in a sentence. */
    @Test
    void ofTwoWhoPublishAtOnceOneIsToldSo() throws Exception {
        AssignmentView assignment = fresh("K1");
        CyclicBarrier together = new CyclicBarrier(2);
        ExecutorService people = Executors.newFixedThreadPool(2);
        try {
            Callable<KitService.Publishing> publish = () -> {
                together.await();
                return kits.publish(assignment, KIT, 0, me());
            };
            Future<KitService.Publishing> first = people.submit(publish);
            Future<KitService.Publishing> second = people.submit(publish);
            List<KitService.Publishing> both = List.of(first.get(), second.get());
            assertThat(both).filteredOn(one -> one.published().isPresent()).hasSize(1);
            assertThat(both).filteredOn(one -> one.published().isEmpty()).singleElement()
                    .satisfies(one -> assertThat(one.faults()).singleElement()
                            .satisfies(fault -> assertThat(Words.ENGLISH.text(fault.what())).isNotBlank()));
        } finally {
            people.shutdownNow();
        }
    }

    @Test
    void whoGotItOnADriveHoldsItToo() {
        AssignmentView assignment = fresh("K2");
        PublishedKit first = kits.publish(assignment, KIT, 0, me()).published().orElseThrow();
        PublishedKit second = kits.publish(assignment, KIT, 1, me()).published().orElseThrow();
        var students = courses.roster(assignment);
        handouts.collected(first, students.get(0));
        handouts.loaded(first, students.get(1), "SATCHEL-01");
        handouts.collected(first, students.get(2));
        handouts.loaded(second, students.get(2), "SATCHEL-02");
        assertThat(kits.holders(assignment)).containsOnlyKeys(1, 2).containsEntry(1, 2).containsEntry(2, 1);
    }

    @Test
    void aVersionIsReadOnce() {
        AssignmentView assignment = fresh("K3");
        PublishedKit published = kits.publish(assignment, KIT, 0, me()).published().orElseThrow();
        assertThat(kits.version(published.id())).isSameAs(kits.current(assignment).orElseThrow());
    }

    @Test
    void oldSavesGoButForOneADay() {
        AssignmentView assignment = fresh("K4");
        for (int i = 0; i < 60; i++) {
            editor.save(assignment, ("{\"title\": \"" + i + "\"}").getBytes(StandardCharsets.UTF_8), i, me());
        }
        // The first five are of one day, the next five of another.
        Stream.of(1, 2).forEach(day -> database.update(
                "update kit_draft set saved_at = now() - make_interval(days => ?) where assignment_id = ? and revision between ? and ?",
                10 - day, assignment.id(), day * 5 - 4, day * 5));
        editor.prune();
        assertThat(database.queryForList("select revision from kit_draft where assignment_id = ? and revision <= 10 order by revision",
                Integer.class, assignment.id())).containsExactly(5, 10);
        assertThat(database.queryForObject("select count(*) from kit_draft where assignment_id = ?", Integer.class, assignment.id()))
                .isEqualTo(52);
    }
}
