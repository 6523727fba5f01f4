package org.opensatchel.web.review;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.opensatchel.web.RunningApplication;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;

/** A rule of points, tried on the class while it is edited; nothing is kept of it. */
class PointsTrialTest extends RunningApplication {

    @Autowired
    private JdbcTemplate database;

    @AfterEach
    void tidy() {
        nothingIsDecided(database);
    }

    private Page tried() {
        Page page = signIn("quillfeather");
        goTo(page, address("/assignments/" + market().id() + "/plan"));
        page.getByText("Try on the class").click();
        return page;
    }

    private static Locator row(Page page, String name) {
        return page.locator(".points-trial tbody tr", new Page.LocatorOptions().setHasText(name));
    }

    @Test
    void theRuleAsItIsGivesWhatTheBoardShows() {
        Page page = tried();
        assertThat(page.locator(".points-trial tbody tr")).hasCount(20);
        assertThat(page.locator(".points-trial")).containsText("One project could not be read.");
        assertThat(row(page, "Marsh, Ottoline").locator("td").nth(0)).hasText("16");
        assertThat(row(page, "Marsh, Ottoline").locator("td").nth(1)).hasText("16");
        accessible(page);
    }

    @Test
    void anotherRuleIsFollowedAsItIsTypedAndNoPartLosesMoreThanItHas() {
        Page page = tried();
        page.getByLabel("that must be fixed").fill("2");
        page.keyboard().press("Tab");
        assertThat(row(page, "Marsh, Ottoline").locator("td").nth(1)).hasText("12");
        page.getByLabel("that must be fixed").fill("100");
        page.keyboard().press("Tab");
        assertThat(row(page, "Drury, Halvard").locator("td").nth(1)).hasText("16");
        assertThat(row(page, "Drury, Halvard").locator("td").nth(3)).hasText("−4");
        // It was tried, and nothing else.
        goTo(page, address("/assignments/" + market().id() + "/review?q=ottoline"));
        assertThat(page.locator("td.num").first()).hasText("16");
    }

    @Test
    void pointsGivenByHandAreSaidToStay() {
        long handIn = handIns.counting(market()).get(place("ottoline.marsh").student().enrolmentId()).id();
        database.update("insert into given_points (hand_in_id, points, reason, made_by, made_at) values (?, 19, 'a drive broke', ?, now())",
                handIn, accounts.loadUserByUsername("quillfeather").accountId());
        assertThat(row(tried(), "Marsh, Ottoline")).containsText("given by hand");
    }
}
