package org.opensatchel.web.demo;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.Download;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.io.OutputStream;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.opensatchel.web.RunningApplication;
import org.opensatchel.web.handin.HandInView;

/** A student from the kit to the report, and what happens when they, or somebody else, do it wrong. */
class StudentWalkTest extends RunningApplication {

    private static final LocatorAssertions.ContainsTextOptions SOON = new LocatorAssertions.ContainsTextOptions().setTimeout(60_000);

    @TempDir
    Path temp;

    private String page(String path) {
        return address("/assignments/" + market().id() + path);
    }

    @Test
    void collectsLocatesHandsInAndReads() throws IOException {
        Page page = signIn("liv.sorensen");
        accessible(page);
        page.getByText("A2 Night Market Ident").click();
        goTo(page, page("/kit"));
        accessible(page);
        Download kit = page.waitForDownload(() -> page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Download")).click());
        assertThat(kit.suggestedFilename()).isEqualTo("MOV120_A2_Sørensen_Liv.zip");

        while (page.locator("ol.steps li.open").count() > 0) {
            page.locator("ol.steps li.open button").first().click();
        }
        assertThat(page.locator("main")).containsText("All of it is confirmed.");

        goTo(page, page("/location"));
        accessible(page);
        page.getByLabel("Windows").check(new com.microsoft.playwright.Locator.CheckOptions().setForce(true));
        page.locator("#path").pressSequentially("C:\\Users\\liv\\Downloads\\MOV120_A2_Sørensen_Liv");
        assertThat(page.locator(".strap .must")).hasText("Downloads");
        assertThat(page.locator(".strap .root")).hasText("MOV120_A2_Sørensen_Liv");
        page.fill("#path", "E:\\MOV120_A2_Sørensen_Liv");
        assertThat(page.locator(".way")).containsText("This is a good place");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Save").setExact(true)).click();
        assertThat(page.locator(".told")).containsText("Saved");
        accessible(page);

        goTo(page, page("/hand-in"));
        accessible(page);
        page.setInputFiles("[data-part=file]",
                Files.write(temp.resolve("mine.zip"), DemoProject.clean("MOV120_A2_Sørensen_Liv", "Sørensen", 21).zip()));
        assertThat(page.locator("[data-part=summary]")).containsText("This will be your hand-in");
        accessible(page);
        page.locator("[data-part=send]").click();
        assertThat(page.locator("h1")).containsText("MOV120_A2_Sørensen_Liv", SOON);
        assertThat(page.locator("main")).containsText("Nothing to fix. Well packed.");
        accessible(page);
    }

    @Test
    void handsInWithoutScript() throws IOException {
        Page page = signIn("cass.umberline", new Browser.NewContextOptions().setJavaScriptEnabled(false));
        goTo(page, page("/hand-in"));
        page.setInputFiles("#file",
                Files.write(temp.resolve("plain form.zip"), DemoProject.clean("MOV120_A2_Umberline_Cass", "Umberline", 23).zip()));
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Hand in")).click();
        assertThat(page.locator("h1")).containsText("MOV120_A2_Umberline_Cass", SOON);
    }

    @Test
    void nobodyReachesAnothersWorkByAnAddress() {
        Page page = signIn("noor.thackeray");
        HandInView other = handIns.ofStudent(place("ottoline.marsh")).get(0);
        List<String> closed = List.of("/hand-ins/" + other.id(), "/hand-ins/" + other.id() + "/report.json",
                "/hand-ins/" + other.id() + "/progress",
                "/assignments/" + market().id() + "/review", "/assignments/" + market().id() + "/review.csv",
                "/assignments/" + market().id() + "/plan",
                "/assignments/" + market().id() + "/plan/kit.json", "/assignments/" + market().id() + "/hand-out",
                "/assignments/" + market().id() + "/locations", "/assignments/" + market().id() + "/check");
        for (String path : closed) {
            assertThat(page.context().request().get(address(path)).status()).as(path).isEqualTo(404);
        }
        String token = page.locator("meta[name=_csrf]").getAttribute("content");
        var post = com.microsoft.playwright.options.RequestOptions.create().setHeader("X-CSRF-TOKEN", token);
        assertThat(page.context().request().post(address("/assignments/" + market().id() + "/hand-out/all.zip"), post).status())
                .isEqualTo(404);
        assertThat(page.context().request()
                .post(address("/assignments/" + market().id() + "/hand-out/" + place("ottoline.marsh").student().enrolmentId() + ".zip"),
                        post)
                .status()).isEqualTo(404);
        assertThat(page.context().request().post(address("/assignments/" + market().id() + "/location")).status()).as("without a token")
                .isEqualTo(403);
    }

    @Test
    void theContentPolicyAllowsOnlyWhatWeShip() {
        Page page = signIn("noor.thackeray");
        String policy = page.context().request().get(address("/")).headers().get("content-security-policy");
        assertThat(policy).contains("default-src 'none'", "script-src 'self' 'wasm-unsafe-eval';", "style-src 'self';")
                .doesNotContain("unsafe-inline", "'unsafe-eval'");
    }

    @Test
    void anEndlessLocationIsRefusedAndKept() {
        Page page = signIn("barnaby.rudge");
        goTo(page, page("/location"));
        int before = page.locator(".roots li").count();
        page.fill("#path", "E:\\" + "a".repeat(5_000));
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Save").setExact(true)).click();
        assertThat(page.locator(".told.must")).containsText("far too long");
        assertThat(page.locator(".way")).containsText("5,003 characters");
        assertThat(page.locator("#path").inputValue()).hasSize(5_003);
        assertThat(page.locator(".roots li").count()).isEqualTo(before);
    }

    /** What our script would not even send comes to the server all the same. */
    private void refused(String login, byte[] content, String says) {
        Page page = signIn(login);
        String token = page.locator("meta[name=_csrf]").getAttribute("content");
        var sent = com.microsoft.playwright.options.RequestOptions.create().setHeader("X-CSRF-TOKEN", token)
                .setHeader("Content-Type", "application/zip").setHeader("X-File-Name", "bad.zip").setData(content);
        String answer = page.context().request().post(page("/hand-in"), sent).text();
        goTo(page, address(answer.replaceAll(".*\"next\":\"([^\"]*)\".*", "$1")));
        assertThat(page.locator("main")).containsText(says, SOON);
        accessible(page);
    }

    @Test
    void badUploadsGetAClearSentence() throws IOException {
        refused("jost.pellworm", "no archive at all".getBytes(StandardCharsets.UTF_8), "This file is no ZIP archive");
        refused("jost.pellworm", zip(Map.of()), "This ZIP archive is empty");
        byte[] whole = DemoProject.clean("MOV120_A2_Pellworm_Jost", "Pellworm", 18).zip();
        refused("jost.pellworm", java.util.Arrays.copyOf(whole, whole.length / 2), "cut off");
    }

    @Test
    void whatIsNoProjectIsToldBeforeItIsSent() throws IOException {
        Page page = signIn("jost.pellworm");
        goTo(page, page("/hand-in"));
        int before = handIns.ofStudent(place("jost.pellworm")).size();
        page.setInputFiles("[data-part=file]", Files.writeString(temp.resolve("notes.zip"), "no archive at all"));
        assertThat(page.locator("[data-part=wrong]")).containsText("“notes.zip” is no ZIP archive");
        page.setInputFiles("[data-part=file]", Files.write(temp.resolve("big.zip"), new byte[7 << 20]));
        assertThat(page.locator("[data-part=wrong]")).containsText("larger than the 6.3 MB");
        page.setInputFiles("[data-part=file]", Files.write(temp.resolve("empty.zip"), zip(Map.of())));
        assertThat(page.locator("[data-part=said]")).containsText("This ZIP archive is empty");
        page.locator("[data-part=other]").click();
        assertThat(page.locator("[data-part=pick]")).isFocused();
        accessible(page);
        assertThat(handIns.ofStudent(place("jost.pellworm"))).hasSize(before);
    }

    @Test
    void aTooLargeUploadIsRefusedByTheServerToo() {
        Page page = signIn("annelie.quist");
        String token = page.locator("meta[name=_csrf]").getAttribute("content");
        var large = com.microsoft.playwright.options.RequestOptions.create().setHeader("X-CSRF-TOKEN", token)
                .setHeader("Content-Type", "application/zip").setHeader("X-File-Name", "a.zip").setData(new byte[7 << 20]);
        var answer = page.context().request().post(page("/hand-in"), large);
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.text()).contains("larger than the 6.3 MB");
    }

    @Test
    void anUploadThatBreaksOffIsNoHandIn() throws IOException {
        Page page = signIn("annelie.quist");
        int before = handIns.ofStudent(place("annelie.quist")).size();
        String cookie = page.context().cookies().stream().map(one -> one.name + "=" + one.value).reduce((a, b) -> a + "; " + b)
                .orElseThrow();
        String token = page.locator("meta[name=_csrf]").getAttribute("content");
        try (Socket socket = new Socket("127.0.0.1", port())) {
            OutputStream out = socket.getOutputStream();
            out.write(("POST /assignments/" + market().id() + "/hand-in HTTP/1.1\r\nHost: 127.0.0.1\r\nCookie: " + cookie
                    + "\r\nX-CSRF-TOKEN: " + token
                    + "\r\nX-File-Name: cut.zip\r\nContent-Type: application/zip\r\nContent-Length: 100000\r\n\r\nPK")
                    .getBytes(StandardCharsets.ISO_8859_1));
            out.flush();
            socket.shutdownOutput();
            socket.getInputStream().readAllBytes();
        }
        assertThat(handIns.ofStudent(place("annelie.quist"))).hasSize(before);
    }

    @Test
    void hostileNamesAreShownNeverObeyed() throws IOException {
        String script = "<script>alert(1)</script>.csv";
        byte[] zip = zip(Map.of("MOV120_A2_Nakagoshi_Ren/story/" + script, "x", "MOV120_A2_Nakagoshi_Ren/story/new\nline.csv", "x",
                "MOV120_A2_Nakagoshi_Ren/story/=HYPERLINK(1).csv", "x",
                "MOV120_A2_Nakagoshi_Ren/edit/Nakagoshi_A2_v01.otio",
                "{\"OTIO_SCHEMA\":\"ExternalReference.1\",\"target_url\":\"../story/<img src=x onerror=alert(1)>\\u202egpj.png\"}"));
        Page page = signIn("ren.nakagoshi");
        page.onDialog(dialog -> {
            throw new AssertionError("a script ran: " + dialog.message());
        });
        goTo(page, page("/hand-in"));
        page.setInputFiles("[data-part=file]", Files.write(temp.resolve("=cmd <b>.zip"), zip));
        page.locator("[data-part=send]").click();
        assertThat(page.locator("h1")).containsText("MOV120_A2_Nakagoshi_Ren", SOON);
        assertThat(page.locator(".findings")).containsText(script);
        assertThat(page.locator(".findings")).containsText("new\\u000aline.csv");
        assertThat(page.locator("main")).containsText("\\u202e");
        accessible(page);
        Page instructor = signIn("quillfeather");
        String csv = instructor.context().request().get(page("/review.csv")).text();
        assertThat(csv).contains("'=cmd <b>.zip");
    }

    private static byte[] zip(Map<String, String> members) throws IOException {
        var out = new java.io.ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (Map.Entry<String, String> member : members.entrySet()) {
                zip.putNextEntry(new ZipEntry(member.getKey()));
                zip.write(member.getValue().getBytes(StandardCharsets.UTF_8));
                zip.closeEntry();
            }
        }
        return out.toByteArray();
    }
}
