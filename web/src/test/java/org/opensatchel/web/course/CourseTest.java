package org.opensatchel.web.course;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.junit.jupiter.api.Test;
import org.opensatchel.core.kit.KitReader;
import org.opensatchel.web.RunningApplication;
import org.opensatchel.web.account.Role;
import org.opensatchel.web.kit.KitService;
import org.springframework.beans.factory.annotation.Autowired;

/** Courses, rosters and who may do what; kits onto drives; what a student is told of a newer kit. */
class CourseTest extends RunningApplication {

    @Autowired
    private KitService kits;
    private Page course(String code) {
        Page page = signIn("quillfeather");
        page.getByText("New course").click();
        page.getByLabel("Code").fill(code);
        page.getByLabel("Title").fill("Try-out");
        page.getByText("Create course").click();
        assertThat(page.locator("h1")).hasText(code + " Try-out");
        return page;
    }

    /** Something is said on the page, and the page stays where it is: it moves while its scripts come, and a click then meets nothing. */
    private static void told(Page page, String text) {
        assertThat(page.locator(".told")).containsText(text);
        page.waitForLoadState();
    }

    private static void bring(Page page, String name, String content) {
        page.setInputFiles("#file", new FilePayload(name, "text/csv", content.getBytes(StandardCharsets.UTF_8)));
        page.getByText("Preview", new Page.GetByTextOptions().setExact(true)).first().click();
        assertThat(page.locator("h1")).hasText("What this roster would change");
    }

    @Test
    void aRosterIsLookedAtBeforeItIsTakenOver() {
        Page page = course("TRY 101");
        accessible(page);
        assertThat(page.locator(".empty")).containsText("Nobody is on the roster yet");
        bring(page, "roster.csv", "Surname;Given name;Number;Section\nMarsh;Ottoline;1;A\nÓ Duibhne;Séafra;2;A\n;Tamsin;3;B");
        assertThat(page.locator(".changes li.added")).hasCount(3);
        assertThat(page.getByLabel("Column 1, Surname: it holds")).hasValue("LAST");
        accessible(page);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Import").setExact(true)).click();
        told(page, "3 new accounts were made");
        assertThat(page.locator("table.roster tbody tr")).hasCount(3);
        assertThat(page.locator("table.roster")).containsText("ÓDuibhne · Séafra");
        page.reload();
        assertThat(page.locator(".told")).hasCount(0);
        bring(page, "roster.csv", "Surname,Given name,Number,Section\nMarsh-Pell,Ottoline,1,A\nÓ Duibhne,Séafra,2,A\nRudge,Barnaby,4,B");
        assertThat(page.locator(".changes .changed")).containsText("Marsh-Pell");
        assertThat(page.locator(".side")).containsText("1 missing from this table");
        page.getByLabel("Tamsin").check();
        assertThat(page.locator(".side")).containsText("1 student would lose access");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Import").setExact(true)).click();
        assertThat(page.locator("table.roster tbody tr")).hasCount(3);
        assertThat(page.getByText("Put back")).hasCount(1);
        page.getByText("Put back").click();
        assertThat(page.locator("table.roster tbody tr")).hasCount(4);
        page.getByLabel("Change Séafra Ó Duibhne").click();
        page.getByLabel("Last name in file names").fill("ODuibhne");
        page.getByText("Save", new Page.GetByTextOptions().setExact(true)).click();
        assertThat(page.locator("table.roster")).containsText("ODuibhne · Séafra");
        // The page still scrolls to the changed row while it loads, and a click in between meets nothing.
        page.waitForLoadState();
        page.getByText("Print sign-in letters").click();
        assertThat(page.locator("h1")).hasText("Sign-in letters to print");
        assertThat(page.locator(".slip")).hasCount(4);
        accessible(page);
        Locator slip = page.locator(".slip").filter(new Locator.FilterOptions().setHasText("Ottoline Marsh-Pell"));
        assertThat(slip).containsText("ottoline.marsh2");
        String link = slip.locator(".link").textContent();
        goTo(page, page.url().replace("/sign-in-slips", ""));
        assertThat(page.locator("body")).not().containsText(link);

        Page student = unknown();
        goTo(student, link);
        accessible(student);
        student.getByLabel("Password").fill("kettle-and-lamp");
        student.getByText("Save password").click();
        told(student, "Your password is saved");
        goTo(student, link);
        assertThat(student.locator("h1")).hasText("This link does not work any more");
        student = signIn("ottoline.marsh2", "kettle-and-lamp");
        assertThat(student.locator("body")).containsText("TRY 101 Try-out");
        goTo(student, address("/account"));
        accessible(student);
        student.getByLabel("Password now").fill("wrong");
        student.getByLabel("New password").fill("lamp-and-kettle");
        student.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Change password")).click();
        told(student, "not your password now");
        student.getByLabel("Password now").fill("kettle-and-lamp");
        student.getByLabel("New password").fill("lamp-and-kettle");
        student.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Change password")).click();
        told(student, "Your password is changed");
    }

    @Test
    void badRowsAreSetApartAndNothingThatWasPastedIsLost() {
        Page page = course("TRY 102");
        bring(page, "roster.csv", "Last,First,ID\nMarsh,Ottoline,1\n,,2\nRudge,Barnaby,1\nMarsh,Ottoline,1");
        assertThat(page.locator(".changes .removed")).hasText(List
                .of("row 3, column Last: There is no name in this row.", "row 4, column ID: The student number 1 stands in row 2 already.")
                .toArray(String[]::new));
        assertThat(page.locator("main")).containsText("1 row is there twice and counts once");
        page.getByText("Cancel").click();
        assertThat(page.locator(".empty")).isVisible();
        page.getByText("Paste a table instead").click();
        page.fill("#table", "<script>alert(1)</script>,x\na,b");
        page.locator(".side details").filter(new Locator.FilterOptions().setHasText("Paste a table")).locator("button").click();
        assertThat(page.locator(".told li")).containsText("<script>alert(1)</script> and x");
        assertThat(page.locator("#table")).hasValue("<script>alert(1)</script>,x\na,b");
    }

    /** What columns hold is chosen where their headings say nothing, and is known the next time; an import is taken back by one click. */
    @Test
    void columnsAreChosenAndAnImportIsUndone() {
        Page page = course("TRY 108");
        String table = "Kood;Perenimi;Eesnimi\n11;Marsh;Ottoline\n12;Rudge;Barnaby";
        bring(page, "roster.csv", table);
        assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Import").setExact(true))).hasCount(0);
        page.getByLabel("Column 1, Kood: it holds").selectOption("ID");
        page.getByLabel("Column 2, Perenimi: it holds").selectOption("LAST");
        page.getByLabel("Column 3, Eesnimi: it holds").selectOption("FIRST");
        page.getByText("Preview again").click();
        assertThat(page.locator(".changes li.added")).hasCount(2);
        accessible(page);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Import").setExact(true)).click();
        told(page, "2 new accounts were made");
        bring(page, "roster.csv", table + "\n13;Quist;Annelie");
        assertThat(page.locator(".changes li.added")).hasCount(1);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Import").setExact(true)).click();
        assertThat(page.locator("table.roster tbody tr")).hasCount(3);
        page.getByText("Undo this import").click();
        told(page, "The import is undone");
        assertThat(page.locator("table.roster tbody tr")).hasCount(2);
        assertThat(page.getByText("Put back")).hasCount(0);
        page.getByText("Undo this import").click();
        assertThat(page.locator(".empty")).isVisible();
        assertThat(page.getByText("Undo this import")).hasCount(0);
    }

    @Test
    void aStudentIsAddedCorrectedAndRemovedByAForm() {
        Page page = course("TRY 109");
        page.getByText("Add a student").first().click();
        Locator form = page.locator("#add-student");
        form.getByLabel("Last name").fill("Marsh");
        form.getByLabel("First name").fill("Ottilie");
        form.getByLabel("Student number").fill("77");
        form.getByRole(AriaRole.BUTTON).click();
        told(page, "Marsh, Ottilie is in the course now.");
        page.getByText("Add a student").first().click();
        form.getByLabel("Last name").fill("Rudge");
        form.getByLabel("Student number").fill("77");
        form.getByRole(AriaRole.BUTTON).click();
        assertThat(form.locator(".told")).hasText("Ottilie Marsh has this student number already.");
        assertThat(form.getByLabel("Last name")).hasValue("Rudge");
        page.getByLabel("Change Ottilie Marsh").click();
        accessible(page);
        page.getByLabel("Last name", new Page.GetByLabelOptions().setExact(true)).fill("Marsh-Pell");
        page.getByText("Save", new Page.GetByTextOptions().setExact(true)).click();
        told(page, "Marsh-Pell, Ottilie is saved.");
        Locator row = page.locator("table.roster tbody tr");
        assertThat(row.locator("th")).hasText("Marsh-Pell, Ottilie");
        assertThat(row.locator("td.name")).hasText("Marsh · Ottilie");
        page.getByLabel("Change Ottilie Marsh-Pell").click();
        assertThat(page.locator(".side")).containsText("Ottilie Marsh-Pell would lose access to this course.");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Remove from course")).click();
        assertThat(page.locator(".empty")).isVisible();
        assertThat(page.getByText("Put back")).hasCount(1);
    }

    @Test
    void anAssistantReviewsAndDoesNotPlan() {
        accounts.create("assistant", "A. Helper", PASSWORD, Role.INSTRUCTOR);
        Page page = course("TRY 103");
        page.getByLabel("Code").fill("A1");
        page.getByLabel("Title").fill("Lamp");
        page.getByLabel("Due").fill("2027-01-15T12:00");
        page.getByText("Create assignment").click();
        assertThat(page.locator("h1")).hasText("The folder plan");
        String plan = page.url();
        goTo(page, address("/"));
        page.getByText("TRY 103 Try-out").click();
        page.getByLabel("Signs in as").fill("nobody.here");
        page.getByText("Add", new Page.GetByTextOptions().setExact(true)).click();
        told(page, "no instructor who signs in as “nobody.here”");
        page.getByLabel("Signs in as").fill("assistant");
        page.getByLabel("Role").selectOption("assistant");
        page.getByText("Add", new Page.GetByTextOptions().setExact(true)).click();
        assertThat(page.locator(".side")).containsText("A. Helper assistant: reviews, and cannot plan");
        Page helper = signIn("assistant");
        assertThat(goTo(helper, plan).status()).isEqualTo(404);
        assertThat(goTo(helper, plan.replace("/plan", "/review")).status()).isEqualTo(200);
        assertThat(helper.locator(".path a").all().stream().map(link -> helper.request().get(address(link.getAttribute("href"))).status())
                .toList()).containsOnly(200);
        assertThat(goTo(helper, address("/courses/1")).status()).isEqualTo(404);
        // The only owner stays; another one may go, and only an owner says so.
        page.getByLabel("Change R. Quillfeather").click();
        page.locator(".side li").filter(new Locator.FilterOptions().setHasText("R. Quillfeather")).getByText("Remove from course").click();
        told(page, "R. Quillfeather is the only owner of this course");
        page.getByLabel("Change A. Helper").click();
        page.locator(".side li").filter(new Locator.FilterOptions().setHasText("A. Helper")).getByText("Make instructor").click();
        assertThat(page.locator(".side")).containsText("A. Helper instructor: plans and reviews");
        Page second = signIn("assistant");
        goTo(second, page.url());
        assertThat(second.getByLabel("Change R. Quillfeather")).hasCount(0);
        assertThat(second.locator("#role option")).hasCount(2);
        page.getByLabel("Change A. Helper").click();
        page.locator(".side li").filter(new Locator.FilterOptions().setHasText("A. Helper")).getByText("Remove from course").click();
        assertThat(goTo(second, page.url()).status()).isEqualTo(404);
    }

    /** Whoever is in the demo already is told to the instructor, who says whether it is the same person. */
    @Test
    void aRosterJoinsAnAccountOnlyWhereTheInstructorSaysSo() {
        Page page = course("TRY 104");
        bring(page, "roster.csv", "Name,Login\nOttoline Marsh,ottoline.marsh\nOdile Marsh,odile.marsh\nA Teacher,quillfeather");
        assertThat(page.locator(".joining label")).hasCount(2);
        assertThat(page.locator(".joining")).containsText("Marsh, Ottoline joins the existing account of Ottoline Marsh (ottoline.marsh)");
        page.locator(".joining label").filter(new Locator.FilterOptions().setHasText("Odile")).locator("input").uncheck();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Import").setExact(true)).click();
        told(page, "2 new accounts were made");
        assertThat(signIn("ottoline.marsh").locator("body")).containsText("TRY 104 Try-out");
        assertThat(signIn("odile.marsh").locator("body")).not().containsText("TRY 104 Try-out");
        assertThat(signIn("quillfeather").locator("main")).containsText("TRY 104 Try-out");
        // A slip would open an account that is somebody else's student too: none is made for it.
        page.getByText("Print sign-in letters").click();
        assertThat(page.locator(".slip")).hasCount(2);
        assertThat(page.locator(".slip").filter(new Locator.FilterOptions().setHasText("ottoline.marsh "))).hasCount(0);
    }

    @Test
    void kitsGoOntoDrivesOrAreRefused() {
        AssignmentView market = market();
        Page page = signIn("quillfeather");
        goTo(page, address("/assignments/" + market.id() + "/drives"));
        accessible(page);
        page.getByLabel("Whose kit goes onto SATCHEL-02").selectOption("Kestrel, Rowan");
        page.getByLabel("Whose kit goes onto SATCHEL-03").selectOption("Drury, Halvard");
        page.getByLabel("Whose kit goes onto SATCHEL-01").selectOption("no kit");
        page.getByLabel("Whose kit goes onto OLD-STICK").selectOption("Quist, Annelie");
        page.getByText("Load the kits").click();
        Locator rows = page.locator(".bay li");
        assertThat(rows.filter(new Locator.FilterOptions().setHasText("SATCHEL-02")))
                .containsText("MOV120_A2_Kestrel_Rowan is on it, checked byte for byte");
        assertThat(rows.filter(new Locator.FilterOptions().setHasText("SATCHEL-03")))
                .containsText("MOV120_A2_Drury_Halvard is on it, checked byte for byte");
        assertThat(rows.filter(new Locator.FilterOptions().setHasText("OLD-STICK"))).containsText("Nothing was written");
        page.getByText("Back to the hand-out").click();
        assertThat(page.locator("tbody tr").filter(new Locator.FilterOptions().setHasText("Kestrel")))
                .containsText("loaded onto SATCHEL-02");
    }

    @Test
    void aStudentIsToldWhatChangedAndGetsOnlyThat() {
        long instructor = accounts.loadUserByUsername("quillfeather").accountId();
        AssignmentView signs = courses.taughtBy(instructor).stream().filter(one -> one.title().equals("Wayfinding Set")).findFirst()
                .orElseThrow();
        Page student = signIn("ottoline.marsh");
        goTo(student, address("/assignments/" + signs.id() + "/kit"));
        student.waitForDownload(() -> student.locator("main form button").first().click());
        Page page = signIn("quillfeather");
        goTo(page, address("/assignments/" + signs.id() + "/plan"));
        page.locator(".band-head").first().click();
        page.locator(".band .edit").getByLabel("What it is for").fill("Another purpose");
        page.setInputFiles("#starter-files", new FilePayload("notes.txt", "text/plain", "new".getBytes(StandardCharsets.UTF_8)));
        assertThat(page.locator("#starter-told")).containsText("1 file added");
        page.locator("#publish").click();
        assertThat(page.locator("#told")).containsText(Pattern.compile("Version \\d+ is published"));
        student.reload();
        assertThat(student.locator(".changes")).containsText("is for “Another purpose”");
        assertThat(student.locator(".changes")).containsText("The starter file notes.txt is new");
        accessible(student);
        assertThat(student.waitForDownload(() -> student.getByText("Download only what changed").click()).suggestedFilename())
                .matches(".*_v\\d+-to-v\\d+\\.zip");
        student.reload();
        assertThat(student.locator(".changes")).hasCount(0);
    }

    /** By hand, by lot and from a column; a team's root has one name, and its kit is made once. */
    @Test
    void teamsShareOneRoot() throws Exception {
        long instructor = accounts.loadUserByUsername("quillfeather").accountId();
        long assignment = courses.createAssignment(market().courseId(), "T1", "Lantern Film", Instant.now().plus(Duration.ofDays(9)));
        AssignmentView film = courses.forInstructor(assignment, instructor);
        kits.publish(film,
                KitReader
                        .read("""
                                {"kit": 1, "title": "Lantern Film", "root": {"name": "{assignment}_{team}"}, "folders": [{"path": "sound"}], "documents": [{"role": "Cue list", "in": "sound", "name": "{last}_cues", "types": ["csv"]}]}
                                """
                                .getBytes(StandardCharsets.UTF_8))
                        .kit().orElseThrow(),
                0, instructor);
        Page page = signIn("quillfeather");
        goTo(page, address("/assignments/" + assignment + "/hand-out"));
        assertThat(page.locator("tbody tr").first()).containsText("The roster has no team, which the name of the project folder needs.");
        page.getByText("Teams", new Page.GetByTextOptions().setExact(true)).click();
        accessible(page);
        page.getByLabel("Kestrel, Rowan").fill("Owls");
        page.getByLabel("Marsh, Ottoline").fill("Owls");
        page.getByText("Save the teams").click();
        assertThat(page.locator(".teams li")).hasCount(1);
        assertThat(page.locator(".teams")).containsText("Rowan Kestrel, Ottoline Marsh");
        page.fill("#table", "Last,First,Team\nQuist,Annelie,Owls\nNobody,At All,Owls");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Import").setExact(true)).click();
        told(page, "1 student is in the teams the table names. Not on the roster: Nobody, At All.");
        page.fill("#table", "Last,First\nQuist,Annelie");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Import").setExact(true)).click();
        told(page, "No column was recognised as the teams");
        page.getByText("Back to the hand-out").click();
        page.getByLabel("Whose kits").selectOption("team Owls");
        List<String> names = new ArrayList<>();
        try (ZipInputStream zip = new ZipInputStream(
                page.waitForDownload(() -> page.getByText("Download all as one ZIP").click()).createReadStream())) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                names.add(entry.getName());
            }
        }
        assertThat(names).as("one kit for the three of them").containsExactly("T1_Owls.zip");
        page.getByText("Teams", new Page.GetByTextOptions().setExact(true)).click();
        page.getByLabel("At most").fill("5");
        page.getByText("Draw at random").click();
        assertThat(page.locator(".teams li")).hasCount(5);
        Page member = signIn("rowan.kestrel");
        goTo(member, address("/assignments/" + assignment + "/kit"));
        assertThat(member.locator("main")).containsText(
                "T1_" + courses.forStudent(assignment, accounts.loadUserByUsername("rowan.kestrel").accountId()).student().team());
    }

    /** A course is asked where it is when it is made, and all its times and the fields for them say so. */
    @Test
    void aCourseIsInItsOwnTimeZone() {
        Page page = signIn("quillfeather", new Browser.NewContextOptions().setTimezoneId("Asia/Tokyo"));
        page.getByText("New course").click();
        assertThat(page.getByLabel("Time zone")).hasValue("Asia/Tokyo");
        page.getByLabel("Code").fill("TRY 107");
        page.getByLabel("Title").fill("Try-out");
        page.getByLabel("Time zone").fill("Asia/Nowhere");
        page.getByText("Create course").click();
        assertThat(page.locator(".told")).containsText("There is no time zone “Asia/Nowhere”");
        assertThat(page.getByLabel("Title")).hasValue("Try-out");
        page.getByLabel("Time zone").fill("Asia/Tokyo");
        page.getByText("Create course").click();
        assertThat(page.locator("h1")).hasText("TRY 107 Try-out");
        assertThat(page.locator("body > footer")).hasText("Times on this page are in Asia/Tokyo.");
        assertThat(page.locator("label[for=due]")).containsText("(Asia/Tokyo)");
        page.getByLabel("Code").fill("A1");
        page.getByLabel("Title").fill("Lamp");
        page.getByLabel("Due").fill("2027-01-15T12:00");
        page.getByText("Create assignment").click();
        assertThat(page.locator("h1")).hasText("The folder plan");
        goTo(page, page.url().replace("/plan", "/settings"));
        assertThat(page.getByLabel("Due").first()).hasValue("2027-01-15T12:00");
        assertThat(page.locator("body > footer")).hasText("Times on this page are in Asia/Tokyo.");
    }
}
