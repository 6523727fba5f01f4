package org.opensatchel.web.handin;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyLong;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.Optional;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.opensatchel.web.course.AfterDue;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.CourseService.Membership;
import org.opensatchel.web.course.Deadline;
import org.opensatchel.web.course.Student;
import org.opensatchel.web.kit.KitService;
import org.opensatchel.web.kit.PublishedKit;
import org.opensatchel.web.storage.ContentStore;
import org.opensatchel.web.storage.SatchelProperties;
import org.opensatchel.web.text.TimesFixture;
import org.springframework.util.unit.DataSize;

/** Whether a file may come, asked before it does: of the student, of the course, and of our disk. */
class HandInQuotaTest {

    private static final long MB = 1_000_000;

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
            "room for it | true | 10 | 50 | 300 | 1000 | ''",
            "no kit yet | false | 10 | 50 | 300 | 1000 | has not published the kit",
            "the student's share is used up | true | 60 | 50 | 300 | 1000 | take 50 MB of the 105 MB",
            "the course's share is used up | true | 10 | 50 | 1045 | 1000 | room for this course is used up",
            "our disk is full | true | 10 | 50 | 300 | 5 | That is our fault"})
    void refused(String why, boolean kit, long bytes, long ofStudent, long ofCourse, long room, String says) {
        HandInRows handIns = mock(HandInRows.class);
        KitService kits = mock(KitService.class);
        ContentStore store = mock(ContentStore.class);
        when(kits.current(any())).thenReturn(kit ? Optional.of(mock(PublishedKit.class)) : Optional.empty());
        when(handIns.bytesOfStudent(anyLong())).thenReturn(ofStudent * MB);
        when(handIns.bytesOfCourse(anyLong())).thenReturn(ofCourse * MB);
        when(store.room()).thenReturn(room * MB);
        SatchelProperties properties = new SatchelProperties(null, null, DataSize.ofGigabytes(4), DataSize.ofMegabytes(64), false, null,
                new SatchelProperties.Quotas(DataSize.ofMegabytes(100), DataSize.ofMegabytes(1_000), 20), null);
        Deadline deadline = new Deadline(Instant.EPOCH, Duration.ZERO, AfterDue.LATE, ZoneOffset.UTC);
        AssignmentView assignment = new AssignmentView(1, 1, "MOV 120", "Short Forms", "A2", "Ident", deadline, false, false);
        Membership place = new Membership(assignment, new Student(1, 1, "Marsh", "Ottoline", "1", "1", "", "", false, ""));

        Optional<String> refusal = new HandInQuota(handIns, kits, store, properties, TimesFixture.at(Clock.systemUTC()), Clock.systemUTC())
                .refusal(place,
                        bytes * MB);

        if (says.isEmpty()) {
            assertThat(refusal).as(why).isEmpty();
        } else {
            assertThat(refusal.orElseThrow()).as(why).contains(says);
        }
    }
}
