package org.opensatchel.web.judging;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.opensatchel.web.RunningApplication;
import org.opensatchel.web.course.AfterDue;
import org.opensatchel.web.course.Deadline;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;

/** Deadlines that move, hand-ins that are late, and which of them counts. */
class DeadlineTest extends RunningApplication {

    private static final String WHO = "ffion.jessop";

    @TempDir
    Path temp;
    @Autowired
    private JdbcTemplate database;
    private Instant due;

    @BeforeEach
    void remember() {
        due = market().dueAt();
    }

    @AfterEach
    void putBack() {
        leavePages();
        database.update("delete from sending where enrolment_id = ?", place(WHO).student().enrolmentId());
        database.update("delete from extension");
        database.update("update assignment set due_at = ?, grace_minutes = 0, after_due = 'LATE', takes_listing = false where id = ?",
                java.sql.Timestamp.from(due), market().id());
        database.update("delete from hand_in where enrolment_id = ? and number > 1", place(WHO).student().enrolmentId());
        database.update("update hand_in set counts_since = received_at where kind = 'HAND_IN'");
        database.update("update course set time_zone = ''");
        database.update("update hand_in set judged = false where digest is not null");
    }

    private String page(String path) {
        return address("/assignments/" + market().id() + path);
    }

    private void due(Duration ago, int grace, AfterDue after) {
        database.update("update assignment set due_at = ?, grace_minutes = ?, after_due = ? where id = ?",
                java.sql.Timestamp.from(Instant.now().minus(ago)), grace, after.name(), market().id());
    }

    @ParameterizedTest
    @CsvSource({"0, LATE, -1, ''", "0, LATE, 1, PT1M", "10, LATE, 9, ''", "10, LATE, 11, PT11M", "0, OPEN, 90, ''", "0, CLOSED, 5, PT5M"})
    void latenessCountsFromTheDeadlineOnceTheGraceIsOver(int grace, AfterDue after, int minutes, String late) {
        Deadline deadline = new Deadline(Instant.EPOCH, Duration.ofMinutes(grace), after, ZoneOffset.UTC);
        assertThat(deadline.late(Instant.EPOCH.plus(Duration.ofMinutes(minutes))).map(Duration::toString).orElse("")).isEqualTo(late);
    }

    /** Due on a Saturday night on which clocks are put back: an hour is an hour, and a fortnight later is at the same time of day. */
    @Test
    void clocksThatArePutBackMeanwhileMoveNothing() {
        ZoneId zone = ZoneId.of("Europe/Berlin");
        Deadline deadline = new Deadline(Instant.parse("2026-10-24T23:30:00Z"), Duration.ZERO, AfterDue.CLOSED, zone);
        Instant firstHalfPastTwo = Instant.parse("2026-10-25T00:30:00Z");
        Instant secondHalfPastTwo = Instant.parse("2026-10-25T01:30:00Z");
        assertThat(deadline.late(firstHalfPastTwo)).contains(Duration.ofHours(1));
        assertThat(deadline.late(secondHalfPastTwo)).contains(Duration.ofHours(2));
        assertThat(deadline.isClosed(Instant.parse("2026-10-24T23:29:59Z"))).isFalse();
        assertThat(deadline.daysLater(14)).hasToString("2026-11-08T01:30");
        assertThat(new Deadline(Instant.parse("2026-03-22T22:59:00Z"), Duration.ZERO, AfterDue.LATE, zone).daysLater(14))
                .hasToString("2026-04-05T23:59");
    }

    @Test
    void aClosedAssignmentTakesNothingUnlessSomebodyHasMoreTime() {
        due(Duration.ofHours(3), 10, AfterDue.CLOSED);
        Page page = signIn(WHO);
        goTo(page, page("/hand-in"));
        assertThat(page.locator("main")).containsText("This assignment is closed");
        accessible(page);
        var answer = page.context().request().post(page("/hand-in"),
                com.microsoft.playwright.options.RequestOptions.create().setHeader("Content-Type", "application/zip")
                        .setHeader("X-File-Name", "a.zip")
                        .setHeader("X-CSRF-TOKEN", page.locator("meta[name=_csrf]").getAttribute("content")).setData(new byte[10]));
        assertThat(answer.text()).contains("closed on");

        Page instructor = signIn("quillfeather");
        goTo(instructor, page("/settings"));
        accessible(instructor);
        instructor.selectOption("#enrolment", Long.toString(place(WHO).student().enrolmentId()));
        instructor.fill("#until", java.time.LocalDateTime.now(ZoneId.systemDefault()).plusDays(2).withNano(0).withSecond(0).toString());
        instructor.getByText("Give more time").click();
        assertThat(instructor.locator("#more-time")).containsText("Jessop, Ffion until");
        page.reload();
        assertThat(page.locator("main")).containsText("Drop your project folder");
        assertThat(page.locator("main")).containsText("due in 2 days");
        Page other = signIn("rowan.kestrel");
        goTo(other, page("/hand-in"));
        assertThat(other.locator("main")).containsText("This assignment is closed");
    }

    @Test
    void theInstructorIsAskedAboutATimeThatIsOver() {
        Page page = signIn("quillfeather");
        goTo(page, page("/settings"));
        page.fill("#due", "2020-05-04T12:00");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Save")).click();
        assertThat(page.locator(".told.must")).containsText("That time is over already");
        assertThat(page.locator("#due")).hasValue("2020-05-04T12:00");
        accessible(page);
        assertThat(market().dueAt()).isEqualTo(due);
        page.getByLabel("Use it anyway").check();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Save")).click();
        assertThat(page.locator(".told")).containsText("Saved");
        assertThat(market().dueAt()).isBefore(due);
    }

    /** It is a finding as long as it is so: whoever gets more time is not late any more. */
    @Test
    void whatCameTooLateIsTold() {
        Page page = signIn("quillfeather");
        goTo(page, page("/settings"));
        page.fill("#due", "2020-05-04T12:00");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Save")).click();
        page.getByLabel("Use it anyway").check();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Save")).click();
        assertThat(page.locator(".told")).containsText("Saved");
        long enrolment = place(WHO).student().enrolmentId();
        assertThat(late(enrolment)).isEqualTo(1);
        long handIn = database.queryForObject("select max(id) from hand_in where enrolment_id = ?", Long.class, enrolment);
        goTo(page, address("/hand-ins/" + handIn));
        assertThat(page.locator("ol.findings")).containsText("Handed in late");
        assertThat(page.locator("ol.findings")).containsText("late.");
        goTo(page, page("/settings"));
        page.selectOption("#enrolment", Long.toString(enrolment));
        page.fill("#until", java.time.LocalDateTime.now(ZoneId.systemDefault()).plusDays(2).withNano(0).withSecond(0).toString());
        page.getByText("Give more time").click();
        assertThat(page.locator("#more-time")).containsText("Jessop, Ffion until");
        assertThat(late(enrolment)).isZero();
        goTo(page, address("/hand-ins/" + handIn));
        assertThat(page.locator("main")).not().containsText("Handed in late");
    }

    private int late(long enrolment) {
        return database.queryForObject(
                "select count(*) from hand_in_finding f join hand_in h on h.id = f.hand_in_id where h.enrolment_id = ? and f.code = 'habit.late'",
                Integer.class, enrolment);
    }

    @Test
    void timesAreThoseOfTheCourseAndOfWhoReads() {
        database.update("update course set time_zone = 'Pacific/Auckland'");
        database.update("update assignment set due_at = timestamptz '2031-06-02 10:00:00+00' where id = ?", market().id());
        Page page = signIn(WHO, new com.microsoft.playwright.Browser.NewContextOptions().setTimezoneId("America/Lima"));
        assertThat(page.locator("main")).containsText("Monday, 2 June 2031, 22:00");
        assertThat(page.locator("main")).containsText("Monday, June 2 at 05:00 where you are");
    }

    @Test
    void theOneThatCountsCanBeWithdrawnUntilTheDeadline() throws IOException {
        Page page = signIn(WHO);
        goTo(page, page("/hand-in"));
        page.setInputFiles("[data-part=file]", Files.write(temp.resolve("second.zip"), project()));
        page.locator("[data-part=send]").click();
        page.waitForURL("**/hand-ins/*");
        // The page that waits for the check goes to the report by itself: who leaves before is fetched back.
        assertThat(page.locator("h1")).containsText("MOV120_A2_Jessop_Ffion");
        goTo(page, page("/hand-in"));
        Locator second = page.locator(".sent li").nth(0);
        Locator first = page.locator(".sent li").nth(1);
        assertThat(second).containsText("This one counts");
        second.getByText("Withdraw").click();
        assertThat(second).containsText("withdrawn");
        assertThat(first).containsText("This one counts");
        accessible(page);
        assertThat(handIns.counting(market()).get(place(WHO).student().enrolmentId()).number()).isEqualTo(1);
        second.getByText("Let this one count").click();
        assertThat(handIns.counting(market()).get(place(WHO).student().enrolmentId()).number()).isEqualTo(2);
        due(Duration.ofHours(1), 0, AfterDue.LATE);
        page.reload();
        assertThat(page.locator(".sent form")).hasCount(0);
        assertThat(first).not().containsText("late");
    }

    private static byte[] project() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            zip.putNextEntry(new ZipEntry("MOV120_A2_Jessop_Ffion/story/a.csv"));
            zip.write("a".getBytes(StandardCharsets.UTF_8));
        }
        return out.toByteArray();
    }

    @Test
    void aFriendsKitIsToldBeforeItIsSent() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            zip.putNextEntry(new ZipEntry("MOV120_A2_Jessop_Ffion/satchel.kit.json"));
            zip.write(
                    "{\"marker\": 1, \"kit\": {\"title\": \"Night Market Ident\", \"version\": 1}, \"for\": {\"last\": \"Marsh\", \"first\": \"Odile\", \"id\": \"261555\", \"course\": \"MOV 120\", \"assignment\": \"A2\"}}"
                            .getBytes(StandardCharsets.UTF_8));
            zip.putNextEntry(new ZipEntry("MOV120_A2_Jessop_Ffion/story/a.csv"));
            zip.write('a');
        }
        Page page = signIn(WHO);
        goTo(page, page("/hand-in"));
        page.setInputFiles("[data-part=file]", Files.write(temp.resolve("friend.zip"), out.toByteArray()));
        assertThat(page.locator("[data-part=said]")).containsText("Odile Marsh");
        assertThat(page.locator("[data-part=send]")).isHidden();
        assertThat(page.locator("[data-part=other]")).isFocused();
        accessible(page);
    }
}
