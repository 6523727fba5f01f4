package org.opensatchel.web.download;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.FormData;
import com.microsoft.playwright.options.RequestOptions;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.opensatchel.base.hash.Sha256;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.web.HandingIn;
import org.opensatchel.web.handin.HandInService;
import org.opensatchel.web.job.Job;
import org.opensatchel.web.storage.SatchelProperties;
import org.springframework.beans.factory.annotation.Autowired;

/** Hand-ins to be graded are prepared as a job: begun once, left and come back to, cancelled, taken over from a server that is gone. */
class DownloadsTest extends HandingIn {

    @Autowired
    private Downloads downloads;
    @Autowired
    private DownloadService service;
    @Autowired
    private SatchelProperties properties;

    @AfterEach
    void noJobs() {
        database.update("delete from job");
        database.update("delete from audit");
    }

    private long me() {
        return accounts.loadUserByUsername("quillfeather").accountId();
    }

    private HandInService.Shown handIn(String login) {
        long id = database.queryForObject("select h.id from hand_in h join enrolment e on e.id = h.enrolment_id join account a "
                + "on a.id = e.account_id where a.login = ? and h.assignment_id = ? and h.kind = 'HAND_IN' order by h.number desc limit 1",
                Long.class, login, market().id());
        return handIns.show(id, me());
    }

    private long asked(String... logins) {
        return downloads.ask(market(), me(), service.wanted(market(), Stream.of(logins).map(this::handIn).toList(), "some.zip"))
                .orElseThrow()
                .id();
    }

    private Job.State state(long job) {
        return downloads.find(market(), job).orElseThrow().state();
    }

    private void awaitState(long job, Job.State state) {
        await().atMost(Duration.ofMinutes(2)).until(() -> state(job) == state);
    }

    /** A job as one that another server is at; nothing here takes it up. */
    private long elsewhere(String heartbeat) {
        String work = new String(JsonDocuments.MAPPER
                .writeValueAsBytes(service.wanted(market(), List.of(handIn("ottoline.marsh")), "some.zip")), StandardCharsets.UTF_8);
        return database.queryForObject(
                "insert into job (kind, course_id, account_id, name, work, state, asked_at, claimed_by, heartbeat, tries, "
                        + "done, whole) values ('download', ?, ?, ?, convert_to(?, 'UTF8'), 'RUNNING', now(), 'another', " + heartbeat
                        + ", 1, 3, 24) returning id",
                Long.class, market().courseId(), me(), Sha256.of(work.getBytes(StandardCharsets.UTF_8)), work);
    }

    private static List<String> names(byte[] zip) throws IOException {
        List<String> out = new ArrayList<>();
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(zip))) {
            for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
                out.add(entry.getName());
            }
        }
        return out;
    }

    private List<Path> made() throws IOException {
        try (Stream<Path> all = Files.list(properties.storage().toAbsolutePath().resolve("made"))) {
            return all.filter(path -> path.getFileName().toString().startsWith("work-")).toList();
        }
    }

    @Test
    void whatAServerWasAtThatIsGoneIsMadeByAnotherAndNothingIsLeftLying() throws IOException {
        long job = elsewhere("now() - interval '31 seconds'");
        awaitState(job, Job.State.DONE);
        Page page = signIn("quillfeather");
        APIResponse file = page.context().request().get(address("/assignments/" + market().id() + "/downloads/" + job + "/file"));
        assertThat(file.status()).isEqualTo(200);
        assertThat(file.headers().get("content-disposition")).contains("some.zip");
        assertThat(names(file.body())).isNotEmpty().allMatch(name -> name.startsWith("MOV120_A2_Marsh_Ottoline/"));
        assertThat(made()).isEmpty();
    }

    @Test
    void oneThatIsNotToBeHadIsNotedAndTheOthersComeAlong() throws IOException {
        long lost = handIn("odile.marsh").handIn().id();
        String sha256 = database.queryForObject("select sha256 from hand_in where id = ?", String.class, lost);
        database.update("update hand_in set sha256 = ? where id = ?", "0".repeat(64), lost);
        try {
            long job = asked("odile.marsh", "ottoline.marsh");
            awaitState(job, Job.State.DONE);
            Page page = signIn("quillfeather");
            byte[] zip = page.context().request().get(address("/assignments/" + market().id() + "/downloads/" + job + "/file")).body();
            assertThat(names(zip)).contains("NOT-COPIED.txt").noneMatch(name -> name.contains("Odile"));
            long alone = asked("odile.marsh");
            awaitState(alone, Job.State.FAILED);
            goTo(page, address("/assignments/" + market().id() + "/downloads/" + alone));
            assertThat(page.locator("[role=alert]").textContent()).contains("not there any more");
        } finally {
            database.update("update hand_in set sha256 = ? where id = ?", sha256, lost);
        }
    }

    @Test
    void aDownloadThatGoesOnSaysHowFarItIsAndIsCancelled() {
        long job = elsewhere("now() + interval '1 hour'");
        Page page = signIn("quillfeather");
        goTo(page, address("/assignments/" + market().id() + "/downloads/" + job));
        assertThat(page.locator("main")).containsText("3 of 24 copied");
        accessible(page);
        page.locator("main button").click();
        assertThat(page.locator("main")).containsText("Cancelled.");
        assertThat(state(job)).isEqualTo(Job.State.CANCELLED);
    }

    @Test
    void whatIsReadyStartsByItselfAndWhatIsGoneIsMadeAgain() throws IOException {
        long job = asked("ottoline.marsh");
        awaitState(job, Job.State.DONE);
        Page page = signIn("quillfeather");
        String at = address("/assignments/" + market().id() + "/downloads/" + job);
        assertThat(page.waitForDownload(() -> goTo(page, at)).suggestedFilename()).isEqualTo("some.zip");
        assertThat(page.locator("h1").textContent()).isEqualTo("Your download is ready");
        accessible(page);
        APIResponse part = page.context().request().get(at + "/file", RequestOptions.create().setHeader("Range", "bytes=0-3"));
        assertThat(part.status()).isEqualTo(206);
        assertThat(part.body()).isEqualTo(new byte[]{'P', 'K', 3, 4});

        Files.delete(downloads.file(downloads.find(market(), job).orElseThrow()).orElseThrow());
        goTo(page, at + "/file");
        assertThat(page.locator("main")).containsText("is not kept longer");
        assertThat(asked("ottoline.marsh")).isNotEqualTo(job);
    }

    @Test
    void nobodyElseComesToIt() {
        long job = asked("ottoline.marsh");
        awaitState(job, Job.State.DONE);
        String at = address("/assignments/" + market().id() + "/downloads/" + job + "/file");
        assertThat(signIn("ottoline.marsh").context().request().get(at).status()).isEqualTo(404);
        Page page = signIn("quillfeather");
        assertThat(page.context().request().get(at.replace("/" + market().id() + "/", "/999999/")).status()).isEqualTo(404);
        database.update("delete from job");
        long other = elsewhere("now() + interval '1 hour'");
        Page student = signIn("odile.marsh");
        student.context().request().post(address("/jobs/" + other + "/cancel"), RequestOptions.create()
                .setHeader("X-CSRF-TOKEN", student.locator("meta[name=_csrf]").getAttribute("content"))
                .setForm(FormData.create().set("back", "//x.example")));
        assertThat(state(other)).isEqualTo(Job.State.RUNNING);
    }
}
