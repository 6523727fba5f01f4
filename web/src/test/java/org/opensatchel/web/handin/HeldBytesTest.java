package org.opensatchel.web.handin;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.opensatchel.web.HandingIn;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/** What students hold is counted as it comes and goes; it is what adding up every file would come to. */
class HeldBytesTest extends HandingIn {

    private static final String ADDED_UP = "select coalesce(sum(bytes), 0) from (select sha256, bytes from hand_in where enrolment_id = ? and form <> 'FOLDER' "
            + "union select f.sha256, f.bytes from hand_in_file f join hand_in h on h.id = f.hand_in_id where h.enrolment_id = ?) as kept";

    @Autowired
    private HandInRows repository;
    @Autowired
    private PlatformTransactionManager transactions;

    private long handIn(long assignment, long enrolment, int number, String form, String sha256, long bytes) {
        return database.queryForObject(
                "insert into hand_in (kind, form, assignment_id, enrolment_id, number, file_name, sha256, bytes, received_at, state, kit_version_id, not_before, queued_at, weight) "
                        + "select 'HAND_IN', ?, ?, ?, ?, 'x.zip', ?, ?, now(), 'DONE', (select min(id) from kit_version where assignment_id = ?), now(), now(), 1 returning id",
                Long.class, form, assignment, enrolment, number, sha256, bytes, assignment);
    }

    private static String hash(int content) {
        return String.format(Locale.ROOT, "%064x", content);
    }

    @Test
    void whatIsCountedIsWhatIsThere() {
        long assignment = market().id();
        List<Long> students = List.of(place("tamsin").student().enrolmentId(), place("liv.sorensen").student().enrolmentId());
        long seed = Instant.now().toEpochMilli();
        Random random = new Random(seed);
        List<Long> made = new ArrayList<>();
        for (int step = 0; step < 60; step++) {
            if (made.isEmpty() || random.nextInt(3) > 0) {
                boolean folder = random.nextBoolean();
                int content = random.nextInt(6);
                long id = handIn(assignment, students.get(random.nextInt(2)), 1_000 + step, folder ? "FOLDER" : "ZIP", hash(content),
                        100 + content);
                if (folder) {
                    int files = 1 + random.nextInt(5);
                    String[] hashes = random.ints(0, 9).distinct().limit(files).mapToObj(HeldBytesTest::hash).toArray(String[]::new);
                    Long[] bytes = java.util.Arrays.stream(hashes).map(hash -> 100 + Long.parseLong(hash, 16)).toArray(Long[]::new);
                    new TransactionTemplate(transactions).executeWithoutResult(status -> repository.consists(id, hashes, bytes));
                }
                made.add(id);
            } else {
                database.update("delete from hand_in where id = ?", made.remove(random.nextInt(made.size())));
            }
            for (long student : students) {
                assertThat(repository.bytesOfStudent(student)).as("seed %d, step %d", seed, step)
                        .isEqualTo(database.queryForObject(ADDED_UP, Long.class, student, student));
            }
        }
        assertThat(repository.bytesOfCourse(market().courseId())).isEqualTo(database.queryForObject(
                "select sum(b) from enrolment e cross join lateral (select coalesce(sum(bytes), 0) as b from (select sha256, bytes from hand_in where enrolment_id = e.id and form <> 'FOLDER' "
                        + "union select f.sha256, f.bytes from hand_in_file f join hand_in h on h.id = f.hand_in_id where h.enrolment_id = e.id) as kept) as held where e.course_id = ?",
                Long.class, market().courseId()));
    }
}
