package org.opensatchel.web.demo;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.opensatchel.web.RunningApplication;
import org.opensatchel.web.location.LocationService;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;

/** A student says where the folder lies: wrong at first, on two computers, and again when something changed. */
class PlaceWalkTest extends RunningApplication {

    private static final String WHO = "maren.eskildsen";
    private static final String ROOT = "MOV120_A2_Eskildsen_Maren";

    @Autowired
    private JdbcTemplate database;
    @Autowired
    private LocationService locations;
    private long last;

    @BeforeEach
    void remember() {
        last = database.queryForObject("select coalesce(max(id), 0) from project_location", Long.class);
    }

    @AfterEach
    void takeAway() {
        database.update("delete from project_location where id > ?", last);
        database.update("delete from team_member");
        database.update("delete from team");
    }

    private Page open() {
        Page page = signIn(WHO);
        goTo(page, address("/assignments/" + market().id() + "/location"));
        return page;
    }

    private static void on(Page page, String system, String path) {
        page.getByLabel(system, new Page.GetByLabelOptions().setExact(true)).check(new Locator.CheckOptions().setForce(true));
        page.getByLabel("a drive you carry").check(new Locator.CheckOptions().setForce(true));
        page.fill("#path", path);
    }

    private static void save(Page page) {
        page.locator("form[data-judge]").getByRole(AriaRole.BUTTON).click();
    }

    @Test
    void aBadPlaceIsKeptAndNeverCalledGood() {
        Page page = open();
        on(page, "Windows", "E:\\" + ROOT + ".zip");
        assertThat(page.locator(".way")).containsText("is the ZIP itself");
        on(page, "Mac", "E:\\" + ROOT);
        assertThat(page.locator(".way")).containsText("you chose another kind of computer");
        on(page, "Windows", "E:\\MOV120_A2_Eskildsen_Marne");
        assertThat(page.locator(".strap mark")).hasText("ne");
        save(page);
        assertThat(page.locator(".told.must")).containsText("This is kept, but it is not a good place yet.");
        assertThat(page.locator(".path .now")).containsText("needs fixing");
        accessible(page);
        on(page, "Windows", "E:\\" + ROOT);
        save(page);
        assertThat(page.locator(".told")).containsText("Saved.");
        assertThat(page.locator(".path .now")).containsText("set");
    }

    @Test
    void eachComputerHasItsOwnAndADriveMayChangeItsLetter() {
        Page page = open();
        on(page, "Mac", "/Volumes/STICK/" + ROOT);
        save(page);
        page.getByText("I work on several computers").click();
        page.locator("details[open] input[name=computer]").fill("Lab desk");
        page.getByText("Add", new Page.GetByTextOptions().setExact(true)).click();
        on(page, "Windows", "E:\\" + ROOT);
        save(page);
        assertThat(page.locator(".computers a")).hasCount(2);
        accessible(page);
        page.getByText("The drive has another letter now").click();
        page.fill("#letter", "f");
        page.locator("details[open] button").click();
        assertThat(page.locator("#path")).hasValue("F:\\" + ROOT);
        assertThat(page.locator("main")).containsText("nothing breaks");
        assertThat(locations.everywhere(market()).get(place(WHO).student().enrolmentId()))
                .extracting(set -> set.computer() + " " + set.path()).containsExactly(" /Volumes/STICK/" + ROOT, "Lab desk F:\\" + ROOT);
        page.getByText("I renamed the folder").click();
        page.fill("#name", "mine");
        page.locator("details[open] button").click();
        assertThat(page.locator(".path .now")).containsText("needs fixing");
        page.getByText("Remove this computer").click();
        assertThat(page.locator("#path")).hasValue("/Volumes/STICK/" + ROOT);
        assertThat(page.locator(".computers a")).hasCount(0);
    }

    @Test
    void aTeamSeesWhetherItsNamesAgree() {
        long team = database.queryForObject("insert into team (assignment_id, name) values (?, 'Owls') returning id", Long.class,
                market().id());
        for (String login : new String[]{WHO, "ottoline.marsh", "noor.thackeray"}) {
            database.update("insert into team_member (team_id, enrolment_id) values (?, ?)", team, place(login).student().enrolmentId());
        }
        Page page = open();
        on(page, "Windows", "E:\\" + ROOT);
        save(page);
        assertThat(page.locator(".side")).containsText("Team Owls");
        assertThat(page.locator(".side")).containsText("another name: agree on one");
        accessible(page);
    }
}
