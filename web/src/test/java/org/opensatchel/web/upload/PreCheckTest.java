package org.opensatchel.web.upload;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.Request;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.RequestOptions;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.opensatchel.web.OwnFolder;
import org.opensatchel.web.RunningApplication;
import org.opensatchel.web.handin.HandInView;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;

/** A student checks the folder without handing it in: what is sent, who sees it, and what goes wrong on the way. */
class PreCheckTest extends RunningApplication {

    private static final LocatorAssertions.ContainsTextOptions SOON = new LocatorAssertions.ContainsTextOptions().setTimeout(60_000);
    private static final String WHO = "rowan.kestrel";

    @TempDir
    Path temp;
    @Autowired
    private JdbcTemplate database;

    @AfterEach
    void takeAway() {
        database.update("delete from hand_in where kind = 'PRE_CHECK'");
        database.update("update course set shows_pre_checks = false");
    }

    private String page(String path) {
        return address("/assignments/" + market().id() + path);
    }

    /** A project whose timeline links a picture in Downloads, beside a film that nobody needs to read. */
    private Path folder() throws IOException {
        Path root = temp.resolve("MOV120_A2_Kestrel_Rowan");
        Files.createDirectories(root.resolve("edit"));
        Files.createDirectories(root.resolve("footage"));
        Files.writeString(root.resolve("edit/Kestrel_A2_v01.otio"),
                "{\"OTIO_SCHEMA\": \"ExternalReference.1\", \"target_url\": \"file:///C:/Users/rowan/Downloads/stall.png\"}");
        Files.write(root.resolve("footage/stall.mp4"), new byte[3 << 20]);
        return root;
    }

    private Page checked(List<Request> sent) throws IOException {
        Page page = signIn(WHO);
        goTo(page, page("/pre-check"));
        accessible(page);
        page.onRequest(request -> {
            if (request.method().equals("POST")) {
                sent.add(request);
            }
        });
        page.setInputFiles("[data-part=input]", folder());
        assertThat(page.locator(".findings")).containsText("stall.png is linked from the folder Downloads", SOON);
        return page;
    }

    @Test
    void onlyTheListAndTheDocumentsAreSent() throws IOException {
        int before = handIns.ofStudent(place(WHO)).size();
        Page page = checked(new ArrayList<>());
        assertThat(page.locator("main")).containsText("Sent: the list of 2 files and 1 document");
        assertThat(page.locator("main")).containsText("Empty folders cannot be seen in this browser.");
        accessible(page);
        assertThat(handIns.ofStudent(place(WHO))).hasSize(before);
        HandInView check = handIns.preChecks(place(WHO)).get(0);
        assertThat(check.bytes()).isLessThan(4_000);
        Map<String, String> packet = members(check);
        assertThat(packet.keySet()).containsExactly("documents/edit/Kestrel_A2_v01.otio", "listing.json", "ranges/footage/stall.mp4");
        // Of a film its beginning and its end, since the kit asks something of it.
        assertThat(packet.get("ranges/footage/stall.mp4").length()).isLessThan(200_000);
        assertThat(packet.get("listing.json")).contains("\"path\":\"footage/stall.mp4\",\"bytes\":3145728", "\"emptyFolders\":false");
        page.keyboard().press("Tab");
        page.keyboard().press("Enter");
        assertThat(page.locator("#finding-0")).isFocused();
    }

    @Autowired
    private org.opensatchel.web.storage.ContentStore store;

    private Map<String, String> members(HandInView check) throws IOException {
        String sha256 = database.queryForObject("select sha256 from hand_in where id = ?", String.class, check.id());
        Map<String, String> out = new TreeMap<>();
        try (ZipInputStream zip = new ZipInputStream(store.open(sha256))) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                out.put(entry.getName(), new String(zip.readAllBytes(), StandardCharsets.UTF_8));
            }
        }
        return out;
    }

    @Test
    void theInstructorReadsItOnlyWhereTheCourseSaysSo() throws IOException {
        Page page = checked(new ArrayList<>());
        String address = page.url();
        Page instructor = signIn("quillfeather");
        Page other = signIn("liv.sorensen");
        assertThat(instructor.context().request().get(address).status()).isEqualTo(404);
        assertThat(instructor.context().request().get(address + "/report.json").status()).isEqualTo(404);
        goTo(instructor, page("/check"));
        assertThat(instructor.locator(".columns li")).containsText("Kestrel, Rowan");
        assertThat(instructor.locator(".columns li")).containsText("1 check, last");
        assertThat(instructor.locator(".columns a, .columns .verdict")).hasCount(0);
        database.update("update course set shows_pre_checks = true");
        instructor.reload();
        assertThat(instructor.locator(".columns .verdict")).containsText("needs fixing");
        assertThat(instructor.locator(".columns a")).hasAttribute("href", java.net.URI.create(address).getPath());
        assertThat(instructor.context().request().get(address).status()).isEqualTo(200);
        assertThat(other.context().request().get(address).status()).isEqualTo(404);
        goTo(page, page("/pre-check"));
        assertThat(page.locator("main")).containsText("Your instructors can read these checks too.");
    }

    /** The film of somebody else's hand-in. */
    private byte[] film(String login) throws IOException {
        demoIsChecked();
        List<HandInView> own = handIns.ofStudent(place(login));
        String sha256 = database.queryForObject("select sha256 from hand_in where id = ?", String.class, own.get(own.size() - 1).id());
        try (ZipInputStream zip = new ZipInputStream(store.open(sha256))) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                if (entry.getName().contains("/delivery/")) {
                    return zip.readAllBytes();
                }
            }
        }
        throw new AssertionError(login + " handed in no film");
    }

    @Test
    void whatAFilmSaysOfItselfIsJudgedBeforeItIsSent() throws IOException {
        Path root = folder();
        Files.createDirectories(root.resolve("delivery"));
        byte[] small = film("tobiah.garrick");
        Files.write(root.resolve("delivery/Kestrel_A2_final.mp4"), small);
        Page page = signIn(WHO);
        goTo(page, page("/pre-check"));
        page.setInputFiles("[data-part=input]", root);
        assertThat(page.locator(".findings")).containsText("is 960 × 540 pixels; 1280 × 720 is asked for.", SOON);
        assertThat(page.locator(".findings")).containsText("only a part of it was looked at");
        assertThat(handIns.preChecks(place(WHO)).get(0).bytes()).isLessThan(small.length / 2);
        // A copy that broke off is known by where its parts should be.
        Files.write(root.resolve("delivery/Kestrel_A2_final.mp4"), java.util.Arrays.copyOf(small, small.length / 2));
        goTo(page, page("/pre-check"));
        page.setInputFiles("[data-part=input]", root);
        assertThat(page.locator(".findings")).containsText("breaks off", SOON);
    }

    @Test
    void whoWasSignedOutGoesOnWhereTheyWere() throws IOException {
        Page page = signIn(WHO);
        goTo(page, page("/pre-check"));
        page.context().clearCookies();
        page.setInputFiles("[data-part=input]", folder());
        assertThat(page.locator("[data-part=wrong]")).containsText("You were signed out meanwhile");
        Page again = page.context().newPage();
        goTo(again, address("/sign-in"));
        again.fill("#username", WHO);
        again.fill("#password", PASSWORD);
        again.click("main button");
        page.bringToFront();
        page.evaluate("window.dispatchEvent(new Event('focus'))");
        assertThat(page.locator(".findings")).containsText("stall.png", SOON);
    }

    @Test
    void whatWasMendedSinceTheLastCheckIsTold() throws IOException {
        Page page = checked(new ArrayList<>());
        Files.writeString(temp.resolve("MOV120_A2_Kestrel_Rowan/edit/Kestrel_A2_v01.otio"),
                "{\"OTIO_SCHEMA\": \"ExternalReference.1\", \"target_url\": \"../footage/stall.mp4\"}");
        page.locator(".actions").getByText("Check again").click();
        page.setInputFiles("[data-part=input]", temp.resolve("MOV120_A2_Kestrel_Rowan"));
        assertThat(page.locator(".since")).containsText("1 fixed, nothing new", SOON);
    }

    @Test
    void aPacketIsReadAsHostile() throws IOException {
        StringBuilder many = new StringBuilder("{\"listing\": 1, \"root\": \"R\", \"files\": [");
        for (int i = 0; i < 1_000_001; i++) {
            many.append(i == 0 ? "" : ",").append("{\"path\":\"a/").append(i).append("\",\"bytes\":1}");
        }
        told("no archive", "This file is no ZIP archive");
        told(zip("other.txt", "x"), "no listing");
        told(zip("listing.json", "{\"listing\": 1, \"files\": [{\"path\": \"../../etc/passwd\", \"bytes\": 1}]}"), "../../etc/passwd");
        told(zip("listing.json", "{\"listing\": 1, \"files\": [{\"path\": \"a\", \"bytes\": -4}]}"),
                "a in this listing has a size that is no whole number");
        told(zip("listing.json", many.append("]}").toString()), "more than 1,000,000 files");
    }

    private static byte[] zip(String name, String content) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            zip.putNextEntry(new ZipEntry(name));
            new ByteArrayInputStream(content.getBytes(StandardCharsets.UTF_8)).transferTo(zip);
        }
        return out.toByteArray();
    }

    private void told(String content, String says) {
        told(content.getBytes(StandardCharsets.UTF_8), says);
    }

    private void told(byte[] packet, String says) {
        Page page = signIn(WHO);
        RequestOptions sent = RequestOptions.create().setHeader("X-CSRF-TOKEN", page.locator("meta[name=_csrf]").getAttribute("content"))
                .setHeader("Content-Type", "application/zip").setHeader("X-File-Name", "R").setData(packet);
        String answer = page.context().request().post(page("/pre-check"), sent).text();
        goTo(page, address(answer.replaceAll(".*\"next\":\"([^\"]*)\".*", "$1")));
        assertThat(page.locator("main")).containsText(says, SOON);
    }

    @Test
    void withoutScriptAZipIsChecked() throws IOException {
        Page page = signIn(WHO, new com.microsoft.playwright.Browser.NewContextOptions().setJavaScriptEnabled(false));
        goTo(page, page("/pre-check"));
        page.setInputFiles("#file", Files.write(temp.resolve("a.zip"), zip("MOV120_A2_Kestrel_Rowan/story/a.txt", "x")));
        page.locator("form[enctype] .act").click();
        assertThat(page.locator("h1")).containsText("MOV120_A2_Kestrel_Rowan", SOON);
        assertThat(page.locator("main")).containsText("Check 1");
    }

    @Test
    void aFolderThatIsKnownIsCheckedAgainWithOneClick() {
        String root = "MOV120_A2_Kestrel_Rowan";
        Page page = signIn(WHO);
        goTo(page, page("/pre-check"));
        OwnFolder.write(page, root, Map.of("edit/a.html", "<img src=\"F:/lost/bell.png\">"));
        OwnFolder.choose(page, root);
        page.locator("[data-part=pick]").click();
        assertThat(page.locator(".findings")).containsText("F:/lost/bell.png", SOON);
        OwnFolder.write(page, root, Map.of("edit/a.html", "<p>nothing is linked</p>"));
        page.locator("[data-done]").first().click();
        page.waitForURL("**/pre-checks/*");
        assertThat(page.locator(".since")).containsText("fixed", SOON);
        assertThat(page.locator(".findings")).not().containsText("F:/lost/bell.png");
        goTo(page, page("/pre-check"));
        assertThat(page.locator("[data-part=again]")).containsText(root);
        page.locator("[data-part=again]").click();
        assertThat(page.locator(".since")).containsText("nothing fixed, nothing new", SOON);
    }
}
