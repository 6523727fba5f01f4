package org.opensatchel.web.demo;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.opensatchel.web.account.Role;
import org.opensatchel.web.course.AssignmentView;

/** Courses, rosters and who may do what; kits onto drives; what a student is told of a newer kit. */
class CourseTest extends RunningApplication {

    private Page course(String code) {
        Page page = signIn("quillfeather");
        page.getByText("A new course").click();
        page.getByLabel("Code").fill(code);
        page.getByLabel("Title").fill("Try-out");
        page.getByText("Make it").click();
        assertThat(page.locator("h1")).hasText(code + " Try-out");
        return page;
    }

    private static void bring(Page page, String name, String content) {
        page.setInputFiles("#file", new FilePayload(name, "text/csv", content.getBytes(StandardCharsets.UTF_8)));
        page.getByText("Look at it").first().click();
        assertThat(page.locator("h1")).hasText("What this roster would change");
    }

    @Test
    void aRosterIsLookedAtBeforeItIsTakenOver() {
        Page page = course("TRY 101");
        accessible(page);
        assertThat(page.locator(".empty")).containsText("Nobody is on the roster yet");
        bring(page, "roster.csv", "Surname;Given name;Number;Section\nMarsh;Ottoline;1;A\nÓ Duibhne;Séafra;2;A\n;Tamsin;3;B");
        assertThat(page.locator(".changes li.added")).hasCount(3);
        assertThat(page.locator("aside")).containsText("Surname last name");
        accessible(page);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Take it over")).click();
        assertThat(page.locator(".told").nth(1)).containsText("First sign-ins");
        String login = page.locator(".told tbody tr").first().locator("td").nth(1).textContent();
        String password = page.locator(".told tbody tr").first().locator("td").nth(2).textContent();
        assertThat(page.locator("table.roster tbody tr")).hasCount(3);
        assertThat(page.locator("table.roster")).containsText("ÓDuibhne · Séafra");
        page.reload();
        assertThat(page.locator(".told")).hasCount(0);
        bring(page, "roster.csv", "Surname,Given name,Number,Section\nMarsh-Pell,Ottoline,1,A\nÓ Duibhne,Séafra,2,A\nRudge,Barnaby,4,B");
        assertThat(page.locator(".changes .changed")).containsText("Marsh-Pell");
        assertThat(page.locator(".changes .removed")).containsText("Tamsin");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Take it over")).click();
        assertThat(page.locator("table.roster tbody tr")).hasCount(3);
        assertThat(page.getByText("is back")).hasCount(1);
        page.getByText("is back").click();
        assertThat(page.locator("table.roster tbody tr")).hasCount(4);
        page.getByLabel("Change Séafra Ó Duibhne").click();
        Locator row = page.locator("table.roster tbody tr").filter(new Locator.FilterOptions().setHasText("Séafra"));
        row.locator("input[name=last]").fill("ODuibhne");
        row.getByText("Write so").click();
        assertThat(page.locator("table.roster")).containsText("ODuibhne · Séafra");
        assertThat(login).isEqualTo("ottoline.marsh2");
        Page student = signIn(login, password);
        assertThat(student.locator("body")).containsText("TRY 101 Try-out");
    }

    @Test
    void aFaultyRosterChangesNothing() {
        Page page = course("TRY 102");
        bring(page, "roster.csv", "Last,First,ID\nMarsh,Ottoline,1\n,,2\nRudge,Barnaby,1");
        assertThat(page.locator(".findings li")).hasText(List.of("row 3, column “Last”: There is no name in this row.", "row 4, column “ID”: The number “1” stands in row 2 already.").toArray(String[]::new));
        assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Take it over"))).hasCount(0);
        page.getByText("Leave it").click();
        assertThat(page.locator(".empty")).isVisible();
        page.getByText("or paste it").click();
        page.fill("#table", "<script>alert(1)</script>,x\na,b");
        page.locator("aside details button").click();
        assertThat(page.locator(".findings li")).containsText("<script>alert(1)</script>, x");
    }

    @Test
    void anAssistantReviewsAndDoesNotPlan() {
        accounts.create("assistant", "A. Helper", DemoData.PASSWORD, Role.INSTRUCTOR);
        Page page = course("TRY 103");
        page.getByLabel("Code").fill("A1");
        page.getByLabel("Title").fill("Lamp");
        page.getByLabel("Due").fill("2027-01-15T12:00");
        page.getByText("Plan it").click();
        assertThat(page.locator("h1")).hasText("The folder plan");
        String plan = page.url();
        page.navigate(address("/"));
        page.getByText("TRY 103 Try-out").click();
        page.getByLabel("Signs in as").fill("nobody.here");
        page.getByText("Add", new Page.GetByTextOptions().setExact(true)).click();
        assertThat(page.locator(".told")).containsText("no instructor who signs in as “nobody.here”");
        page.getByLabel("Signs in as").fill("assistant");
        page.getByLabel("assists only").check();
        page.getByText("Add", new Page.GetByTextOptions().setExact(true)).click();
        assertThat(page.locator("aside")).containsText("A. Helper assists: may review, not plan");
        Page helper = signIn("assistant");
        assertThat(helper.navigate(plan).status()).isEqualTo(404);
        assertThat(helper.navigate(plan.replace("/plan", "/review")).status()).isEqualTo(200);
        assertThat(helper.navigate(address("/courses/1")).status()).isEqualTo(404);
    }

    @Test
    void kitsGoOntoDrivesOrAreRefused() {
        AssignmentView market = market();
        Page page = signIn("quillfeather");
        page.navigate(address("/assignments/" + market.id() + "/drives"));
        accessible(page);
        page.getByLabel("Whose kit goes onto SATCHEL-02").selectOption("Kestrel, Rowan");
        page.getByLabel("Whose kit goes onto SATCHEL-03").selectOption("Drury, Halvard");
        page.getByLabel("Whose kit goes onto SATCHEL-01").selectOption("nobody's");
        page.getByLabel("Whose kit goes onto OLD-STICK").selectOption("Quist, Annelie");
        page.getByText("Load the kits").click();
        Locator rows = page.locator(".bay li");
        assertThat(rows.filter(new Locator.FilterOptions().setHasText("SATCHEL-02"))).containsText("MOV120_A2_Kestrel_Rowan is on it, as it was meant");
        assertThat(rows.filter(new Locator.FilterOptions().setHasText("SATCHEL-03"))).containsText("MOV120_A2_Drury_Halvard is on it, as it was meant");
        assertThat(rows.filter(new Locator.FilterOptions().setHasText("OLD-STICK"))).containsText("Nothing was written");
        page.getByText("Back to the hand-out").click();
        assertThat(page.locator("tbody tr").filter(new Locator.FilterOptions().setHasText("Kestrel"))).containsText("loaded onto SATCHEL-02");
    }

    @Test
    void aStudentIsToldWhatChangedAndGetsOnlyThat() {
        long instructor = accounts.loadUserByUsername("quillfeather").accountId();
        AssignmentView signs = courses.taughtBy(instructor).stream().filter(one -> one.title().equals("Wayfinding Set")).findFirst().orElseThrow();
        Page student = signIn("ottoline.marsh");
        student.navigate(address("/assignments/" + signs.id() + "/kit"));
        student.waitForDownload(() -> student.locator("main form button").first().click());
        Page page = signIn("quillfeather");
        page.navigate(address("/assignments/" + signs.id() + "/plan"));
        page.locator(".band-head").first().click();
        page.locator(".band .edit").getByLabel("What it is for").fill("Another purpose");
        page.setInputFiles("#starter-files", new FilePayload("notes.txt", "text/plain", "new".getBytes(StandardCharsets.UTF_8)));
        assertThat(page.locator("#starter-told")).containsText("1 file added");
        page.locator("#publish").click();
        assertThat(page.locator("#told")).containsText("Version 2 is published");
        student.reload();
        assertThat(student.locator(".changes")).containsText("is for Another purpose");
        assertThat(student.locator(".changes")).containsText("The starter file notes.txt is new");
        accessible(student);
        assertThat(student.waitForDownload(() -> student.getByText("Download only what changed").click()).suggestedFilename()).endsWith("_v1-to-v2.zip");
        student.reload();
        assertThat(student.locator(".changes")).hasCount(0);
    }
}
