package org.opensatchel.core.check;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.project.FolderSource;
import org.opensatchel.core.project.ProjectSource;
import org.opensatchel.core.project.ReadLimits;
import org.opensatchel.core.project.ReadLimits.Sums;
import org.opensatchel.core.project.ZipSource;
import org.opensatchel.core.project.Zips;
import org.opensatchel.core.report.Report;
import org.opensatchel.core.report.Report.FindingLine;
import org.opensatchel.core.report.ReportJson;
import org.opensatchel.core.scan.Workers;

/**
 * Projects of which every document keeps its limits and all of them together do not: each sum is kept, told, and told the same however
 * many threads there are.
 */
class HostileSumsTest {

    private static final int PAGES = 100;
    private static final Sums WIDE = Sums.DEFAULT;

    @TempDir
    Path folder;

    private Report check(Map<String, String> files, Sums sums) throws IOException {
        try (ProjectSource source = ZipSource.open(Zips.of(folder, files))) {
            return check(source, sums);
        }
    }

    private static Report check(ProjectSource source, Sums sums) throws IOException {
        return new ProjectCheck(
                CheckRequest.of(Optional.empty(), RosterFields.NONE).at(Instant.EPOCH).within(ReadLimits.DEFAULT.within(sums))).run(source);
    }

    /** A hundred pages with ten links each, all of them broken. */
    private static Map<String, String> pages() {
        return IntStream.range(0, PAGES).boxed().collect(Collectors.toMap("P/p%02d.html"::formatted,
                page -> IntStream.range(0, 10).mapToObj(link -> "<img src=\"gone-" + page + "-" + link + ".png\">")
                        .collect(Collectors.joining()),
                (a, b) -> a, LinkedHashMap::new));
    }

    private static List<String> notRead(Report report) {
        return report.findings().stream().filter(finding -> finding.code().equals("link.document-unreadable")).map(FindingLine::message)
                .toList();
    }

    @Test
    void linksOfAllDocumentsAreCounted() throws IOException {
        Report report = check(pages(),
                new Sums(200, WIDE.linkText(), WIDE.documentBytes(), WIDE.findings(), WIDE.candidates(), WIDE.hashedBytes()));
        assertThat(report.links()).hasSize(210);
        assertThat(notRead(report)).hasSize(PAGES - 21)
                .allSatisfy(message -> assertThat(message).contains("the documents before it name more than 200 files already"));
        assertThat(notRead(report).get(0)).contains("p21.html");
    }

    @Test
    void charactersOfAllLinksAreCounted() throws IOException {
        Report report = check(pages(),
                new Sums(WIDE.links(), 3_000, WIDE.documentBytes(), WIDE.findings(), WIDE.candidates(), WIDE.hashedBytes()));
        assertThat(notRead(report)).isNotEmpty()
                .allSatisfy(message -> assertThat(message).contains("in more than 3,000 characters already"));
        assertThat(report.links()).hasSize((PAGES - notRead(report).size()) * 10);
    }

    @Test
    void bytesInMemoryAreCountedAndADocumentReadAsAStreamStillIsRead() throws IOException {
        Map<String, String> files = pages();
        files.put("P/z.svg", "<svg xmlns=\"http://www.w3.org/2000/svg\"><image href=\"gone.png\"/></svg>");
        Report report = check(files,
                new Sums(WIDE.links(), WIDE.linkText(), 1_000, WIDE.findings(), WIDE.candidates(), WIDE.hashedBytes()));
        assertThat(notRead(report)).isNotEmpty().allSatisfy(message -> assertThat(message).contains("are longer than 1 kB together"));
        assertThat(report.links()).extracting(Report.LinkLine::document).contains("p00.html", "z.svg").doesNotContain("p99.html");
    }

    @Test
    void findingsOfAllCodesAreCountedAndTheRestIsToldByItsNumber() throws IOException {
        Report report = check(pages(),
                new Sums(WIDE.links(), WIDE.linkText(), WIDE.documentBytes(), 50, WIDE.candidates(), WIDE.hashedBytes()));
        assertThat(report.findings()).hasSize(51);
        assertThat(report.findings()).extracting(FindingLine::message).contains("And 950 more of the same kind.");
    }

    @Test
    void candidatesAreCountedAndTheLastLinksGoWithout() throws IOException {
        Map<String, String> files = pages();
        IntStream.range(0, 10).forEach(i -> files.put("P/elsewhere/gone-0-" + i + ".png", "x"));
        Report report = check(files, new Sums(WIDE.links(), WIDE.linkText(), WIDE.documentBytes(), WIDE.findings(), 3, WIDE.hashedBytes()));
        assertThat(report.notChecked()).containsExactly("candidates");
        assertThat(report.links()).filteredOn(link -> link.outcome().equals("moved")).hasSize(10)
                .allSatisfy(link -> assertThat(link.candidates()).isPresent());
    }

    @Test
    void hashedBytesAreCounted() throws IOException {
        Map<String, String> files = new LinkedHashMap<>(Map.of("P/a.bin", "same", "P/b.bin", "same", "P/c.bin", "same"));
        Report report = check(files, new Sums(WIDE.links(), WIDE.linkText(), WIDE.documentBytes(), WIDE.findings(), WIDE.candidates(), 8));
        assertThat(report.notChecked()).containsExactly("hashes");
    }

    @Test
    void whatIsToldDoesNotDependOnTheThreads() throws IOException {
        Sums tight = new Sums(200, 4_000, 30_000, 60, 5, 100);
        byte[] two = ReportJson.bytes(check(pages(), tight));
        System.setProperty(Workers.THREADS_PROPERTY, "1");
        try {
            assertThat(ReportJson.bytes(check(pages(), tight))).isEqualTo(two);
        } finally {
            System.clearProperty(Workers.THREADS_PROPERTY);
        }
    }

    @Test
    void aFileThatClaimsTerabytesOfNothingIsSampled() throws IOException {
        Path project = Files.createDirectory(folder.resolve("P"));
        try (RandomAccessFile film = new RandomAccessFile(project.resolve("film.mp4").toFile(), "rw");
                RandomAccessFile late = new RandomAccessFile(project.resolve("late.mp4").toFile(), "rw")) {
            film.setLength(1L << 40);
            late.setLength(1L << 39);
            late.seek((1L << 39) - 1);
            late.write(1);
        }
        try (ProjectSource source = new FolderSource(project)) {
            assertThat(check(source, WIDE).findings()).filteredOn(finding -> finding.code().equals("package.placeholder"))
                    .extracting(FindingLine::path).containsExactly("film.mp4");
        }
    }
}
