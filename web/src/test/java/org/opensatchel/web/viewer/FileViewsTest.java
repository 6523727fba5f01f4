package org.opensatchel.web.viewer;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Page;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.opensatchel.web.HandingIn;
import org.opensatchel.web.handin.HandInView;
import org.opensatchel.web.storage.ContentStore;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/** Files of hand-ins: prepared by a worker after the check, found by an index, and made by a worker when they are not there. */
class FileViewsTest extends HandingIn {

    private static final String ROOT = "MOV120_A2_Marsh_Odile/";

    @Autowired
    private ContentStore store;

    @Autowired
    private KeptViews kept;

    @Autowired
    private PlatformTransactionManager transactions;

    private static byte[] png(int side) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(side, side, BufferedImage.TYPE_INT_RGB), "png", out);
        return out.toByteArray();
    }

    private HandInView handIn() throws IOException {
        Map<String, byte[]> files = new LinkedHashMap<>();
        files.put("story/board.html", "<p>one</p>\n<img src=\"gone.png\">\n".getBytes(StandardCharsets.UTF_8));
        files.put("story/still.png", png(300));
        files.put("story/no.png", "no picture".getBytes(StandardCharsets.UTF_8));
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (Map.Entry<String, byte[]> file : files.entrySet()) {
                zip.putNextEntry(new ZipEntry(ROOT + file.getKey()));
                zip.write(file.getValue());
            }
        }
        receiver.take(place("odile.marsh"), "p.zip", store.store(new ByteArrayInputStream(out.toByteArray()), Long.MAX_VALUE));
        demoIsChecked();
        return handIns.ofStudent(place("odile.marsh")).get(0);
    }

    private int views(HandInView handIn) {
        return database.queryForObject("select count(*) from hand_in_view where hand_in_id = ?", Integer.class, handIn.id());
    }

    @Test
    void whatPeopleLookAtFirstIsMadeAfterTheCheckAndTheRestWhenItIsAskedFor() throws IOException {
        HandInView handIn = handIn();
        await().atMost(Duration.ofMinutes(1)).until(() -> views(handIn) >= 2);
        Page page = signIn("quillfeather");
        goTo(page, address(handIn.address() + "/file?path=story/board.html&at=2:11&text=gone.png"));
        assertThat(page.locator("mark")).hasText("gone.png");
        accessible(page);
        database.update("delete from hand_in_view where hand_in_id = ?", handIn.id());
        goTo(page, address(handIn.address() + "/file?path=story/board.html"));
        assertThat(page.locator(".source")).containsText("<p>one</p>");
        assertThat(views(handIn)).as("kept for who comes next").isEqualTo(1);
        APIResponse picture = page.request().get(address(handIn.address() + "/picture?path=story/still.png"));
        assertThat(picture.status()).isEqualTo(200);
        assertThat(ImageIO.read(new ByteArrayInputStream(picture.body())).getWidth()).isEqualTo(300);
        assertThat(page.request().get(address(handIn.address() + "/picture?path=story/no.png")).status()).isEqualTo(404);
        assertThat(page.request().get(address(handIn.address() + "/picture?path=story/nothing.png")).status()).isEqualTo(404);
        assertThat(goTo(page, address(handIn.address() + "/file?path=../x")).status()).isEqualTo(404);
    }

    /** Hand-ins from before there was an index get theirs when one of their files is first looked at. */
    @Test
    void aHandInWithoutAnIndexGetsOne() throws IOException {
        HandInView handIn = handIn();
        await().atMost(Duration.ofMinutes(1)).until(() -> views(handIn) >= 2);
        database.update("delete from hand_in_view where hand_in_id = ?", handIn.id());
        database.update("delete from hand_in_index where hand_in_id = ?", handIn.id());
        Page page = signIn("odile.marsh");
        goTo(page, address(handIn.address() + "/file?path=story/board.html&at=2:11&text=gone.png"));
        assertThat(page.locator("mark")).hasText("gone.png");
        assertThat(database.queryForObject("select count(*) from hand_in_index where hand_in_id = ?", Integer.class, handIn.id()))
                .isPositive();
    }

    /** Somebody deletes a hand-in while a worker still prepares what is shown of it: nothing is kept, and nothing goes wrong. */
    @Test
    void ofAHandInThatIsDeletedMeanwhileNothingIsKept() throws IOException {
        HandInView handIn = handIn();
        await().atMost(Duration.ofMinutes(1)).until(() -> views(handIn) >= 2);
        TransactionTemplate deleting = new TransactionTemplate(transactions);
        CompletableFuture<Void> keeping = deleting.execute(status -> {
            database.update("delete from hand_in_view where hand_in_id = ?", handIn.id());
            database.update("delete from hand_in where id = ?", handIn.id());
            CompletableFuture<Void> late = CompletableFuture.runAsync(() -> kept.keep(handIn.id(), "late", new byte[10]));
            await().until(() -> late.isDone() || waitingForALock() > 0);
            assertThat(late).isNotDone();
            return late;
        });
        keeping.join();
        assertThat(views(handIn)).isZero();
        kept.keep(handIn.id(), "later", new byte[10]);
        assertThat(views(handIn)).isZero();
    }

    private int waitingForALock() {
        return database.queryForObject("select count(*) from pg_stat_activity where wait_event_type = 'Lock' and query like "
                + "'insert into hand_in_view%' and datname = current_database()", Integer.class);
    }

    @Test
    void nobodyElseLooksAtThem() throws IOException {
        HandInView handIn = handIn();
        Page other = signIn("liv.sorensen");
        assertThat(other.request().get(address(handIn.address() + "/file?path=story/board.html")).status()).isEqualTo(404);
        assertThat(other.request().get(address(handIn.address() + "/picture?path=story/still.png")).status()).isEqualTo(404);
    }
}
