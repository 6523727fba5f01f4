package org.opensatchel.web.review;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.opensatchel.web.Questions;
import org.opensatchel.web.RunningApplication;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.handin.HandInView;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;

/** The review desk in the browser: the class found and filtered, one student decided about and written to, and everything taken back. */
class ReviewDecisionTest extends RunningApplication {

    @Autowired
    private JdbcTemplate database;
    @Autowired
    private BoardMaker boards;

    @BeforeEach
    @AfterEach
    void nothingWasDecided() {
        nothingIsDecided(database);
    }

    private HandInView handIn(String login) {
        return handIns.counting(market()).get(place(login).student().enrolmentId());
    }

    private Page desk(String login) {
        Page page = signIn("quillfeather");
        goTo(page, address(handIn(login).address()));
        return page;
    }

    private Page board() {
        Page page = signIn("quillfeather");
        goTo(page, address("/assignments/" + market().id() + "/review"));
        return page;
    }

    /** Presses a key; keys are heard when the page's scripts are there. */
    private static void key(Page page, String key) {
        page.waitForLoadState();
        page.keyboard().press(key);
    }

    @Test
    void theClassIsFilteredAsOneTypesAndTheAddressKeepsIt() {
        Page page = board();
        Locator rows = page.locator("tr[data-who]");
        assertThat(rows).hasCount(24);
        page.getByLabel("Search name or number").fill("marsh");
        assertThat(rows).hasCount(2);
        assertThat(page).hasURL(Pattern.compile(".*q=marsh.*"));
        page.getByLabel("Any verdict").selectOption("ready");
        assertThat(rows).hasCount(1);
        assertThat(rows).containsText("Marsh, Odile");
        page.reload();
        assertThat(rows).hasCount(1);
        page.getByText("Clear filters").click();
        assertThat(rows).hasCount(24);
        page.getByLabel("Any finding").selectOption("link.misspelt");
        assertThat(rows).hasCount(2);
        page.getByLabel("Search name or number").fill("nobody at all");
        assertThat(page.getByText("Nobody fits these filters")).isVisible();
        accessible(page);
    }

    @Test
    void theFindingsOfAMarkOpenInPlaceAndKeysMoveOn() {
        Page page = board();
        key(page, "j");
        key(page, "j");
        assertThat(page.locator("tr[data-who]").nth(1).locator(".row-link")).isFocused();
        key(page, "w");
        Locator panel = page.locator(".panel");
        assertThat(panel).containsText("A required file has the wrong name");
        accessible(page);
        page.keyboard().press("Escape");
        assertThat(panel).hasCount(0);
        key(page, "x");
        assertThat(page.getByText("With the chosen:")).isVisible();
        key(page, "o");
        assertThat(page.locator("h1")).containsText("MOV120_A2_Marsh_Ottoline");
        assertThat(page.locator(".neighbours")).containsText("2 of 24");
        key(page, "j");
        assertThat(page.locator(".neighbours")).containsText("3 of 24");
    }

    @Test
    void whatIsWaivedCountsNoMoreAndOneKeyTakesItBack() {
        Page page = desk("maren.eskildsen");
        assertThat(page.getByText("Fix 1 thing")).isVisible();
        assertThat(page.locator(".points h2")).hasText("Points for organisation: 19 of 20");
        key(page, "w");
        page.keyboard().type("The bell was renamed in class");
        page.keyboard().press("Enter");
        assertThat(page.locator("h2 .verdict.ready")).hasText("Ready");
        assertThat(page.locator(".points h2")).hasText("Points for organisation: 20 of 20");
        assertThat(page.locator(".lines s").first()).containsText("market-bell.wav");
        accessible(page);
        org.assertj.core.api.Assertions.assertThat(handIn("maren.eskildsen").told()).isEqualTo("ready");
        key(page, "z");
        assertThat(page.getByText("Fix 1 thing")).isVisible();
        assertThat(handIn("maren.eskildsen").told()).isEqualTo("fix");
        assertThat(database.queryForList("select what from audit where what <> 'SAW' order by id", String.class)).containsExactly("WAIVED",
                "TOOK_BACK");
    }

    @Test
    void aKindIsWaivedForEverybodyAndTheBoardCountsAnew() {
        Page page = desk("juno.fairweather");
        key(page, "w");
        page.locator(".decide[open] select[name=scope]").selectOption("ASSIGNMENT");
        page.locator(".decide[open] input[name=reason]").fill("Nobody renders on that machine");
        page.keyboard().press("Enter");
        assertThat(page.getByText("Waived: A link and its file differ in spelling")).isVisible();
        assertThat(handIn("juno.fairweather").told()).isEqualTo("ready");
        assertThat(handIn("ottoline.marsh").must()).isEqualTo(8);
        // A reason is asked for, and nothing is changed without one.
        goTo(page, address(handIn("ottoline.marsh").address()));
        page.context().request().post(address(handIn("ottoline.marsh").address() + "/rulings"),
                com.microsoft.playwright.options.RequestOptions.create()
                        .setHeader("X-CSRF-TOKEN", page.locator("meta[name=_csrf]").getAttribute("content"))
                        .setForm(com.microsoft.playwright.options.FormData.create().set("code", "link.pinned").set("key", "x")
                                .set("weight", "waived")
                                .set("scope", "HAND_IN").set("reason", " ")));
        assertThat(handIn("ottoline.marsh").must()).isEqualTo(8);
    }

    @Test
    void aRemarkMayBeSomethingToFixAndPointsMayBeGivenByHand() {
        Page page = desk("cosima.damberley");
        page.getByLabel("Add a remark, or something to fix that the check did not find").fill("The film is black.");
        page.locator("#remark-weight").selectOption("must");
        page.locator(".remark button").click();
        assertThat(page.locator(".findings .raised")).containsText("The film is black.");
        assertThat(handIn("cosima.damberley").told()).isEqualTo("fix");
        page.getByText("Give other points").click();
        page.locator("#given-points").fill("12,5");
        page.locator("#given-reason").fill("The film is black");
        page.locator(".points form.decide-form button").click();
        assertThat(page.locator(".points h2")).hasText("Points for organisation: 12.5 of 20");
        key(page, "z");
        assertThat(page.locator(".points h2")).hasText("Points for organisation: 20 of 20");
    }

    @Test
    void acceptsAHandInOrAsksForAnother() {
        Page page = desk("halvard.drury");
        page.getByText("Accept as it is").first().click();
        page.locator("#accept-reason").fill("Only the name");
        page.keyboard().press("Enter");
        assertThat(page.locator(".decided")).containsText("Accepted as it is: Only the name");
        Page board = board();
        assertThat(board.locator("tr[data-who]", new Page.LocatorOptions().setHasText("Drury, Halvard"))).containsText("accepted");
        key(page, "z");
        assertThat(page.locator(".decided")).hasCount(0);
        page.getByText("Ask for another hand-in").first().click();
        page.locator("#new-due").fill("2031-05-06T12:00");
        page.locator("#again-reason").press("Enter");
        assertThat(page.locator(".decided")).containsText("Another hand-in is asked for until");
        assertThat(courses.extensions(market())).containsKey(place("halvard.drury").student().enrolmentId());
        page.locator(".decided button").click();
        assertThat(page.locator(".decided")).hasCount(0);
        assertThat(courses.extensions(market())).doesNotContainKey(place("halvard.drury").student().enrolmentId());
    }

    @Test
    void slipsAreSentReadAndTakenBack() {
        Page page = signIn("quillfeather");
        goTo(page, address("/assignments/" + market().id() + "/return"));
        accessible(page);
        page.getByText("Send feedback to the chosen").click();
        assertThat(page.locator(".told")).containsText("17 letters are on the students’ pages.");
        assertThat(database.queryForObject("select count(*) from mail", Integer.class)).isEqualTo(17);
        page.locator(".told").getByText("Undo").click();
        assertThat(page.locator(".told")).containsText("17 letters are taken back.");
        assertThat(database.queryForObject("select count(*) from mail where state = 'CANCELLED'", Integer.class)).isEqualTo(17);
        page.locator("tr", new Page.LocatorOptions().setHasText("Castellane")).getByText("Read and change").click();
        accessible(page);
        page.locator("#text-0").fill("Bring the story back");
        page.getByLabel("Leave out").nth(1).check();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Send").setExact(true)).click();
        assertThat(page.locator(".told")).containsText("1 letter is on the student’s page.");
        String body = database.queryForObject("select body from mail where state = 'QUEUED'", String.class);
        assertThat(body).startsWith("Hello Inès,").contains("1. Bring the story back").doesNotContain("2. ").contains("/slips/");
        Page student = signIn("ines.castellane");
        goTo(student, address("/assignments/" + market().id() + "/letters"));
        assertThat(student.locator("main")).containsText("Bring the story back");
        accessible(student);
        signedLinkOpensThatReportAlone(body);
    }

    private void signedLinkOpensThatReportAlone(String body) {
        String path = body.substring(body.indexOf("/slips/"), body.indexOf('\n', body.indexOf("/slips/"))).strip();
        Page anybody = unknown();
        assertThat(goTo(anybody, address(path)).status()).isEqualTo(200);
        assertThat(anybody.locator("h1")).containsText("MOV120_A2_Castellane");
        accessible(anybody);
        for (String other : List.of(path + "x", path.replaceFirst("/slips/\\d+", "/slips/999999"), "/slips/1", "/slips/-",
                "/slips/9".repeat(1))) {
            assertThat(goTo(anybody, address(other)).status()).as(other).isEqualTo(404);
        }
    }

    @Test
    void theOthersAreReachedToo() {
        Page page = board();
        for (Map.Entry<String, String> one : Map
                .of("/mistakes", "Class mistakes", "/mistakes/hand-out", "Three things to put right", "/log", "Log", "/downloads",
                        "Open and grade", "/exports", "Gradebook")
                .entrySet()) {
            goTo(page, address("/assignments/" + market().id() + one.getKey()));
            assertThat(page.locator("h1")).containsText(one.getValue());
            accessible(page);
        }
        goTo(page, address("/assignments/" + market().id() + "/students/" + place("tamsin").student().enrolmentId()));
        assertThat(page.locator("main")).containsText("nothing handed in");
        accessible(page);
        goTo(page, address("/students?q=ottoline"));
        assertThat(page.locator("tbody")).containsText("A2 Night Market Ident");
        goTo(page, address(handIn("ottoline.marsh").address()));
        page.locator(".findings > li", new Page.LocatorOptions().setHasText("rain_loop.wav")).first().locator(".look-at").click();
        assertThat(page.locator("mark.here")).containsText("rain_loop.wav");
        accessible(page);
    }

    /** Hand-ins go: those before the newest twenty, and those of an import that was undone. That somebody looked at them stays in the log. */
    @Test
    void aLookAtAHandInThatIsGoneIsInNobodysWay() {
        database.update(
                "insert into audit (at, account_id, assignment_id, enrolment_id, hand_in_id, what) values (now(), ?, ?, ?, null, 'SAW')",
                accounts.loadUserByUsername("quillfeather").accountId(), market().id(), place("odile.marsh").student().enrolmentId());
        Page page = board();
        assertThat(page.locator("tr[data-who]")).hasCount(24);
        assertThat(goTo(page, address("/assignments/" + market().id() + "/log")).status()).isEqualTo(200);
        assertThat(goTo(page, address("/assignments/" + market().id() + "/students/" + place("odile.marsh").student().enrolmentId()))
                .status())
                .isEqualTo(200);
    }

    @Test
    void nextGoesAlongTheBoardAsItWasSeenWhateverIsDecidedMeanwhile() {
        Page page = board();
        Locator rows = page.locator("tr[data-who]");
        assertThat(rows).hasCount(24);
        String third = rows.nth(2).locator(".row-link").innerText();
        goTo(page, page.url().replaceAll("/assignments/.*", rows.nth(1).locator(".row-link").getAttribute("href")));
        assertThat(page.locator(".neighbours")).containsText("2 of 24");
        String here = page.url();
        // All is in order now: on a board that is looked at anew this one stands far below.
        database.update("update hand_in set must = 0, should = 0, verdict = 'ready' where id = ?",
                Long.parseLong(here.replaceAll(".*/", "")));
        page.reload();
        assertThat(page.locator(".neighbours")).containsText("2 of 24");
        page.locator(".neighbours").getByText("next").click();
        assertThat(page.locator(".neighbours")).containsText("3 of 24");
        assertThat(page.locator(".headline bdi")).containsText(third.substring(third.indexOf(',') + 2));
        board();
        goTo(page, here);
        assertThat(page.locator(".neighbours")).containsText("of 24");
        assertThat(page.locator(".neighbours")).not().containsText("2 of 24");
    }

    @Test
    void theBoardAsksAsOftenForALargeClassAsForASmallOne() {
        long me = accounts.loadUserByUsername("quillfeather").accountId();
        AssignmentView market = market();
        boards.board(market, me, BoardQuery.ALL);
        int large = Questions.of(() -> boards.board(market, me, BoardQuery.ALL));
        database.update("update enrolment set left_at = now() where course_id = ? and section = '2'", market.courseId());
        try {
            assertThat(boards.board(market, me, BoardQuery.ALL).all()).hasSize(12);
            assertThat(Questions.of(() -> boards.board(market, me, BoardQuery.ALL))).isPositive().isEqualTo(large).isLessThanOrEqualTo(20);
        } finally {
            database.update("update enrolment set left_at = null where course_id = ?", market().courseId());
        }
    }
}
