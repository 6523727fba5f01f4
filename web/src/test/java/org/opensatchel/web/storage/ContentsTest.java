package org.opensatchel.web.storage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.microsoft.playwright.Page;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.attribute.FileTime;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.opensatchel.web.RunningApplication;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.kit.KitService;
import org.opensatchel.web.storage.ContentStore.Stored;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.data.domain.Pageable;
import org.springframework.jdbc.core.JdbcTemplate;

/** Contents have owners: a hash alone opens nothing, and what nobody has goes, while others go on storing. */
class ContentsTest extends RunningApplication {

    @Autowired
    private Contents contents;
    @Autowired
    private KitService kits;
    @Autowired
    private JdbcTemplate database;

    @AfterEach
    void noHandIns() {
        database.update("delete from hand_in where number = 900");
    }

    private static ByteArrayInputStream bytes(String text) {
        return new ByteArrayInputStream(text.getBytes());
    }

    private long me() {
        return accounts.loadUserByUsername("quillfeather").accountId();
    }

    private void age(String sha256) throws IOException {
        database.update(
                "update stored_content set stored_at = now() - interval '3 days', expires_at = now() - interval '2 days', loose_since = loose_since - interval '3 days' where sha256 = ?",
                sha256);
        try (LocalFile file = contents.local(sha256)) {
            Files.setLastModifiedTime(file.path(), FileTime.from(Instant.now().minus(Duration.ofDays(3))));
        }
    }

    @Test
    void aHashOpensOnlyWhatItsCourseHasForThatPurpose() throws IOException {
        AssignmentView market = market();
        long other = courses.createCourse("SET 301", "Sets", "", me());
        Stored table = contents.keep(bytes("Last,First\nMarsh,Ottoline"), Purpose.ROSTER, market.courseId(), me(), 1_000);
        assertThat(contents.open(table.sha256(), Purpose.ROSTER, market.courseId()).readAllBytes()).hasSize(25);
        assertThatThrownBy(() -> contents.open(table.sha256(), Purpose.ROSTER, other)).isInstanceOf(NoSuchFileException.class);
        assertThatThrownBy(() -> contents.open(table.sha256(), Purpose.STARTER, market.courseId())).isInstanceOf(NoSuchFileException.class);
        assertThatThrownBy(() -> contents.file(table.sha256(), Purpose.ROSTER, market.courseId(), 24))
                .isInstanceOf(ContentStore.TooLarge.class);
        age(table.sha256());
        assertThatThrownBy(() -> contents.open(table.sha256(), Purpose.ROSTER, market.courseId())).as("its time is over")
                .isInstanceOf(NoSuchFileException.class);
    }

    /** The address of a roster's preview holds a hash; that of somebody's project in its place shows nothing of it. */
    @Test
    void nobodyReadsAProjectByItsHash() {
        String project = database.queryForObject("select sha256 from hand_in where id = ?", String.class,
                handIns.ofAssignment(market(), Pageable.ofSize(1)).getContent().get(0).id());
        Page page = signIn("quillfeather");
        assertThat(goTo(page, address("/courses/" + market().courseId() + "/roster?file=" + project)).status()).isEqualTo(404);
    }

    @Test
    void whatNothingRefersToGoesAndTheRestStays() throws IOException {
        AssignmentView market = market();
        Stored left = contents.keep(bytes("nobody's any more"), Purpose.STARTER, market.courseId(), me(), 1_000);
        age(left.sha256());
        Stored fresh = contents.keep(bytes("not saved yet"), Purpose.STARTER, market.courseId(), me(), 1_000);
        String starter = kits.current(market).orElseThrow().kit().starter().get(0).sha256();
        age(starter);
        contents.collect();
        assertThatThrownBy(() -> contents.open(left.sha256(), Purpose.STARTER, market.courseId())).isInstanceOf(NoSuchFileException.class);
        assertThatThrownBy(() -> contents.local(left.sha256())).isInstanceOf(NoSuchFileException.class);
        assertThat(contents.open(fresh.sha256(), Purpose.STARTER, market.courseId())).isNotEmpty();
        assertThat(contents.open(starter, Purpose.STARTER, market.courseId())).as("a kit refers to it").isNotEmpty();
    }

    private long handIn(String form, String sha256) {
        return database.queryForObject(
                "insert into hand_in (kind, form, assignment_id, enrolment_id, number, file_name, sha256, bytes, received_at, state, kit_version_id, not_before, queued_at, weight) "
                        + "select 'HAND_IN', ?, k.assignment_id, ?, 900, 'x.zip', ?, 9, now(), 'DONE', k.id, now(), now(), 1 from kit_version k where k.assignment_id = ? "
                        + "order by k.id limit 1 returning id",
                Long.class, form, place("tamsin").student().enrolmentId(), sha256, market().id());
    }

    private boolean isLoose(String sha256) {
        return Boolean.TRUE.equals(
                database.queryForObject("select loose_since is not null from stored_content where sha256 = ?", Boolean.class, sha256));
    }

    /** Only what something let go of is looked at, however much is stored; and what is let go of with its student or its plan as well. */
    @ParameterizedTest
    @ValueSource(strings = {"ZIP", "FOLDER"})
    void whatAHandInLetsGoOfGoesADayLater(String form) throws IOException {
        long course = market().courseId();
        Stored whole = contents.keep(bytes("a project as " + form), Purpose.HAND_IN, course, me(), 1_000);
        Stored file = contents.keep(bytes("a film of " + form), Purpose.HAND_IN, course, me(), 1_000);
        long id = handIn(form, whole.sha256());
        database.update("insert into hand_in_file (hand_in_id, sha256, bytes, enrolment_id) values (?, ?, ?, ?)", id, file.sha256(),
                file.bytes(),
                place("tamsin").student().enrolmentId());
        age(whole.sha256());
        age(file.sha256());
        contents.collect();
        for (Stored one : List.of(whole, file)) {
            assertThat(isLoose(one.sha256())).as("a hand-in refers to it").isFalse();
            assertThat(contents.local(one.sha256()).path()).exists();
        }
        database.update("delete from hand_in where id = ?", id);
        contents.collect();
        for (Stored one : List.of(whole, file)) {
            assertThat(isLoose(one.sha256())).isTrue();
            age(one.sha256());
        }
        contents.collect();
        for (Stored one : List.of(whole, file)) {
            assertThatThrownBy(() -> contents.local(one.sha256())).isInstanceOf(NoSuchFileException.class);
            assertThat(database.queryForObject("select count(*) from stored_content where sha256 = ?", Long.class, one.sha256())).isZero();
        }
    }

    @Test
    void whatAPlanNamedIsLetGoOfWithIt() throws IOException {
        long course = market().courseId();
        Stored starter = contents.keep(bytes("a start that nobody else has"), Purpose.STARTER, course, me(), 1_000);
        long assignment = courses.createAssignment(course, "LOOSE", "Loose", Instant.now().plus(Duration.ofDays(1)));
        database.update("insert into kit_draft (assignment_id, revision, document, saved_at, saved_by) "
                + "select ?, 1, convert_to(?, 'UTF8'), now(), ?", assignment, "{\"starter\": \"" + starter.sha256() + "\"}", me());
        age(starter.sha256());
        contents.collect();
        assertThat(isLoose(starter.sha256())).isFalse();
        database.update("delete from kit_draft where assignment_id = ?", assignment);
        database.update("delete from assignment where id = ?", assignment);
        assertThat(isLoose(starter.sha256())).isTrue();
    }

    @Test
    void whatIsStoredWhileOthersAreCollectedIsThere() throws Exception {
        long course = market().courseId();
        ExecutorService people = Executors.newFixedThreadPool(4);
        try {
            List<Future<Stored>> stored = new ArrayList<>();
            for (int i = 0; i < 60; i++) {
                String text = "content " + i % 20;
                if (i < 20) {
                    age(contents.keep(bytes(text), Purpose.EXAMPLE, course, me(), 1_000).sha256());
                }
                stored.add(people.submit(() -> contents.keep(bytes(text), Purpose.EXAMPLE, course, me(), 1_000)));
                if (i % 10 == 0) {
                    contents.collect();
                }
            }
            contents.collect();
            for (Future<Stored> one : stored) {
                assertThat(contents.open(one.get().sha256(), Purpose.EXAMPLE, course)).isNotEmpty();
            }
        } finally {
            people.shutdownNow();
        }
    }
}
