package org.opensatchel.web.resumable;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Request;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.opensatchel.web.HandingIn;
import org.opensatchel.web.OwnFolder;
import org.opensatchel.web.handin.HandInView;
import org.opensatchel.worker.WorkOrder;

/** A student hands in the folder itself, and what breaks that off loses nothing. */
class FolderWalkTest extends HandingIn {

    private static final String WHO = "halvard.drury";
    private static final Pattern REPORT = Pattern.compile(".*/hand-ins/\\d+");

    @TempDir
    private Path temp;
    private Page page;

    @BeforeEach
    void open() throws IOException {
        Path root = temp.resolve("MOV120_A2_Drury_Halvard");
        Files.createDirectories(root.resolve("03_footage"));
        Random random = new Random(5);
        for (int i = 0; i < 12; i++) {
            byte[] content = new byte[60_000];
            random.nextBytes(content);
            Files.write(root.resolve("03_footage/clip_" + i + ".mp4"), content);
        }
        page = signIn(WHO);
        goTo(page, address("/assignments/" + market().id() + "/hand-in"));
    }

    private Path root() {
        return temp.resolve("MOV120_A2_Drury_Halvard");
    }

    private void pick() {
        page.setInputFiles("[data-part=folder]", root());
        assertThat(page.locator("[data-part=picked]")).isVisible();
    }

    private Locator button(String name) {
        return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    private List<HandInView> fresh() {
        return handIns.ofStudent(place(WHO)).stream().filter(one -> one.id() > last).toList();
    }

    @Test
    void theFolderIsHandedInAndUnchangedNothingIsSent() {
        List<Request> parts = new ArrayList<>();
        page.onRequest(request -> {
            if (request.method().equals("PATCH")) {
                parts.add(request);
            }
        });
        pick();
        assertThat(page.locator("[data-part=summary]")).containsText("12 files");
        accessible(page);
        button("Hand in").click();
        page.waitForURL(REPORT);
        assertThat(fresh()).hasSize(1);
        assertThat(parts).isNotEmpty();
        parts.clear();
        goTo(page, address("/assignments/" + market().id() + "/hand-in"));
        pick();
        button("Hand in").click();
        page.waitForURL(REPORT);
        assertThat(fresh()).hasSize(2);
        assertThat(parts).isEmpty();
    }

    @Test
    void aLostConnectionAndAnEndedSessionGoOnInThePage() {
        AtomicInteger tries = new AtomicInteger();
        page.context().route("**/sendings/*", route -> {
            if (route.request().method().equals("PATCH") && tries.incrementAndGet() == 1) {
                route.abort();
                page.context().clearCookies();
            } else {
                route.resume();
            }
        });
        pick();
        button("Hand in").click();
        assertThat(page.locator("[data-part=sign-in]")).isVisible();
        accessible(page);
        page.fill("#again-username", WHO);
        page.fill("#again-password", "wrong");
        page.locator("[data-part=sign-in] button").click();
        assertThat(page.locator("[data-part=sign-in-wrong]")).isVisible();
        page.fill("#again-username", WHO);
        page.fill("#again-password", PASSWORD);
        page.locator("[data-part=sign-in] button").click();
        page.waitForURL(REPORT);
        assertThat(fresh()).hasSize(1);
    }

    @Test
    void aPageThatWasLeftGoesOnWithTheSameFolder() {
        page.context().route("**/finish", route -> route.abort());
        pick();
        button("Hand in").click();
        assertThat(page.locator("[data-part=told]")).containsText("No connection");
        page.onDialog(dialog -> dialog.accept());
        page.reload();
        page.context().unroute("**/finish");
        assertThat(page.locator("[data-part=unfinished]")).containsText("“MOV120_A2_Drury_Halvard” has not arrived completely.");
        accessible(page);
        pick();
        button("Hand in").click();
        page.waitForURL(REPORT);
        assertThat(fresh()).hasSize(1);
    }

    @Test
    void pausedNothingIsSentAndCancelledNothingIsLeft() {
        page.context().route("**/finish", route -> route.abort());
        pick();
        button("Hand in").click();
        button("Pause").click();
        assertThat(page.locator("[data-part=told]")).containsText("Paused");
        button("Continue").click();
        button("Cancel").click();
        assertThat(page.locator("[data-part=choose]")).isVisible();
        await().atMost(Duration.ofSeconds(20)).untilAsserted(() -> assertThat(database.queryForList(
                "select e.id, s.form, s.name, s.files, s.hand_in_id, s.listed_at, s.touched_at from sending s join enrolment e on e.id = s.enrolment_id"))
                .isEmpty());
        page.reload();
        assertThat(page.locator("[data-part=unfinished]")).isHidden();
        assertThat(fresh()).isEmpty();
    }

    @Test
    void aFileThatChangesWhileItIsSentIsNoticed() throws IOException {
        pick();
        Files.writeString(root().resolve("03_footage/clip_3.mp4"), "saved again");
        button("Hand in").click();
        assertThat(page.locator("[data-part=wrong]")).containsText("“03_footage/clip_3.mp4” changed while it was read");
        pick();
        button("Hand in").click();
        page.waitForURL(REPORT);
        assertThat(fresh()).hasSize(1);
    }

    @Test
    void whereTheMediaMayStayOnlyTheListIsSent() {
        database.update("update assignment set takes_listing = true where id = ?", market().id());
        page.reload();
        pick();
        accessible(page);
        button("Hand in without the media").click();
        page.waitForURL(REPORT);
        assertThat(fresh()).extracting(HandInView::form).containsExactly(WorkOrder.Form.LISTING);
    }

    @Test
    void somebodyElsesFolderIsDoubtedFirst() throws IOException {
        Files.move(root(), temp.resolve("MOV120_A2_Garrick_Tobiah"));
        page.setInputFiles("[data-part=folder]", temp.resolve("MOV120_A2_Garrick_Tobiah"));
        assertThat(button("Hand it in all the same")).isVisible();
        assertThat(button("Hand in")).isHidden();
        button("Choose another").click();
        assertThat(page.locator("[data-part=choose]")).isVisible();
    }

    @Test
    void aFileOfAChosenFolderThatChangesIsReadAndSentAgain() {
        String root = "MOV120_A2_Drury_Halvard";
        OwnFolder.write(page, root, Map.of("a.html", "first", "b.txt", "other"));
        OwnFolder.choose(page, root);
        page.locator("[data-part=pick]").click();
        assertThat(page.locator("[data-part=picked]")).isVisible();
        OwnFolder.write(page, root, Map.of("a.html", "<img src=\"b.txt\"> and then a longer one"));
        (page.isVisible("[data-part=send]") ? button("Hand in") : button("Hand it in all the same")).click();
        page.waitForURL(REPORT);
        assertThat(fresh()).hasSize(1);
        await().atMost(Duration.ofMinutes(1)).until(() -> fresh().get(0).isDone());
        assertThat(fresh().get(0).links()).isEqualTo(1);
    }
}
