package org.opensatchel.web.demo;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.opensatchel.web.HandingIn;
import org.opensatchel.web.handout.HandoutService;
import org.opensatchel.web.kit.KitService;
import org.springframework.beans.factory.annotation.Autowired;

/** A student who makes the five mistakes of every class, and is told each before it costs anything. */
class FiveMistakesTest extends HandingIn {

    private static final String WHO = "bisi.oyelaran";
    private static final String ROOT = "MOV120_A2_Oyelaran_Bisi";
    private static final LocatorAssertions.ContainsTextOptions SOON = new LocatorAssertions.ContainsTextOptions().setTimeout(60_000);

    @TempDir
    private Path temp;
    @Autowired
    private KitService kits;
    @Autowired
    private HandoutService handouts;
    private long lastPlace;
    private Page page;

    @BeforeEach
    void begin() {
        lastPlace = database.queryForObject("select coalesce(max(id), 0) from project_location", Long.class);
        page = signIn(WHO);
    }

    @AfterEach
    void takeAway() {
        database.update("delete from project_location where id > ?", lastPlace);
    }

    /** The kit of somebody, unpacked. */
    private Path kit(String login, Path into) throws IOException {
        Path zip = temp.resolve(login + ".zip");
        try (var out = Files.newOutputStream(zip)) {
            handouts.write(kits.current(market()).orElseThrow(), place(login).assignment(), place(login).student(), out);
        }
        try (var in = new java.util.zip.ZipInputStream(Files.newInputStream(zip))) {
            for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
                Path to = into.resolve(entry.getName());
                if (entry.isDirectory()) {
                    Files.createDirectories(to);
                } else {
                    Files.createDirectories(to.getParent());
                    Files.copy(in, to);
                }
            }
        }
        try (var roots = Files.list(into)) {
            return roots.filter(Files::isDirectory).findFirst().orElseThrow();
        }
    }

    private void open(String path) {
        goTo(page, address("/assignments/" + market().id() + path));
    }

    private void check(Path folder) {
        open("/pre-check");
        page.setInputFiles("[data-part=input]", folder);
        page.waitForURL("**/pre-checks/*");
        assertThat(page.locator(".findings")).isVisible(new LocatorAssertions.IsVisibleOptions().setTimeout(60_000));
    }

    @Test
    void eachIsToldInTime() throws IOException {
        // The place: Downloads.
        open("/location");
        page.getByLabel("Windows", new Page.GetByLabelOptions().setExact(true)).check(new Locator.CheckOptions().setForce(true));
        page.fill("#path", "C:\\Users\\bisi\\Downloads\\" + ROOT);
        page.locator("form[data-judge] button").last().click();
        assertThat(page.locator(".told.must")).containsText("not a good place yet");
        assertThat(page.locator(".path .now")).containsText("needs fixing");

        // A friend's kit, with the root renamed.
        Path friend = kit("rowan.kestrel", Files.createDirectory(temp.resolve("friend")));
        Path renamed = Files.move(friend, friend.resolveSibling(ROOT));
        open("/hand-in");
        page.setInputFiles("[data-part=folder]", renamed);
        assertThat(page.locator("[data-part=said]")).containsText("Kestrel");
        assertThat(page.locator("[data-part=send-anyway]")).isVisible();

        // A link to Downloads, and the folder of the footage under another name.
        Path mine = kit(WHO, Files.createDirectory(temp.resolve("mine")));
        Files.move(mine.resolve("footage"), mine.resolve("my clips"));
        Files.write(mine.resolve("my clips/stall.mp4"), new byte[]{0, 0, 0, 8, 'f', 't', 'y', 'p'});
        Files.writeString(mine.resolve("edit/Oyelaran_A2_v01.otio"),
                "{\"OTIO_SCHEMA\": \"Timeline.1\", \"tracks\": {\"OTIO_SCHEMA\": \"Stack.1\", \"children\": [{\"OTIO_SCHEMA\": \"Track.1\", \"children\": ["
                        + clip("file:///C:/Users/bisi/Downloads/lamp.png") + "," + clip("../footage/stall.mp4") + "]}]}}");
        check(mine);
        assertThat(page.locator(".findings")).containsText("Downloads", SOON);
        assertThat(page.locator(".findings")).containsText("my clips");
        assertThat(page.locator(".findings")).containsText("footage");

        // Files packed loose, without their folder.
        Path loose = temp.resolve("project.zip");
        try (ZipOutputStream zip = new ZipOutputStream(Files.newOutputStream(loose)); var files = Files.walk(mine)) {
            for (Path file : files.filter(Files::isRegularFile).toList()) {
                zip.putNextEntry(new ZipEntry(mine.relativize(file).toString()));
                Files.copy(file, zip);
            }
        }
        open("/hand-in");
        page.setInputFiles("[data-part=file]", loose);
        assertThat(page.locator("[data-part=said] li")).not().hasCount(0);

        // Mended, it is said to be.
        Files.move(mine.resolve("my clips"), mine.resolve("footage"));
        Files.writeString(mine.resolve("edit/Oyelaran_A2_v01.otio"),
                Files.readString(mine.resolve("edit/Oyelaran_A2_v01.otio")).replace("file:///C:/Users/bisi/Downloads/lamp.png",
                        "../titles/lamp.png"));
        Files.write(mine.resolve("titles/lamp.png"), new byte[]{(byte) 0x89, 'P', 'N', 'G', 13, 10, 26, 10});
        check(mine);
        assertThat(page.locator(".since")).containsText("fixed");
        assertThat(page.locator(".findings")).not().containsText("my clips");
    }

    private static String clip(String url) {
        return "{\"OTIO_SCHEMA\": \"Clip.2\", \"media_references\": {\"DEFAULT_MEDIA\": {\"OTIO_SCHEMA\": \"ExternalReference.1\", \"target_url\": \""
                + url + "\"}}, \"active_media_reference_key\": \"DEFAULT_MEDIA\"}";
    }
}
