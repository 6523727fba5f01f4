package org.opensatchel.web.intake;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.stream.Stream;
import java.util.zip.Deflater;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.opensatchel.core.report.Verdict;
import org.opensatchel.web.HandingIn;
import org.opensatchel.web.storage.Locks;
import org.opensatchel.web.storage.SatchelProperties;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.util.FileSystemUtils;

/** A batch from a course system: previewed, corrected, imported but for the bad one, and undone as a whole. */
class IntakeTest extends HandingIn {

    @Autowired
    private SatchelProperties properties;
    @Autowired
    private Locks locks;
    @Autowired
    private PlatformTransactionManager transactions;
    @TempDir
    private Path temp;

    @AfterEach
    void noIntakes() {
        database.update("delete from intake_item");
        database.update("delete from intake");
        database.update("delete from audit");
        database.update("delete from stored_content where purpose = 'INTAKE'");
    }

    private Page choose(byte[] batch) throws IOException {
        return choose(market().id(), batch);
    }

    private Page choose(long assignment, byte[] batch) throws IOException {
        Path file = Files.write(temp.resolve("submissions.zip"), batch);
        Page page = signIn("quillfeather");
        goTo(page, address("/assignments/" + assignment + "/intake"));
        accessible(page);
        page.locator("#batch").setInputFiles(file);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Preview").setExact(true)).click();
        page.waitForURL("**/intake/*");
        return page;
    }

    private List<Integer> counts() {
        return Stream.of("liv.sorensen", "tamsin", "cass.umberline", "odile.marsh").map(login -> handIns.ofStudent(place(login)).size())
                .toList();
    }

    @Test
    void aBatchIsPreviewedImportedAndUndone() throws IOException {
        Page page = choose(SentBatch.zip("Sorensen_Liv_81_assignsubmission_file_/project.zip", SentBatch.project("Sørensen", "Liv"),
                "Tamsin_82_file_/film.zip",
                SentBatch.project("Tamsin", ""),
                "Umberline_Cass_83_file_/work.zip", SentBatch.project("Marsh", "Odile"), "unknown_84_file_/x.zip",
                SentBatch.project("Nobody", "None"),
                "Quist_Annelie_85_file_/broken.zip", "this is no archive"));
        assertThat(page.locator("tbody tr")).hasCount(5);
        assertThat(page.locator("tr", row("unknown_84"))).containsText("not recognised: choose a student");
        assertThat(page.locator("tr", row("Umberline_Cass"))).containsText("the kit’s marker inside says Marsh, Odile");
        assertThat(page.locator("tr", row("Quist_Annelie"))).containsText("cannot be read");
        assertThat(page.locator("tr", row("Sorensen_Liv")).locator("select"))
                .hasValue(Long.toString(place("liv.sorensen").student().enrolmentId()));
        accessible(page);
        // The scheme of the names is tried, and one that tells nobody is refused in a sentence.
        page.getByLabel("Names look like").fill("{text}");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Try")).click();
        assertThat(page.getByText("This does not tell whose each one is")).isVisible();
        page.getByLabel("Names look like").fill("{last}_{first}_{number}_{text}");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Try")).click();
        assertThat(page.locator("tr", row("Sorensen_Liv"))).containsText("the names you described");
        List<Integer> before = counts();
        page.locator("tr", row("unknown_84")).locator("select").selectOption(Long.toString(place("odile.marsh").student().enrolmentId()));
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Import").setExact(true)).click();
        assertThat(page.locator("h1")).hasText("Imported");
        assertThat(page.locator("main")).containsText("5 of 5 imported");
        assertThat(counts()).isEqualTo(before.stream().map(count -> count + 1).toList());
        demoIsChecked();
        accessible(page);
        page.getByText("Undo this import").click();
        assertThat(page.locator("h1")).hasText("Undone");
        assertThat(counts()).isEqualTo(before);
    }

    private static Page.LocatorOptions row(String text) {
        return new Page.LocatorOptions().setHasText(text);
    }

    @Test
    void whatIsNoArchiveIsToldAndFoldersAreOnlyThoseThatAreNamed() throws IOException {
        Page page = choose("no archive at all".getBytes(StandardCharsets.UTF_8));
        assertThat(page.getByText("This cannot be opened")).isVisible();
        var answer = page.context().request().post(address("/assignments/" + market().id() + "/intake/folder"),
                com.microsoft.playwright.options.RequestOptions.create()
                        .setHeader("X-CSRF-TOKEN", page.locator("meta[name=_csrf]").getAttribute("content"))
                        .setForm(com.microsoft.playwright.options.FormData.create().set("folder", 0)));
        assertThat(answer.status()).isEqualTo(404);
    }

    @Test
    void aProjectFolderInTheBatchIsPackedForItsStudent() throws IOException {
        Page page = choose(
                SentBatch.zip("Liv Sørensen/story/a.txt", "x", "Liv Sørensen/edit/b.otio", "{}", "Cass Umberline/story/a.txt", "y"));
        assertThat(page.locator("tbody tr")).hasCount(2);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Import").setExact(true)).click();
        assertThat(page.locator("h1")).hasText("Imported");
        demoIsChecked();
        assertThat(handIns.counting(market()).get(place("liv.sorensen").student().enrolmentId()).verdict()).isEqualTo(Verdict.FIX);
    }

    /** Kits that other tests loaded onto drives are taken off again. */
    private void onlyWhatTheDemoBrought() throws IOException {
        try (Stream<Path> roots = Files.walk(properties.drives(), 3)) {
            for (Path root : roots.filter(path -> path.getParent().getFileName().toString().equals("content"))
                    .filter(path -> !path.getFileName().toString().matches(".*(Sørensen|Umberline).*")).toList()) {
                FileSystemUtils.deleteRecursively(root);
            }
        }
    }

    @Test
    void aProjectOnADriveIsCheckedWhereItLiesAndThenCollected() throws IOException {
        onlyWhatTheDemoBrought();
        List<Integer> before = counts();
        Page page = signIn("quillfeather");
        goTo(page, address("/assignments/" + market().id() + "/intake"));
        var drives = page.locator("tbody tr");
        assertThat(drives).hasCount(2);
        assertThat(drives.nth(0)).containsText("Sørensen, Liv");
        page.getByText("Check on the drives").click();
        assertThat(page.locator("tr", row("MOV120_A2_Sørensen_Liv")).locator(".verdict")).hasText("ready");
        assertThat(page.locator("tr", row("MOV120_A2_Umberline_Cass")).locator(".verdict")).hasText("needs fixing");
        page.locator("tr", row("MOV120_A2_Umberline_Cass")).locator("summary").click();
        assertThat(page.locator("tr", row("MOV120_A2_Umberline_Cass"))).containsText("hum.wav");
        accessible(page);
        assertThat(counts()).as("nothing is handed in by a check").isEqualTo(before);
        page.getByText("Preview import").click();
        assertThat(page.locator("tbody tr")).hasCount(2);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Import").setExact(true)).click();
        assertThat(page.locator("main")).containsText("2 of 2 imported");
        demoIsChecked();
        var collected = handIns.counting(market()).get(place("cass.umberline").student().enrolmentId());
        assertThat(collected.fileName()).isEqualTo("MOV120_A2_Umberline_Cass.zip");
        assertThat(collected.verdict()).isEqualTo(Verdict.FIX);
        page.getByText("Undo this import").click();
        assertThat(page.locator("h1")).hasText("Undone");
        assertThat(counts()).isEqualTo(before);
    }

    /** What an instructor of another course finds on a drive is theirs alone. */
    @Test
    void aDriveOfAnotherCourseIsNotSeen() {
        Page page = signIn("quillfeather");
        goTo(page, address("/assignments/" + assignment("Kettle Turntable") + "/intake"));
        assertThat(page.locator("main")).not().containsText("SATCHEL-03");
    }

    private long assignment(String title) {
        return database.queryForObject("select id from assignment where title = ?", Long.class, title);
    }

    /** A course as large as any, with the market's kit; made in the database, since a password each would take minutes. */
    private long thousand(int many) {
        long course = courses.createCourse("THOUSAND", "A Thousand", "", accounts.loadUserByUsername("quillfeather").accountId());
        database.update(
                "insert into account (login, display_name, role) select 'thousand.' || i, 'N ' || i, 'STUDENT' from generate_series(1, ?) i",
                many);
        database.update("insert into enrolment (course_id, account_id, last_name, first_name, student_number, section) "
                + "select ?, id, 'Thousand', substr(login, 10), '77' || lpad(substr(login, 10), 4, '0'), '1' from account where login like 'thousand.%'",
                course);
        long assignment = courses.createAssignment(course, "T1", "Thousand", Instant.now().plus(Duration.ofDays(1)));
        database.update("insert into kit_version (assignment_id, version, document, sha256, published_at, published_by) "
                + "select ?, 1, document, sha256, published_at, published_by from kit_version where assignment_id = ? and version = 1",
                assignment,
                market().id());
        return assignment;
    }

    private void thousandGone(long assignment) {
        database.update("delete from intake_item");
        database.update("delete from intake");
        database.update("delete from audit where assignment_id = ?", assignment);
        database.update("delete from hand_in where assignment_id = ?", assignment);
        database.update("delete from kit_version where assignment_id = ?", assignment);
        database.update("delete from course_instructor where course_id in (select id from course where code = 'THOUSAND')");
        database.update("delete from stored_content where course_id in (select id from course where code = 'THOUSAND')");
        database.update("delete from assignment where id = ?", assignment);
        database.update("delete from enrolment where course_id in (select id from course where code = 'THOUSAND')");
        database.update("delete from course where code = 'THOUSAND'");
        database.update("delete from account where login like 'thousand.%'");
    }

    @Test
    void aThousandComeInAndTheBadOneIsNamed() throws IOException {
        int many = 1_000;
        String bad = "770500_project.zip";
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            zip.setLevel(Deflater.NO_COMPRESSION);
            for (int i = 1; i <= many; i++) {
                zip.putNextEntry(new ZipEntry(String.format("77%04d_project.zip", i)));
                zip.write(SentBatch.zip("MOV120_A2_Thousand/story/n" + i + ".txt", "x"));
            }
        }
        // One bit of what is in one of them is another by now.
        byte[] batch = out.toByteArray();
        batch[new String(batch, StandardCharsets.ISO_8859_1).lastIndexOf("n500.txt")] ^= 1;
        long assignment = thousand(many);
        try {
            Page page = choose(assignment, batch);
            assertThat(page.locator("tbody tr")).hasCount(many);
            assertThat(page.getByText("not recognised: choose a student")).hasCount(0);
            // Everybody can be chosen, and is there once somebody goes to the choice.
            var choice = page.locator("tbody select").first();
            assertThat(choice.locator("option")).hasCount(2);
            choice.focus();
            assertThat(choice.locator("option")).hasCount(many + 1);
            // What comes in is asked about here, not what a check of each would say: no check begins before all of it is undone.
            new TransactionTemplate(transactions).executeWithoutResult(status -> {
                locks.hold(Locks.What.CHECK_QUEUE);
                page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Import").setExact(true)).click();
                assertThat(page.locator("h1")).hasText("Imported", new LocatorAssertions.HasTextOptions().setTimeout(180_000));
                assertThat(page.locator("main")).containsText("999 of 1,000 imported, 1 failed");
                assertThat(page.locator("main li").first()).containsText(bad);
                assertThat(page.locator("main li").first()).containsText("cannot be read");
                String students = "select count(distinct enrolment_id) from hand_in where assignment_id = ?";
                assertThat(database.queryForObject(students, Integer.class, assignment)).isEqualTo(many - 1);
                page.getByText("Undo this import").click();
                page.waitForURL("**/intake/*");
                await().untilAsserted(() -> assertThat(database.queryForObject(students, Integer.class, assignment)).isZero());
            });
        } finally {
            thousandGone(assignment);
        }
    }
}
