package org.opensatchel.web.report;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.opensatchel.web.RunningApplication;
import org.opensatchel.web.handin.HandInView;

/** Timelines as strips, and what pictures, films and sounds are, on the page of a report. */
class MediaPageTest extends RunningApplication {

    /** The first hand-in of somebody of the demo class, as their instructor sees it. */
    private Page report(String login) {
        demoIsChecked();
        List<HandInView> own = handIns.ofStudent(place(login));
        Page page = signIn("quillfeather");
        goTo(page, address("/hand-ins/" + own.get(own.size() - 1).id()));
        page.waitForLoadState();
        return page;
    }

    private static Locator strip(Page page, String track) {
        return page.locator(".strip",
                new Page.LocatorOptions().setHas(page.locator(".track", new Page.LocatorOptions().setHasText(track))));
    }

    @Test
    void aTimelineIsDrawnTrackByTrackWithWhatDoesNotOpen() {
        Page page = report("ottoline.marsh");
        assertThat(page.locator(".strips h2")).hasText("Timeline");
        assertThat(page.locator(".strips")).containsText("at 30 frames a second");
        // One timeline: that of the newest version.
        assertThat(page.locator(".strip-map")).hasCount(1);
        assertThat(page.locator(".strip .track")).hasText(new String[]{"Titles", "Pictures", "Voice", "Market"});
        assertThat(strip(page, "Pictures").locator(".piece.pinned")).hasCount(6);
        assertThat(strip(page, "Pictures").locator(".piece.name")).hasCount(1);
        assertThat(strip(page, "Market").locator(".piece.broken")).hasCount(1);
        accessible(page);
        // A click opens what is told of its link.
        strip(page, "Market").locator(".piece.broken").click();
        assertThat(page.locator("details[open] summary:focus")).containsText("rain_loop.wav");
        // The same to read.
        page.getByText("As a table").click();
        Locator rows = page.locator(".strips tbody tr");
        assertThat(rows).hasCount(14);
        assertThat(rows.filter(new Locator.FilterOptions().setHasText("rain_loop"))).containsText("outside the project folder");
    }

    @Test
    void whatIsToldOfAClipIsAtTheClip() {
        Page page = report("bisi.oyelaran");
        Locator flash = page.locator(".piece.flagged");
        assertThat(flash).hasCount(1);
        flash.focus();
        page.keyboard().press("Enter");
        assertThat(page.locator("li:target h3")).hasText("A clip is only a flash");
    }

    @Test
    void whatIsNotAsAskedIsMarkedWithItsWaveAndItsBand() {
        Page page = report("ffion.jessop");
        Locator film = page.locator(".media-sheet tbody tr", new Page.LocatorOptions().setHasText("Jessop_A2_final.mp4"));
        assertThat(film.locator(".level.differs")).containsText("0.0 dBFS");
        assertThat(film.locator(".level")).containsText("cut off in");
        assertThat(film.locator(".wave .band")).hasCount(2);
        assertThat(film.locator("td").first()).containsText("1280 × 720");
        assertThat(film.locator("td").first()).not().hasClass("differs");
        assertThat(page.locator(".findings")).containsText("The sound is distorted");
        page = report("tobiah.garrick");
        Locator small = page.locator(".media-sheet tbody tr", new Page.LocatorOptions().setHasText("_A2_final.mp4"));
        assertThat(small.locator("td.differs").first()).containsText("960 × 540");
        assertThat(page.locator(".findings")).containsText("is 960 × 540 pixels; 1280 × 720 is asked for.");
    }

    @Test
    void theTableIsSortedByAColumnAndShowsPicturesSmall() {
        Page page = report("ffion.jessop");
        Locator rows = page.locator(".media-sheet tbody tr");
        assertThat(rows.first()).containsText("delivery/");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Length")).click();
        assertThat(rows.first()).containsText("1.0 s");
        assertThat(rows.last()).containsText("titles/");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Length")).click();
        assertThat(rows.first()).containsText("12.0 s");
        Locator thumb = page.locator(".media-sheet img").first();
        thumb.scrollIntoViewIfNeeded();
        page.waitForCondition(() -> (int) thumb.evaluate("img => img.naturalWidth") > 0);
        assertThat((int) thumb.evaluate("img => img.naturalWidth")).isEqualTo(96);
    }

    @Test
    void itAllStandsThereWithoutScript() {
        demoIsChecked();
        long id = handIns.ofStudent(place("bisi.oyelaran")).get(0).id();
        Page page = signIn("quillfeather", new Browser.NewContextOptions().setJavaScriptEnabled(false));
        goTo(page, address("/hand-ins/" + id));
        assertThat(page.locator(".piece.flagged")).hasCount(1);
        assertThat(page.locator(".media-sheet tbody tr")).not().hasCount(0);
        page.locator(".piece.flagged").click();
        assertThat(page).hasURL(java.util.regex.Pattern.compile(".*#finding-\\d+"));
    }
}
