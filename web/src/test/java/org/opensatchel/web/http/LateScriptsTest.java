package org.opensatchel.web.http;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.WaitUntilState;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.opensatchel.web.RunningApplication;

/** On a slow line a page is there before its scripts: nothing moves when they come, and what waits for them says so. */
class LateScriptsTest extends RunningApplication {

    private final List<Route> held = new ArrayList<>();

    /** Opens a page whose modules do not come before they are let go. */
    private void withoutModules(Page page, String path, String modules) {
        page.route("**/js/module/" + modules, held::add);
        page.navigate(address(path), new Page.NavigateOptions().setWaitUntil(WaitUntilState.COMMIT));
        assertThat(page.getByText("Loading…")).isVisible();
    }

    @Test
    void thePlaceForAProjectStaysWhereItIs() {
        Page page = signIn("odile.marsh");
        withoutModules(page, "/assignments/" + market().id() + "/hand-in", "look/hand-in.js");
        Locator place = page.locator("[data-part=choose]");
        assertThat(page.locator("[data-hand-in]")).hasAttribute("inert", "");
        page.waitForFunction("document.fonts.status === 'loaded'");
        BoundingBox before = place.boundingBox();
        held.forEach(Route::resume);
        assertThat(page.locator("[data-hand-in].alive")).isVisible();
        assertThat(page.getByText("Loading…")).isHidden();
        BoundingBox after = place.boundingBox();
        assertThat(List.of(after.x, after.y, after.width, after.height))
                .isEqualTo(List.of(before.x, before.y, before.width, before.height));
        page.waitForFileChooser(() -> page.locator("[data-part=pick-zip]").click());
    }

    @Test
    void nobodyBeginsToWriteInAFormThatVanishes() {
        Page page = signIn("quillfeather");
        withoutModules(page, "/assignments/" + market().id() + "/plan", "plan/page.js");
        assertThat(page.locator("#plain")).isHidden();
        held.forEach(Route::resume);
        assertThat(page.locator(".band-head").first()).isVisible();
        assertThat(page.getByText("Loading…")).isHidden();
        assertThat(page.locator("#plain")).isHidden();
    }
}
