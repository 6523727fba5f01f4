package org.opensatchel.web.demo;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.regex.Pattern;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.opensatchel.web.RunningApplication;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;

/** An instructor from signing in to the report of one student. */
class InstructorWalkTest extends RunningApplication {

    @Autowired
    private JdbcTemplate database;
    private long before;

    @BeforeEach
    void rememberWhoHasTheKit() {
        before = database.queryForObject("select coalesce(max(id), 0) from collection", Long.class);
    }

    @AfterEach
    void takeKitsBack() {
        database.update("delete from collection where id > ?", before);
    }

    @Test
    void signsInAndSeesThePathOfTheWork() {
        Page page = signIn("quillfeather");
        accessible(page);
        page.getByText("A2 Night Market Ident").click();
        assertThat(page.locator(".path li"))
                .hasText(new Pattern[]{steps("Plan.*kit v\\d"), steps("Hand out.*\\d+ of 24 have it"),
                        steps("Project locations.*\\d+ of 24 set"),
                        steps("Submissions.*\\d+ handed in"), steps("Class results.*\\d+ ready, \\d+ to tidy, \\d+ to fix"),
                        steps("Feedback.*\\d+ with feedback")});
    }

    private static Pattern steps(String text) {
        return Pattern.compile(text, Pattern.DOTALL);
    }

    @Test
    void readsTheClassAndOpensAReportByKeys() {
        Page page = signIn("quillfeather");
        goTo(page, address("/assignments/" + market().id() + "/review"));
        accessible(page);
        Locator rows = page.locator("table.class tbody tr");
        assertThat(rows).hasCount(24);
        Locator last = rows.nth(23);
        assertThat(last.boundingBox().y + last.boundingBox().height).as("24 rows on one screen").isLessThanOrEqualTo(800);
        assertThat(last).containsText("not yet");
        page.keyboard().press("?");
        assertThat(page.locator(".keys")).isVisible();
        page.keyboard().press("Escape");
        page.keyboard().press("j");
        page.keyboard().press("j");
        page.keyboard().press("Enter");
        assertThat(page.locator("h1")).containsText("MOV120_A2_");
    }

    @Test
    void seesWhyALinkBreaksBehindItsThread() {
        Page page = signIn("quillfeather");
        goTo(page, address("/assignments/" + market().id() + "/review"));
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Marsh, Ottoline")).click();
        accessible(page);
        assertThat(page.getByText("Fix 4 things")).isVisible();
        assertThat(page.locator(".map .thread.pinned")).hasCount(6);
        Locator thread = page.locator(".map .thread.broken").first();
        thread.focus();
        page.keyboard().press("Enter");
        Locator open = page.locator(".links-list details[open]");
        assertThat(open).hasCount(1);
        assertThat(open).containsText("C:\\Users\\omarsh\\Downloads\\rain_loop.wav");
        assertThat(open).containsText("outside the project folder");
    }

    @Test
    void handsOutOneKitAndAllOfThem() throws IOException {
        Page page = signIn("quillfeather");
        goTo(page, address("/assignments/" + market().id() + "/hand-out"));
        accessible(page);
        assertThat(page.locator("tbody")).containsText("MOV120_A2_Tamsin");
        Path one = page.waitForDownload(() -> page.getByLabel("ZIP: the kit of Séafra Ó Duibhne").click()).path();
        List<String> names = names(one);
        assertThat(names).contains("MOV120_A2_ÓDuibhne_Séafra/", "MOV120_A2_ÓDuibhne_Séafra/edit/autosave/",
                "MOV120_A2_ÓDuibhne_Séafra/sound/market-bell.wav",
                "MOV120_A2_ÓDuibhne_Séafra/START-HERE.html", "MOV120_A2_ÓDuibhne_Séafra/satchel.kit.json");
        Path again = page.waitForDownload(() -> page.getByLabel("ZIP: the kit of Séafra Ó Duibhne").click()).path();
        assertThat(Files.mismatch(one, again)).as("the same kit is the same bytes").isEqualTo(-1);
        try (ZipFile zip = new ZipFile(one.toFile())) {
            String guide = new String(zip.getInputStream(zip.getEntry("MOV120_A2_ÓDuibhne_Séafra/START-HERE.html")).readAllBytes(),
                    StandardCharsets.UTF_8);
            assertThat(guide).contains("ÓDuibhne_A2_final.mp4").doesNotContain("th:text", "th:each", "src=", "href=");
        }
        Download all = page.waitForDownload(() -> page.getByText("Download all as one ZIP").click());
        assertThat(names(all.path())).hasSize(24).contains("MOV120_A2_Tamsin.zip", "MOV120_A2_DAmberley_Cosima.zip");
        page.reload();
        assertThat(page.locator("tbody tr").filter(new Locator.FilterOptions().setHasText("Umberline"))).containsText("handed out");
    }

    @Test
    void aTableFileHoldsNoFormulas() {
        Page page = signIn("quillfeather");
        String csv = page.context().request().get(address("/assignments/" + market().id() + "/review.csv")).text();
        assertThat(csv.lines()).hasSize(25).first().asString().contains("Student,Section,Location");
        assertThat(csv.lines().flatMap(line -> Arrays.stream(line.split(","))))
                .noneMatch(cell -> cell.startsWith("=") || cell.startsWith("\"="));
    }

    @Test
    void everyOtherPageIsFitForEveryone() {
        Page page = signIn("quillfeather");
        for (String path : List.of("/locations", "/check")) {
            goTo(page, address("/assignments/" + market().id() + path));
            accessible(page);
        }
        goTo(page, address("/assignments/999/plan"));
        assertThat(page.locator("h1")).containsText("Page not found");
    }

    private static List<String> names(Path zip) throws IOException {
        try (ZipFile file = new ZipFile(zip.toFile())) {
            return file.stream().map(ZipEntry::getName).map(String::toString).toList();
        }
    }
}
