package org.opensatchel.web.report;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import org.junit.jupiter.api.Test;
import org.opensatchel.core.check.rule.Rules;
import org.opensatchel.formats.Formats;
import org.opensatchel.web.RunningApplication;

/** The grid of documents against machines in a report, and the page that says what is checked. */
class CarryGridTest extends RunningApplication {

    @Test
    void aReportShowsWhatBreaksWhere() {
        Page page = signIn("quillfeather");
        goTo(page, address("/assignments/" + market().id() + "/review"));
        page.locator(".row-link").filter(new Locator.FilterOptions().setHasText("Marsh, Ottoline")).click();
        Locator grid = page.locator(".carry");
        assertThat(grid.locator("thead th"))
                .hasText(new String[]{"Document", "Lab desk, Windows", "Lab desk, Mac", "Render computer", "Instructor’s computer"});
        assertThat(grid.locator("tbody tr").first()).containsText("all 4 open");
        Locator cell = grid.locator("tbody tr").filter(new Locator.FilterOptions().setHasText("Marsh_A2_v02.otio")).locator("td").first();
        cell.locator("summary").click();
        assertThat(cell).containsText("It leads out of the folder, and the file did not come along: rain_loop.wav");
        accessible(page);
        cell.getByText("rain_loop.wav").click();
        assertThat(page.locator(".links-list details[open]")).containsText("rain_loop.wav");
    }

    @Test
    void everyCodeAndFormatIsExplained() {
        Page page = signIn("ottoline.marsh");
        page.getByText("what is checked").click();
        assertThat(page.locator("h1")).hasText("What is checked");
        assertThat(page.locator(".codes article")).hasCount(Rules.judged().size());
        assertThat(page.locator(".formats li")).hasCount(Formats.documents().size());
        accessible(page);
        for (String id : page.locator(".codes article").evaluateAll("all => all.map(one => one.id)").toString().replaceAll("[\\[\\] ]", "")
                .split(",")) {
            assertThat(Rules.judged().stream().map(code -> code.id()).toList()).contains(id);
        }
        page.setViewportSize(390, 800);
        assertThat((Integer) page.evaluate("document.documentElement.scrollWidth")).as("nothing sticks out on a telephone")
                .isLessThanOrEqualTo(390);
    }
}
