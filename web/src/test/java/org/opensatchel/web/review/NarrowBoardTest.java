package org.opensatchel.web.review;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import org.junit.jupiter.api.Test;
import org.opensatchel.web.RunningApplication;

/** On a phone the class is names and verdicts; the rest of a row opens below it. */
class NarrowBoardTest extends RunningApplication {

    @Test
    void aRowOpensBelowItsName() {
        Page page = signIn("quillfeather", new Browser.NewContextOptions().setViewportSize(390, 844));
        goTo(page, address("/assignments/" + market().id() + "/review"));
        Locator row = page.locator("tr[data-who]").filter(new Locator.FilterOptions().setHasText("Vandermolen-Ashgrove, Wilhelmina"));
        assertThat(row.locator("th")).isVisible();
        assertThat(row.locator("td.verdict")).isVisible();
        assertThat(row.locator("td.place")).isHidden();
        assertThat((int) page.evaluate("document.documentElement.scrollWidth")).isEqualTo(390);
        row.locator(".more").click();
        assertThat(row.locator("td.place")).isVisible();
        assertThat(row.locator("td.seam-cell")).isVisible();
        assertThat(row.locator("a.mk[data-cell=link]")).isVisible();
        assertThat((boolean) row.locator("th a").evaluate("link => link.scrollWidth <= link.clientWidth")).as("the name is whole").isTrue();
        accessible(page);
        row.locator("a.mk[data-cell=link]").click();
        assertThat(page.locator("tr.panel-row")).isVisible();
        // By the keyboard too, and one sees where one is.
        row.locator(".more input").focus();
        page.keyboard().press("Shift");
        assertThat(row.locator(".more")).hasCSS("outline-style", "solid");
        row.locator(".more input").press("Space");
        assertThat(row.locator("td.place")).isHidden();
    }
}
