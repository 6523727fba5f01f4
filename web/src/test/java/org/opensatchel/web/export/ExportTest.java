package org.opensatchel.web.export;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.FormData;
import com.microsoft.playwright.options.RequestOptions;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.StringReader;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.web.RunningApplication;
import org.opensatchel.web.handin.HandInView;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;
import tools.jackson.databind.JsonNode;

/** What other programs take: tables that agree with the reports, reports in four forms, and the projects themselves. */
class ExportTest extends RunningApplication {

    @Autowired
    private JdbcTemplate database;

    @BeforeEach
    @AfterEach
    void nothingWasDownloaded() {
        nothingIsDecided(database);
    }

    private static List<CSVRecord> table(APIResponse answer) throws IOException {
        assertThat(answer.status()).isEqualTo(200);
        String text = new String(answer.body(), StandardCharsets.UTF_8).replace("\uFEFF", "");
        return CSVFormat.RFC4180.builder().setHeader().setSkipHeaderRecord(true).get().parse(new StringReader(text)).getRecords();
    }

    private HandInView handIn(String login) {
        return handIns.counting(market()).get(place(login).student().enrolmentId());
    }

    @Test
    void theGradebookAgreesWithTheReports() throws IOException {
        Page page = signIn("quillfeather");
        String base = "/assignments/" + market().id();
        database.update(
                "insert into remark (hand_in_id, text, made_by, made_at) select ?, '=1+1\nsecond', id, now() from account where login = 'quillfeather'",
                handIn("ottoline.marsh").id());
        List<CSVRecord> all = table(page.context().request().get(address(base + "/gradebook.csv")));
        assertThat(all).hasSize(24);
        CSVRecord ottoline = all.stream().filter(row -> row.get("First name").equals("Ottoline")).findFirst().orElseThrow();
        assertThat(List.of(ottoline.get("Must be fixed"), ottoline.get("Points"), ottoline.get("Verdict"), ottoline.get("Remarks")))
                .containsExactly(Integer.toString(handIn("ottoline.marsh").must()), "16", "needs fixing", "'=1+1 second");
        assertThat(all.stream().filter(row -> row.get("Hand-in").isEmpty()).map(row -> row.get("Verdict"))).containsOnly("").hasSize(3);
        List<CSVRecord> some = table(
                page.context().request().get(address(base + "/gradebook.csv?column=points&column=last&column=nothing")));
        assertThat(some.get(0).getParser().getHeaderNames()).containsExactly("Last name", "Points");
        List<CSVRecord> results = table(page.context().request().get(address(base + "/results.csv")));
        assertThat(results).hasSize(24)
                .allMatch(row -> row.get("lineItemSourcedId").equals("MOV120-A2") && row.get("status").equals("active"));
        assertThat(results.stream().filter(row -> row.get("studentSourcedId").equals(ottoline.get("Student number")))
                .map(row -> row.get("score"))).containsExactly("16");
    }

    @Test
    void aReportIsReadInFourForms() throws IOException {
        Page page = signIn("ottoline.marsh");
        String at = handIn("ottoline.marsh").address();
        try (PDDocument pdf = Loader.loadPDF(page.context().request().get(address(at + "/report.pdf")).body())) {
            assertThat(new PDFTextStripper().getText(pdf)).contains("MOV120_A2_Marsh_Ottoline", "6 links have a full path",
                    "Points for organisation: 16 of 20");
        }
        String html = page.context().request().get(address(at + "/report.html")).text();
        assertThat(html).contains("6 links have a full path").doesNotContain("<script", "src=", "href=");
        JsonNode sarif = JsonDocuments.MAPPER.readTree(page.context().request().get(address(at + "/report.sarif")).body());
        assertThat(sarif.path("runs").path(0).path("results").size()).isGreaterThanOrEqualTo(handIn("ottoline.marsh").must());
        assertThat(JsonDocuments.MAPPER.readTree(page.context().request().get(address(at + "/report.json")).body()).path("verdict")
                .asString("")).isEqualTo("fix");
    }

    @Test
    void projectsComeUnderTheirRootsNamesAndOnlyNewOnesTheSecondTime() throws IOException {
        Page page = signIn("quillfeather");
        String token = page.locator("meta[name=_csrf]").getAttribute("content");
        String to = address("/assignments/" + market().id() + "/downloads");
        Set<String> roots = new TreeSet<>();
        APIResponse made = page.context().request()
                .post(to, RequestOptions.create().setHeader("X-CSRF-TOKEN", token).setForm(FormData.create().set("what", "new")));
        // What takes longer than a moment has a page until it is made.
        String file = made.url().replaceFirst("/file$", "") + "/file";
        await().atMost(Duration.ofMinutes(2)).until(() -> page.context().request().get(file).status() == 200);
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(page.context().request().get(file).body()))) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                roots.add(entry.getName().replaceFirst("/.*", ""));
            }
        }
        // Packed without its folder, and with another folder's name: both lie under the name they should have.
        assertThat(roots).contains("MOV120_A2_Pellworm_Jost", "MOV120_A2_Drury_Halvard", "NOT-COPIED.txt").hasSize(22);
        goTo(page, to);
        assertThat(page.locator("main").textContent()).contains("21 hand-ins: 0 not downloaded yet, 0 graded");
        page.locator("tr", new Page.LocatorOptions().setHasText("Castellane")).getByText("Mark as graded").click();
        assertThat(page.locator("main").textContent()).contains("1 graded");
    }
}
