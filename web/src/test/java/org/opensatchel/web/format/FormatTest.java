package org.opensatchel.web.format;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Browser;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import com.microsoft.playwright.options.FormData;
import com.microsoft.playwright.options.RequestOptions;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.opensatchel.core.kit.KitReader;
import org.opensatchel.formats.described.Profile;
import org.opensatchel.formats.described.ProfileReader;
import org.opensatchel.web.HandingIn;
import org.opensatchel.web.kit.KitEditor;
import org.opensatchel.web.storage.ContentStore;
import org.springframework.beans.factory.annotation.Autowired;

/** From a dropped example to a format that a kit reads documents with, in the browser. */
class FormatTest extends HandingIn {

    private static final String WHO = "juno.fairweather";

    @TempDir
    Path temp;
    @Autowired
    private ContentStore store;
    @Autowired
    private KitEditor editor;

    @AfterEach
    void forgetFormats() {
        database.update("delete from document_format");
        database.update("delete from kit_draft where assignment_id = ?", market().id());
    }

    private static Map<String, String> project(String root, String... takes) {
        Map<String, String> files = new LinkedHashMap<>();
        StringBuilder text = new StringBuilder("<loom>");
        for (String take : takes) {
            text.append("<strand src=\"").append(take).append("\" label=\"").append(take.substring(take.lastIndexOf('/') + 1))
                    .append("\"/>");
        }
        files.put(root + "/edit/night.loomx", text + "</loom>");
        for (String name : List.of("a.mov", "b.mov", "c.mov")) {
            files.put(root + "/footage/" + name, "media " + name);
        }
        return files;
    }

    private static Map<String, String> good() {
        return project("night", "../footage/a.mov", "../footage/b.mov", "../footage/c.mov");
    }

    private static byte[] zip(Map<String, String> files) throws IOException {
        ByteArrayOutputStream zip = new ByteArrayOutputStream();
        try (ZipOutputStream out = new ZipOutputStream(zip)) {
            for (Map.Entry<String, String> file : files.entrySet()) {
                out.putNextEntry(new ZipEntry(file.getKey()));
                out.write(file.getValue().getBytes(StandardCharsets.UTF_8));
            }
        }
        return zip.toByteArray();
    }

    private static FilePayload payload(Map<String, String> files) throws IOException {
        return new FilePayload("example.zip", "application/zip", zip(files));
    }

    private Path folder(Map<String, String> files) throws IOException {
        for (Map.Entry<String, String> file : files.entrySet()) {
            Path path = temp.resolve(file.getKey());
            Files.createDirectories(path.getParent());
            Files.writeString(path, file.getValue());
        }
        return temp.resolve(files.keySet().iterator().next().split("/")[0]);
    }

    private static void press(Page page, String name) {
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true)).click();
    }

    private String formats() {
        return address("/assignments/" + market().id() + "/plan/formats");
    }

    private List<Profile> inPlan() {
        return KitReader.read(editor.plan(market()).document()).kit().orElseThrow().links().profiles();
    }

    @Test
    void aDroppedExampleBecomesAFormatOfTheKit() throws IOException {
        Page page = signIn("quillfeather");
        goTo(page, address("/assignments/" + market().id() + "/plan"));
        page.getByText("Formats of other programs").click();
        assertThat(page.locator("main")).containsText("No format is described yet");
        accessible(page);
        page.setInputFiles("[data-part=input-zip]", payload(good()));
        assertThat(page.locator("h1")).hasText("What was learned");
        assertThat(page.locator(".slots")).containsText("3 of 3 values lead to files of the example");
        assertThat(page.locator(".slots")).containsText("../footage/b.mov");
        assertThat(page.locator(".slots")).containsText("3 of 3 values are only the names of files linked beside them");
        assertThat(page.locator(".map .thread.ok")).hasCount(3);
        accessible(page);

        // Another project shows at once what the format finds in it.
        page.setInputFiles("[data-part=input]", folder(project("other", "../footage/a.mov", "../footage/gone.mov")));
        assertThat(page.locator("main")).containsText("1 file missing");
        assertThat(page.locator(".map .thread.broken")).hasCount(1);

        // A format without any link is none.
        page.getByLabel("Meaning").first().selectOption("alone");
        press(page, "Save the format");
        assertThat(page.getByRole(AriaRole.ALERT).first())
                .containsText("At least one place has to be a link.");
        page.getByLabel("Meaning").first().selectOption("link");
        page.getByLabel("Name of the format").fill("Loom scenes");
        press(page, "Save the format");
        assertThat(page.locator("main"))
                .containsText("“Loom scenes” is saved, and this kit reads its documents with it once the kit is published.");
        assertThat(page.locator(".described")).containsText("*.loomx");
        assertThat(inPlan()).extracting(Profile::title).containsExactly("Loom scenes");
        accessible(page);

        APIResponse download = page.context().request()
                .get(address(page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Download")).getAttribute("href")));
        assertThat(ProfileReader.read(download.body()).profile()).contains(inPlan().get(0));
        page.getByText("Share with everybody here").click();
        assertThat(page.locator("main")).containsText("“Loom scenes” can be used in every course here.");
        page.getByText("Remove from this kit").first().click();
        assertThat(page.locator("main")).containsText("“Loom scenes” is no longer in this kit.");
        assertThat(inPlan()).isEmpty();
        page.getByText("Use in this kit").first().click();
        assertThat(inPlan()).hasSize(1);
    }

    @Test
    void anExampleThatTeachesNothingSaysWhy() throws IOException {
        Page page = signIn("quillfeather");
        goTo(page, formats());
        page.setInputFiles("[data-part=input-zip]", payload(project("far", "../x/1.mov", "../x/2.mov", "../x/3.mov")));
        assertThat(page.locator("main")).containsText("Nothing was learned from this project");
        assertThat(page.locator("main")).containsText("Was the project packed without its media?");
        accessible(page);
        Map<String, String> otherwise = Map.of("LISTING", "This is no listing: it is not a JSON object.", "FOLDER",
                "This project could not be read.", "RUBBISH", "This project could not be read.");
        for (String other : otherwise.keySet()) {
            await().atMost(Duration.ofMinutes(1)).untilAsserted(() -> {
                APIResponse told = page.context().request().get(page.url().replace("form=ZIP", "form=" + other));
                assertThat(told.status()).as(other).isEqualTo(200);
                assertThat(told.text()).as(other).contains(otherwise.get(other));
            });
        }
        goTo(page, formats());
        page.setInputFiles("[data-part=input-zip]",
                new FilePayload("broken.zip", "application/zip", "no zip".getBytes(StandardCharsets.UTF_8)));
        assertThat(page.locator("main")).containsText("This file is no ZIP archive.");
        goTo(page, formats() + "/example?file=" + "0".repeat(64) + "&form=ZIP");
        assertThat(page.locator("main")).containsText("The example is gone.");
    }

    @Test
    void aHandInWithDoubtsLeadsToDescribingItsFormat() throws IOException {
        long id = receiver.take(place(WHO), "a.zip", store.store(new ByteArrayInputStream(zip(project("MOV120_A2_Fairweather_Juno",
                "../footage/a.mov", "../footage/b.mov", "../footage/gone.mov"))), 1 << 20));
        await().atMost(Duration.ofMinutes(1)).until(() -> handIns.ofStudent(place(WHO)).stream().filter(one -> one.id() == id).findFirst()
                .orElseThrow().isDone());
        Page page = signIn("quillfeather");
        goTo(page, address("/hand-ins/" + id));
        assertThat(page.locator(".map .thread.guessed").first()).isAttached();
        assertThat(page.locator(".legend")).containsText("guessed: this format is not described");
        page.getByText("Describe this format").click();
        assertThat(page.locator("main")).containsText("1 link in edit/night.loomx may be broken");
        accessible(page);
        page.setInputFiles("[data-part=input-zip]", payload(good()));
        assertThat(page.locator("main")).containsText("In the other project");
        assertThat(page.locator("main")).containsText("1 file missing");
        Page student = signIn(WHO);
        goTo(student, address("/hand-ins/" + id));
        assertThat(student.getByText("Describe this format")).hasCount(0);
        assertThat(student.context().request().get(formats()).status()).isEqualTo(404);
    }

    @Test
    void descriptionsFromElsewhereAreReadStrictly() {
        Page page = signIn("quillfeather");
        goTo(page, formats());
        page.getByText("Import a format").click();
        page.locator("#profile-text").fill("{\"profile\": 1, \"content\": \"xml\", \"slots\": [{\"id\": \"a\", \"at\": \"x\"}]}");
        press(page, "Import");
        assertThat(page.getByRole(AriaRole.ALERT).first())
                .containsText("A place in a tree begins with a slash");
        page.locator("#profile-text").fill(
                "{\"profile\": 1, \"title\": \"From <b>afar</b>\", \"files\": \"**/*.afr\", \"content\": \"xml\", \"slots\": [{\"id\": \"a\", \"at\": \"/x/@y\"}]}");
        press(page, "Import");
        assertThat(page.locator("main")).containsText("“From <b>afar</b>” is imported.");
        assertThat(page.locator(".described")).containsText("Not in use");
    }

    @Test
    void aKitThatOnlyNamesAFormatIsNotPublished() {
        String kit = "{\"kit\": 1, \"title\": \"K\", \"root\": {\"name\": \"A\"}, \"links\": {\"profiles\": [\"" + "0".repeat(64) + "\"]}}";
        assertThat(editor.judge(market(), kit.getBytes(StandardCharsets.UTF_8), true).faults()).extracting(fault -> fault.at())
                .containsExactly("/links/profiles");
    }

    @Test
    void everythingWorksWithoutScript() throws IOException {
        Page page = signIn("quillfeather", new Browser.NewContextOptions().setJavaScriptEnabled(false));
        goTo(page, formats());
        page.setInputFiles("noscript input[type=file], #file", payload(good()));
        press(page, "Learn from it");
        assertThat(page.locator("h1")).hasText("What was learned");
        page.getByLabel("Meaning").nth(1).selectOption("link");
        press(page, "Show again");
        await().atMost(Duration.ofMinutes(1)).until(() -> {
            page.reload();
            return page.locator("main").innerText().contains("6 links were read.");
        });
        press(page, "Save the format");
        assertThat(page.locator(".described")).containsText("*.loomx documents");
    }

    @Test
    void nobodyElseReachesThem() {
        Page other = signIn("ottoline.marsh");
        for (String path : List.of("", "/example?file=" + "0".repeat(64) + "&form=ZIP", "/1.profile.json")) {
            assertThat(other.context().request().get(formats() + path).status()).as(path).isEqualTo(404);
        }
        Page page = signIn("quillfeather");
        assertThat(page.context().request().get(formats() + "/999999.profile.json").status()).isEqualTo(404);
        goTo(page, formats());
        String token = page.locator("meta[name=_csrf]").getAttribute("content");
        assertThat(page.context().request().post(formats() + "/999999/use",
                RequestOptions.create().setForm(FormData.create().set("_csrf", token))).status()).isEqualTo(404);
    }
}
