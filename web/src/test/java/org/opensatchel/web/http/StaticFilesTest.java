package org.opensatchel.web.http;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Page;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.opensatchel.web.RunningApplication;

/** Styles, scripts and fonts are kept by browsers for a year, under an address that changes when they do; pages are not kept. */
class StaticFilesTest extends RunningApplication {

    @Test
    @SuppressWarnings("unchecked")
    void whatAPageNeedsIsKeptForAYear() {
        Page page = signIn("quillfeather");
        page.waitForLoadState();
        // Letters are fetched once something is set in them.
        page.evaluate("() => document.fonts.ready.then(() => true)");
        List<String> needed = (List<String>) page
                .evaluate(
                        "() => performance.getEntriesByType('resource').map((one) => one.name).filter((name) => name.includes('/files/'))");
        assertThat(needed).anyMatch(name -> name.endsWith(".css")).anyMatch(name -> name.endsWith(".js"))
                .anyMatch(name -> name.endsWith(".woff2"));
        for (String name : needed) {
            APIResponse answer = page.context().request().get(name);
            assertThat(answer.headers().get("cache-control")).as(name).contains("max-age=31536000", "public", "immutable");
        }
        assertThat(page.context().request().get(needed.get(0).replaceFirst("/files/[0-9a-f]+", "/files/0123456789abcdef")).status())
                .as("an address that was never given out").isEqualTo(404);
        assertThat(page.context().request().get(address("/")).headers().get("cache-control")).contains("no-store");
    }
}
