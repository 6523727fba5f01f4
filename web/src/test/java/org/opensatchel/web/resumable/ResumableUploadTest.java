package org.opensatchel.web.resumable;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.RequestOptions;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.zip.GZIPOutputStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.opensatchel.base.hash.Sha256;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.core.kit.Kit.StarterFile;
import org.opensatchel.web.HandingIn;
import org.opensatchel.web.handin.HandInView;
import org.opensatchel.web.kit.KitService;
import org.opensatchel.web.storage.Contents;
import org.opensatchel.web.storage.Purpose;
import org.opensatchel.worker.WorkOrder;
import org.springframework.beans.factory.annotation.Autowired;

/** Projects that are sent in parts: only what is not here, all of it or nothing, and never somebody else's. */
class ResumableUploadTest extends HandingIn {

    private static final String WHO = "asa.lindqvist";
    private static final String OTHER = "rowan.kestrel";

    @Autowired
    private KitService kits;
    @Autowired
    private Contents contents;
    private Page page;

    @BeforeEach
    void begin() {
        page = signIn(WHO);
    }

    /** What a file's content hashes to, and how long it is. */
    private static String file(String path, String content) {
        return entry(path, content.length(), hash(content));
    }

    private static String entry(String path, long bytes, String sha256) {
        return "{\"path\": \"" + path + "\", \"bytes\": " + bytes + ", \"sha256\": \"" + sha256 + "\"}";
    }

    private static String hash(String content) {
        return Sha256.of(content.getBytes(StandardCharsets.UTF_8));
    }

    private static String list(String... files) {
        return "{\"listing\": 1, \"root\": \"MOV120_A2_Lindqvist_Asa\", \"files\": [" + String.join(",", files) + "]}";
    }

    private static String token(Page page) {
        return page.locator("meta[name=_csrf]").getAttribute("content");
    }

    private static RequestOptions options(Page page) {
        return RequestOptions.create().setHeader("X-CSRF-TOKEN", token(page));
    }

    private APIResponse begin(Page who, String form, byte[] list, String... coding) {
        RequestOptions options = options(who).setHeader("Content-Type", "application/json").setHeader("X-File-Name", "Fern").setData(list);
        Arrays.stream(coding).forEach(one -> options.setHeader("Content-Encoding", one));
        return who.context().request().post(address("/assignments/" + market().id() + "/sendings?form=" + form), options);
    }

    private Map<?, ?> begun(Page who, String list) {
        APIResponse answer = begin(who, "folder", list.getBytes(StandardCharsets.UTF_8));
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return JsonDocuments.MAPPER.readValue(answer.body(), Map.class);
    }

    private String at(Map<?, ?> begun) {
        return address((String) begun.get("at"));
    }

    private static APIResponse part(Page who, String at, long offset, String content) {
        return who.context().request().patch(at, options(who).setHeader("Content-Type", "application/offset+octet-stream")
                .setHeader("Tus-Resumable", "1.0.0").setHeader("Upload-Offset", Long.toString(offset))
                .setData(content.getBytes(StandardCharsets.UTF_8)));
    }

    private static APIResponse finish(Page who, String at) {
        return who.context().request().post(at + "/finish", options(who));
    }

    private static String stand(Page who, String at) {
        return who.context().request().head(at).headers().get("upload-offset");
    }

    /** The contents in the order in which they were asked for, as one stream. */
    private static String stream(Map<?, ?> begun, String... contents) {
        Map<String, String> byHash = Arrays.stream(contents).collect(Collectors.toMap(ResumableUploadTest::hash, one -> one));
        return ((List<?>) begun.get("send")).stream().map(byHash::get).collect(Collectors.joining());
    }

    private HandInView done(APIResponse finished) {
        assertThat(finished.status()).as(finished.text()).isEqualTo(200);
        String next = (String) JsonDocuments.MAPPER.readValue(finished.body(), Map.class).get("next");
        long id = Long.parseLong(next.substring(next.lastIndexOf('/') + 1));
        await().atMost(Duration.ofMinutes(1)).until(() -> mine(id).isDone());
        return mine(id);
    }

    private HandInView mine(long id) {
        return handIns.ofStudent(place(WHO)).stream().filter(one -> one.id() == id).findFirst().orElseThrow();
    }

    @Test
    void aFolderGoesOnWhereItStoppedAndIsHandedInOnce() throws IOException {
        String list = list(file("notes/plan.txt", "where the lamps hang"), file("edit.html", "<a href=\"notes/plan.txt\">plan</a>"),
                entry("empty.txt", 0, hash("")), file("copy.txt", "where the lamps hang"));
        ByteArrayOutputStream packed = new ByteArrayOutputStream();
        try (GZIPOutputStream zip = new GZIPOutputStream(packed)) {
            zip.write(list.getBytes(StandardCharsets.UTF_8));
        }
        APIResponse answer = begin(page, "folder", packed.toByteArray(), "gzip");
        Map<?, ?> begun = JsonDocuments.MAPPER.readValue(answer.body(), Map.class);
        assertThat((List<?>) begun.get("send")).hasSize(2);
        String stream = stream(begun, "where the lamps hang", "<a href=\"notes/plan.txt\">plan</a>");
        assertThat(part(page, at(begun), 0, stream.substring(0, 30)).status()).isEqualTo(204);
        assertThat(stand(page, at(begun))).isEqualTo("30");
        // Nothing is handed in before all of it is here.
        assertThat(finish(page, at(begun)).status()).isEqualTo(409);
        assertThat(handIns.ofStudent(place(WHO))).noneMatch(one -> one.id() > last);
        assertThat(page.context().request().get(address("/assignments/" + market().id() + "/sendings")).text()).contains("Fern");

        // Whoever begins again is not asked again for what came.
        begun = begun(page, list);
        assertThat(((Number) begun.get("length")).longValue() - ((Number) begun.get("offset")).longValue())
                .isEqualTo(stream.length() - 30L);
        stream = stream(begun, "where the lamps hang", "<a href=\"notes/plan.txt\">plan</a>");
        long offset = ((Number) begun.get("offset")).longValue();
        assertThat(part(page, at(begun), offset, stream.substring((int) offset)).status()).isEqualTo(204);
        APIResponse finished = finish(page, at(begun));
        HandInView handIn = done(finished);
        assertThat(handIn.form()).isEqualTo(WorkOrder.Form.FOLDER);
        assertThat(handIn.links()).isEqualTo(1);
        assertThat(finish(page, at(begun)).text()).isEqualTo(finished.text());
        assertThat(part(page, at(begun), 0, "x").status()).isEqualTo(410);
        assertThat(handIns.ofStudent(place(WHO)).stream().filter(one -> one.id() > last)).hasSize(1);

        // The same once more: nothing is asked for.
        begun = begun(page, list);
        assertThat((List<?>) begun.get("send")).isEmpty();
        assertThat(done(finish(page, at(begun))).number()).isEqualTo(handIn.number() + 1);
    }

    @Test
    void partsThatComeTwiceOutOfOrderOrTooLongChangeNothing() {
        Map<?, ?> begun = begun(page, list(file("a.txt", "abcdef")));
        assertThat(part(page, at(begun), 0, "abc").status()).isEqualTo(204);
        for (APIResponse wrong : List.of(part(page, at(begun), 0, "abc"), part(page, at(begun), 5, "f"),
                part(page, at(begun), 3, "defgh"))) {
            assertThat(wrong.status()).isEqualTo(409);
            assertThat(wrong.headers().get("upload-offset")).isEqualTo("3");
        }
        assertThat(page.context().request().patch(at(begun), options(page).setHeader("Content-Type", "application/offset+octet-stream")
                .setHeader("Upload-Offset", "3").setData(new byte[]{1})).status()).isEqualTo(412);
        assertThat(page.context().request().patch(at(begun), options(page).setHeader("Content-Type", "text/plain")
                .setHeader("Tus-Resumable", "1.0.0").setHeader("Upload-Offset", "3").setData(new byte[]{1})).status()).isEqualTo(415);
        assertThat(page.context().request().patch(at(begun), options(page).setHeader("Content-Type", "application/offset+octet-stream")
                .setHeader("Tus-Resumable", "1.0.0").setHeader("Upload-Offset", "-3").setData(new byte[]{1})).status()).isEqualTo(400);
        assertThat(part(page, at(begun), 3, "def").status()).isEqualTo(204);
        done(finish(page, at(begun)));
    }

    @Test
    void contentThatIsNotWhatItsHashSaysIsAskedForAgain() {
        Map<?, ?> begun = begun(page, list(file("a.txt", "abcdef"), file("b.txt", "bee")));
        String lying = stream(begun, "abcdef", "bee").replace("abcdef", "abcdeX");
        assertThat(part(page, at(begun), 0, lying).status()).isEqualTo(204);
        APIResponse finished = finish(page, at(begun));
        assertThat(finished.status()).isEqualTo(409);
        assertThat(finished.text()).contains(hash("abcdef")).doesNotContain(hash("bee"));
        begun = begun(page, list(file("a.txt", "abcdef"), file("b.txt", "bee")));
        assertThat((List<?>) begun.get("send")).extracting(String::valueOf).containsExactly(hash("abcdef"));
        part(page, at(begun), 0, "abcdef");
        done(finish(page, at(begun)));
    }

    @Test
    void listsThatLieAreRefusedWithASentence() {
        Map<String, String> lies = new java.util.LinkedHashMap<>();
        lies.put(list(file("a.txt", "abc"), entry("b.txt", 99, hash("abc"))), "cannot be");
        lies.put(list(entry("a.txt", 3, hash(""))), "cannot be");
        lies.put(list(entry("a.txt", 0, hash("abc"))), "cannot be");
        lies.put(list(entry("a.txt", Long.MAX_VALUE, hash("a")), entry("b.txt", Long.MAX_VALUE, hash("b"))), "cannot be");
        lies.put(list(entry("a.txt", Long.MAX_VALUE, hash("a"))), "of the");
        lies.put(list("{\"path\": \"a.txt\", \"bytes\": 3}"), "was not read");
        lies.put(list(file("a.txt", "abc"), file("a.txt", "abd")), "a.txt");
        lies.put(list(entry("a.txt", 3, "nonsense")), "a.txt");
        lies.put("{\"listing\": 1}", "");
        lies.put("nonsense", "");
        lies.put("[]", "");
        lies.forEach((list, why) -> {
            APIResponse answer = begin(page, "folder", list.getBytes(StandardCharsets.UTF_8));
            assertThat(answer.status()).as(list).isEqualTo(422);
            assertThat((String) JsonDocuments.MAPPER.readValue(answer.body(), Map.class).get("refusal")).as(list).contains(why)
                    .isNotBlank();
        });
        assertThat(begin(page, "folder", "nonsense".getBytes(StandardCharsets.UTF_8), "gzip").text()).contains("damaged");
        assertThat(begin(page, "zip", list(file("a.zip", "a"), file("b.zip", "b")).getBytes(StandardCharsets.UTF_8)).status())
                .isEqualTo(422);
    }

    @Test
    void aPathThatLeadsOutIsToldAndLeadsNowhere() {
        Map<?, ?> begun = begun(page, list(file("../../escape.txt", "out"), file("a.txt", "abc"), file("/etc/other.txt", "out")));
        assertThat((List<?>) begun.get("send")).extracting(String::valueOf).containsExactly(hash("abc"));
        part(page, at(begun), 0, "abc");
        HandInView handIn = done(finish(page, at(begun)));
        goTo(page, address(handIn.address()));
        assertThat(page.locator(".findings").innerText()).contains("../../escape.txt", "/etc/other.txt");
    }

    @Test
    void moreFilesThanAProjectHasAreRefused() {
        StringBuilder files = new StringBuilder();
        for (int i = 0; i <= 200_000; i++) {
            files.append(i == 0 ? "" : ",").append(entry("f" + i, 1, "0".repeat(64)));
        }
        byte[] list = list(files.toString()).getBytes(StandardCharsets.UTF_8);
        APIResponse answer = begin(page, "folder", list);
        assertThat(answer.status()).isEqualTo(422);
        assertThat((String) JsonDocuments.MAPPER.readValue(answer.body(), Map.class).get("refusal")).contains("200,000");
    }

    @Test
    void nobodyReachesWhatSomebodyElseSends() {
        Map<?, ?> begun = begun(page, list(file("a.txt", "abcdef")));
        for (String login : List.of(OTHER, "quillfeather")) {
            Page other = signIn(login);
            assertThat(other.context().request().head(at(begun)).status()).isEqualTo(404);
            assertThat(part(other, at(begun), 0, "abcdef").status()).isEqualTo(404);
            assertThat(finish(other, at(begun)).status()).isEqualTo(404);
            assertThat(other.context().request().delete(at(begun), options(other)).status()).isEqualTo(404);
        }
        assertThat(stand(page, at(begun))).isEqualTo("0");
    }

    @Test
    void knowingAHashGivesNobodyAContent() throws IOException {
        String secret = "what only one of us wrote";
        Map<?, ?> mine = begun(page, list(file("a.txt", secret)));
        part(page, at(mine), 0, secret);
        done(finish(page, at(mine)));
        Page other = signIn(OTHER);
        assertThat((List<?>) begun(other, list(file("a.txt", secret))).get("send")).hasSize(1);
        // Nor does a starter file of a plan that was never published.
        String draft = "a starter file that nobody has yet";
        contents.keep(new ByteArrayInputStream(draft.getBytes(StandardCharsets.UTF_8)), Purpose.STARTER, market().courseId(),
                accounts.loadUserByUsername("quillfeather").accountId(), 1_000);
        assertThat((List<?>) begun(page, list(file("a.txt", draft))).get("send")).hasSize(1);
        // What came with the kit is not asked for, unless its length is another.
        StarterFile given = kits.current(market()).orElseThrow().kit().starter().get(0);
        assertThat((List<?>) begun(page, list(entry("a", given.bytes(), given.sha256()))).get("send")).isEmpty();
        assertThat((List<?>) begun(page, list(entry("a", given.bytes() + 1, given.sha256()))).get("send")).hasSize(1);
    }

    @Test
    void anArchiveGoesInPartsToo() throws IOException {
        ByteArrayOutputStream zip = new ByteArrayOutputStream();
        try (var out = new java.util.zip.ZipOutputStream(zip)) {
            out.putNextEntry(new java.util.zip.ZipEntry("MOV120_A2_Lindqvist_Asa/a.txt"));
            out.write(65);
        }
        byte[] bytes = zip.toByteArray();
        APIResponse answer = begin(page, "zip", list(entry("mine.zip", bytes.length, Sha256.of(bytes))).getBytes(StandardCharsets.UTF_8));
        Map<?, ?> begun = JsonDocuments.MAPPER.readValue(answer.body(), Map.class);
        for (int from = 0; from < bytes.length; from += 50) {
            APIResponse took = page.context().request().patch(at(begun),
                    options(page).setHeader("Content-Type", "application/offset+octet-stream")
                            .setHeader("Tus-Resumable", "1.0.0").setHeader("Upload-Offset", Integer.toString(from))
                            .setData(Arrays.copyOfRange(bytes, from, Math.min(bytes.length, from + 50))));
            assertThat(took.status()).isEqualTo(204);
        }
        assertThat(done(finish(page, at(begun))).form()).isEqualTo(WorkOrder.Form.ZIP);
    }

    @Test
    void whoGivesUpLeavesNothingBehind() {
        Map<?, ?> begun = begun(page, list(file("a.txt", "abcdef")));
        part(page, at(begun), 0, "abc");
        assertThat(page.context().request().delete(at(begun), options(page)).status()).isEqualTo(204);
        assertThat(page.context().request().head(at(begun)).status()).isEqualTo(404);
        assertThat(page.context().request().get(address("/assignments/" + market().id() + "/sendings")).status()).isEqualTo(204);
        List<Object> left = new ArrayList<>(database.queryForList("select id from sending"));
        assertThat(left).isEmpty();
    }
}
