package org.opensatchel.core.report;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.opensatchel.core.report.Report.CarryLine;
import org.opensatchel.core.report.Report.CarryLinkLine;
import org.opensatchel.core.report.Report.FindingLine;
import org.opensatchel.core.report.Report.LinkLine;
import org.opensatchel.core.report.Report.SealedLine;
import org.opensatchel.core.resolve.CarryWording;
import tools.jackson.core.JacksonException;

/** What a page shows at once costs the same however large the report is. */
class ReportDigestTest {

    private static LinkLine link(int number, String outcome) {
        return new LinkLine("d" + number % 50 + ".otio", number + ":1", "../footage/" + number + ".mp4", "relative", outcome,
                Optional.of("footage/" + number + ".mp4").filter(path -> outcome.equals("ok")), Optional.empty(), Optional.empty(),
                Optional.empty(), Optional.empty());
    }

    private static Report report(List<LinkLine> links, List<FindingLine> findings, List<CarryLine> carry, List<SealedLine> sealed) {
        return new Report(1, Instant.EPOCH, Verdict.FIX, Optional.empty(), Optional.empty(), Optional.empty(),
                new Report.Project(Optional.of("x"), 1, 1, 1, links.size(), Optional.empty()), new Report.Counts(0, 0, 0),
                Optional.of(sealed).filter(files -> !files.isEmpty()), links, findings, List.of("links", "media"),
                Optional.of(carry).filter(lines -> !lines.isEmpty()), Optional.empty(), Optional.empty(), Optional.empty(),
                Optional.empty());
    }

    @Test
    void ofVeryManyLinksThoseThatBreakAreDrawn() {
        List<LinkLine> links = IntStream.range(0, 20_000).mapToObj(i -> link(i, i % 1_000 == 7 ? "missing" : "ok")).toList();
        ReportDigest digest = ReportDigest.of(report(links, List.of(), List.of(), List.of()));
        assertThat(digest.numbers()).hasSize(600).isSorted().contains(7, 1_007, 19_007);
        assertThat(digest.head().links()).hasSize(600).filteredOn(link -> link.outcome().equals("missing")).hasSize(20);
        assertThat(ReportDigest.pages(report(links, List.of(), List.of(), List.of()))).hasSize(200)
                .allSatisfy(page -> assertThat(page).hasSize(100));
    }

    @Test
    void longTextsAreCutInTheMiddle() {
        LinkLine endless = new LinkLine("a", "1:1", "b".repeat(300) + "😀" + "c".repeat(5_000) + "😀" + "d".repeat(299), "relative",
                "missing", Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty());
        String shown = ReportDigest.of(report(List.of(endless), List.of(), List.of(), List.of())).head().links().get(0).text();
        assertThat(shown).startsWith("bbb").endsWith("ddd").contains("…").hasSizeLessThan(620);
        assertThat(shown.codePoints().anyMatch(point -> point >= Character.MIN_SURROGATE && point <= Character.MAX_SURROGATE))
                .as("no half of a letter").isFalse();
    }

    @Test
    void theCarryTestIsCountedByDocumentAndReason() {
        List<LinkLine> links = List.of(link(0, "ok"), link(50, "missing"), link(1, "missing"), link(100, "pinned"));
        CarryLine machine = new CarryLine("lab", "Lab", 1, 3,
                List.of(new CarryLinkLine(1, "gone", Optional.of(CarryWording.MISSING.say())),
                        new CarryLinkLine(2, "gone", Optional.of(CarryWording.MISSING.say())),
                        new CarryLinkLine(3, "elsewhere", Optional.empty())),
                List.of());
        ReportDigest.Carried carried = ReportDigest.of(report(links, List.of(), List.of(machine), List.of())).carry().get(0);
        assertThat(carried.documents()).extracting(
                document -> document.document() + " " + document.links() + " " + document.breaks() + " " + document.reasons().size())
                .containsExactly("d0.otio 3 2 2", "d1.otio 1 1 1");
    }

    @Test
    void itIsTheSameAfterJson() {
        ReportDigest digest = ReportDigest.of(report(List.of(link(1, "ok")), List.of(), List.of(),
                List.of(new SealedLine("footage/a.mp4", 5, Optional.empty(), Optional.of(7L)))));
        assertThat(ReportJson.readDigest(ReportJson.bytes(digest))).isEqualTo(digest);
        assertThat(digest.head().unjudged()).containsExactly("links", "media");
    }

    /** Of a report of hundreds of megabytes only the sealed files are looked for, whatever stands before them. */
    @Test
    void sealedFilesAreReadOutOfAWholeReport() {
        Report whole = report(List.of(link(1, "ok")), List.of(), List.of(),
                List.of(new SealedLine("footage/a.mp4", 5, Optional.of("a".repeat(64)), Optional.empty())));
        assertThat(ReportJson.readSealed(new ByteArrayInputStream(ReportJson.bytes(whole)))).isEqualTo(whole.sealed().orElseThrow());
        assertThat(ReportJson.readSealed(bytes("{\"report\": 1, \"deep\": {\"sealed\": [1]}, \"links\": [{\"sealed\": 2}]}"))).isEmpty();
        assertThatThrownBy(() -> ReportJson.readSealed(bytes("[]"))).isInstanceOf(JacksonException.class);
        assertThatThrownBy(() -> ReportJson.readSealed(bytes("{\"sealed\": [{\"path\":"))).isInstanceOf(JacksonException.class);
    }

    private static ByteArrayInputStream bytes(String json) {
        return new ByteArrayInputStream(json.getBytes(StandardCharsets.UTF_8));
    }
}
