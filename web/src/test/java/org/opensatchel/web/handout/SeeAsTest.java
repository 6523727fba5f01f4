package org.opensatchel.web.handout;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.opensatchel.web.RunningApplication;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;

/** An instructor's look at what a student sees marks nothing; giving a kit out is another thing than collecting it. */
class SeeAsTest extends RunningApplication {

    private static final String WHO = "halvard.drury";

    @Autowired
    private JdbcTemplate database;
    private long last = -1;

    private long remembered() {
        return last = database.queryForObject("select max(id) from collection", Long.class);
    }

    @AfterEach
    void takeAway() {
        database.update("delete from collection where id > ?", last < 0 ? Long.MAX_VALUE : last);
        database.update("delete from audit");
    }

    private Map<String, Object> newest() {
        return database.queryForMap("select enrolment_id, handed_out from collection order by id desc limit 1");
    }

    @Test
    void lookingAtAKitCollectsNothing() {
        long before = remembered();
        long student = place(WHO).student().enrolmentId();
        Page page = signIn("quillfeather");
        goTo(page, address("/assignments/" + market().id() + "/hand-out"));
        page.getByLabel("See as this student: Halvard Drury").click();
        assertThat(page.locator("main")).containsText("You see this as Halvard Drury does");
        assertThat(page.locator("main")).containsText("MOV120_A2_Drury_Halvard.zip");
        assertThat(page.locator("fieldset button:enabled")).hasCount(0);
        accessible(page);
        assertThat(database.queryForObject("select count(*) from collection where id > ?", Integer.class, before)).isZero();
        page.getByText("Back to the class").click();
        page.waitForDownload(() -> page.getByLabel("ZIP: the kit of Halvard Drury").click()).path();
        assertThat(newest()).containsEntry("enrolment_id", student).containsEntry("handed_out", true);
        page.reload();
        assertThat(page.locator("tr", new Page.LocatorOptions().setHasText("Drury, Halvard"))).containsText("handed out");
    }

    @Test
    void whoCollectsItThemselvesHasCollectedIt() {
        remembered();
        Page page = signIn(WHO);
        goTo(page, address("/assignments/" + market().id() + "/kit"));
        page.waitForDownload(() -> page.locator("button.act").first().click()).path();
        assertThat(newest()).containsEntry("handed_out", false);
        page.reload();
        assertThat(page.locator("main")).containsText("You collected version 1");
    }

    @Test
    void aReportIsSeenAsItsStudentSeesItAndIsNotReadByThat() {
        long handIn = handIns.ofStudent(place(WHO)).get(0).id();
        Page page = signIn("quillfeather");
        goTo(page, address("/hand-ins/" + handIn + "?as=student"));
        assertThat(page.locator("main")).containsText("You see this as Halvard Drury does");
        assertThat(page.getByText("Waive or change")).hasCount(0);
        assertThat(page.getByText("Hand in again")).hasCount(0);
        // Nobody else gets another's eyes by asking.
        Page other = signIn("liv.sorensen");
        assertThat(goTo(other, address("/hand-ins/" + handIn + "?as=student")).status()).isEqualTo(404);
    }
}
