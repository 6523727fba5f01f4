package org.opensatchel.web.report;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.core.kit.KitReader;
import org.opensatchel.core.kit.KitWriter;
import org.opensatchel.web.HandingIn;
import org.opensatchel.web.handin.HandInView;
import org.opensatchel.web.kit.KitService;
import org.opensatchel.web.storage.ContentStore;
import org.springframework.beans.factory.annotation.Autowired;
import tools.jackson.databind.node.ObjectNode;

/** A hand-in checked again: by the kit as it was, or by the newest; what was said before stays to be read. */
class PastReportTest extends HandingIn {

    @Autowired
    private KitService kits;
    @Autowired
    private ContentStore store;

    /** Others look at a class that has one version of its kit. */
    @AfterEach
    void oneVersion() {
        takeHandInsAway();
        database.update("delete from kit_version where assignment_id = ? and version > 1", market().id());
    }

    private void publishSecond() {
        ObjectNode document = (ObjectNode) JsonDocuments.MAPPER.readTree(KitWriter.write(kits.current(market()).orElseThrow().kit()));
        document.put("title", "Night Market Ident, once more");
        var kit = KitReader.read(JsonDocuments.MAPPER.writeValueAsBytes(document)).kit().orElseThrow();
        assertThat(kits.publish(market(), kit, 1, accounts.loadUserByUsername("quillfeather").accountId()).faults()).isEmpty();
    }

    private HandInView handIn() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            zip.putNextEntry(new ZipEntry("MOV120_A2_Marsh_Odile/story/board.csv"));
            zip.write("shot,what\n".getBytes(StandardCharsets.UTF_8));
        }
        receiver.take(place("odile.marsh"), "p.zip", store.store(new ByteArrayInputStream(out.toByteArray()), Long.MAX_VALUE));
        demoIsChecked();
        return handIns.ofStudent(place("odile.marsh")).get(0);
    }

    private int version(HandInView handIn) {
        return database.queryForObject("select k.version from hand_in h join kit_version k on k.id = h.kit_version_id where h.id = ?",
                Integer.class, handIn.id());
    }

    @Test
    void theNewestKitIsAskedForAndTheOldReportStays() throws IOException {
        HandInView handIn = handIn();
        publishSecond();
        Page page = signIn("quillfeather");
        goTo(page, address(handIn.address()));
        page.getByText("Check again", new Page.GetByTextOptions().setExact(true)).click();
        demoIsChecked();
        assertThat(version(handIn)).as("checked again by the kit it was handed in to").isEqualTo(1);
        goTo(page, address(handIn.address()));
        page.getByText("Check with kit version 2").click();
        demoIsChecked();
        assertThat(version(handIn)).isEqualTo(2);
        goTo(page, address(handIn.address()));
        assertThat(page.getByText("Check with kit version 2")).hasCount(0);
        List<Long> past = database.queryForList("select id from past_report where hand_in_id = ? order by id", Long.class, handIn.id());
        assertThat(past).hasSize(2);
        assertThat(page.locator("a[href$='/reports/" + past.get(0) + "']")).hasCount(1);
        goTo(page, address(handIn.address() + "/reports/" + past.get(1)));
        assertThat(page.locator("main")).containsText("with kit version 1");
        accessible(page);
        // Another student's past is no business of theirs, and neither is one under another's hand-in.
        Page other = signIn("liv.sorensen");
        assertThat(goTo(other, address(handIn.address() + "/reports/" + past.get(0))).status()).isEqualTo(404);
        long elsewhere = handIns.ofStudent(place("ottoline.marsh")).get(0).id();
        assertThat(goTo(page, address("/hand-ins/" + elsewhere + "/reports/" + past.get(0))).status()).isEqualTo(404);
    }

    @Test
    void theWholeClassIsCheckedByTheNewestFromTheBoard() throws IOException {
        HandInView handIn = handIn();
        publishSecond();
        Page page = signIn("quillfeather");
        goTo(page, address("/assignments/" + market().id() + "/review?q=odile"));
        page.locator("input[name=who]").check();
        page.locator("button[name=newest]").click();
        demoIsChecked();
        assertThat(version(handIn)).isEqualTo(2);
    }
}
