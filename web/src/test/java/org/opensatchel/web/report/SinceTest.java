package org.opensatchel.web.report;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import com.microsoft.playwright.Page;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Map;
import java.util.TreeMap;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.opensatchel.web.HandingIn;
import org.opensatchel.web.handin.HandInView;
import org.opensatchel.web.storage.ContentStore;
import org.opensatchel.worker.WorkOrder;
import org.springframework.beans.factory.annotation.Autowired;

/** What changed from one hand-in to the next, and who may see it. */
class SinceTest extends HandingIn {

    private static final String WHO = "juno.fairweather";
    private static final String ROOT = "MOV120_A2_Fairweather_Juno/";

    @Autowired
    private ContentStore store;

    private long handIn(Map<String, String> files) throws IOException {
        ByteArrayOutputStream zip = new ByteArrayOutputStream();
        try (ZipOutputStream out = new ZipOutputStream(zip)) {
            for (Map.Entry<String, String> file : new TreeMap<>(files).entrySet()) {
                out.putNextEntry(new ZipEntry(ROOT + file.getKey()));
                out.write(file.getValue().getBytes(StandardCharsets.UTF_8));
            }
        }
        long id = receiver.take(place(WHO), "a.zip", store.store(new ByteArrayInputStream(zip.toByteArray()), 1 << 20));
        await().atMost(Duration.ofMinutes(1)).until(() -> handIns.ofStudent(place(WHO)).stream().filter(one -> one.id() == id).findFirst()
                .orElseThrow().isDone());
        return id;
    }

    @Test
    void filesLinksAndFindingsAreCompared() throws IOException {
        long before = handIn(Map.of("a.html", "<img src=\"F:/lost/bell.png\">", "old.txt", "kept", "same.txt", "same"));
        long now = handIn(Map.of("a.html", "<img src=\"bell.png\">", "bell.png", "png", "new.txt", "kept", "same.txt", "same"));
        Page page = signIn(WHO);
        goTo(page, address("/assignments/" + market().id() + "/hand-in"));
        page.getByText("What changed").first().click();
        assertThat(page).hasURL(address("/hand-ins/" + now + "/since/" + before));
        assertThat(page.locator("main")).containsText("1 file added");
        assertThat(page.locator("main")).containsText("1 file changed");
        assertThat(page.locator("main")).containsText("1 file renamed");
        assertThat(page.locator("main")).containsText("old.txt");
        assertThat(page.locator("main")).containsText("F:/lost/bell.png");
        assertThat(page.locator("main")).containsText("2 problems fixed");
        assertThat(page.locator("main")).not().containsText("compared by their size");
        accessible(page);
        // Nobody compares theirs with somebody else's, nor a hand-in with itself.
        long other = handIns.ofStudent(place("ottoline.marsh")).get(0).id();
        for (String path : new String[]{now + "/since/" + other, other + "/since/" + now, now + "/since/" + now}) {
            assertThat(page.context().request().get(address("/hand-ins/" + path)).status()).as(path).isEqualTo(404);
        }
        Page instructor = signIn("quillfeather");
        goTo(instructor, address("/hand-ins/" + now + "/since/" + before));
        assertThat(instructor.locator("main")).containsText("1 file renamed");
        assertThat(instructor.context().request().get(address("/hand-ins/" + now + "/since/" + other)).status()).isEqualTo(404);
    }

    /** What a student checked before handing in is their own, also where an instructor sees what they see. */
    @Test
    void checksBeforeHandingInAreToldToTheStudentAlone() throws IOException {
        ByteArrayOutputStream zip = new ByteArrayOutputStream();
        try (ZipOutputStream out = new ZipOutputStream(zip)) {
            out.putNextEntry(new ZipEntry(ROOT + "a.html"));
            out.write("<img src=\"F:/lost/bell.png\">".getBytes(StandardCharsets.UTF_8));
        }
        long check = receiver.preCheck(place(WHO), "a.zip", store.store(new ByteArrayInputStream(zip.toByteArray()), 1 << 20),
                WorkOrder.Form.ZIP);
        await().atMost(Duration.ofMinutes(1)).until(() -> handIns.preChecks(place(WHO)).stream().filter(one -> one.id() == check)
                .allMatch(HandInView::isDone));
        long now = handIn(Map.of("a.html", "<img src=\"bell.png\">", "bell.png", "png"));
        Page page = signIn(WHO);
        goTo(page, address("/hand-ins/" + now));
        assertThat(page.locator("a[href$='/since/" + check + "']")).hasCount(1);
        Page instructor = signIn("quillfeather");
        for (String as : new String[]{"", "?as=student"}) {
            goTo(instructor, address("/hand-ins/" + now + as));
            assertThat(instructor.locator("h1")).containsText("Fairweather");
            assertThat(instructor.locator("a[href$='/since/" + check + "']")).hasCount(0);
        }
    }

    @Test
    void aStepThatIsNotConfirmedShowsInTheHandIn() throws IOException {
        database.update("delete from step_confirmation where enrolment_id = ?", place(WHO).student().enrolmentId());
        Page page = signIn(WHO);
        goTo(page, address("/assignments/" + market().id() + "/kit"));
        int steps = page.locator("ol.steps li.open").count();
        assertThat(steps).isPositive();
        accessible(page);
        String title = page.locator("ol.steps li.open b").first().innerText();
        long open = handIn(Map.of("a.txt", "a"));
        goTo(page, address("/hand-ins/" + open));
        assertThat(page.locator(".findings")).containsText(title);
        goTo(page, address("/assignments/" + market().id() + "/kit"));
        while (page.locator("ol.steps li.open").count() > 0) {
            page.locator("ol.steps li.open button").first().click();
        }
        assertThat(page.locator("main")).containsText("All of it is confirmed.");
        long done = handIn(Map.of("a.txt", "a"));
        goTo(page, address("/hand-ins/" + done));
        assertThat(page.locator(".findings")).not().containsText(title);
        goTo(page, address("/assignments/" + market().id() + "/kit"));
        page.getByText("Mark as not done").first().click();
        assertThat(page.locator("ol.steps li.open")).hasCount(1);
        page.locator("ol.steps li.open button").click();
    }

    @Test
    void readyWithDoubtsIsToldEverywhere() throws IOException {
        database.update("update hand_in set counts_since = null where enrolment_id = ? and assignment_id = ?",
                place(WHO).student().enrolmentId(), market().id());
        long id = handIn(Map.of("edit/cut.xyz", "clip = \"../footage/a.mp4\"\nclip = \"../footage/gone.mp4\"\n", "footage/a.mp4", "a"));
        database.update("update hand_in set verdict = 'ready', must = 0 where id = ?", id);
        Page instructor = signIn("quillfeather");
        goTo(instructor, address("/assignments/" + market().id() + "/review"));
        assertThat(instructor.locator(".verdict.doubts")).containsText("ready, with doubts");
        assertThat(instructor.context().request().get(address("/assignments/" + market().id() + "/review.csv")).text())
                .contains(",ready,1");
        Page page = signIn(WHO);
        goTo(page, address("/hand-ins/" + id));
        assertThat(page.locator("main")).containsText("1 link in edit/cut.xyz may be broken: this format is not described yet.");
        accessible(page);
        database.update("update hand_in set counts_since = received_at where enrolment_id = ? and assignment_id = ? and id <= ?",
                place(WHO).student().enrolmentId(), market().id(), last);
    }
}
