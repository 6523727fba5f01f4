package org.opensatchel.core.project;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.opensatchel.core.check.CheckRequest;
import org.opensatchel.core.check.ProjectCheck;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.KitReader;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.report.Report;
import org.opensatchel.core.report.Verdict;
import org.opensatchel.core.words.Words;

class ListingSourceTest {

    @TempDir
    Path temp;

    private Intake list(String json) throws IOException {
        Path file = Files.writeString(temp.resolve("listing.json"), json);
        return new ListingSource(file, Optional.empty()).list(ReadLimits.DEFAULT);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '`', value = {
            "{\"listing\": 1, \"files\": [{\"path\": \"a\", \"bytes\": -1}]} | “a”",
            "{\"listing\": 1, \"files\": [{\"path\": \"a\", \"bytes\": 1.5}]} | “a”",
            "{\"listing\": 1, \"files\": [{\"path\": \"a\", \"bytes\": 99999999999999999999}]} | “a”",
            "{\"listing\": 1, \"files\": [{\"path\": \"a\"}]} | “a”",
            "{\"listing\": 1, \"files\": [{\"bytes\": 1}]} | Entry 0",
            "{\"listing\": 1, \"files\": [{\"path\": \"a\", \"bytes\": 1, \"sha256\": \"zz\"}]} | “a”",
            "{\"listing\": 1, \"files\": [{\"path\": \"a\", \"bytes\": 1}, {\"path\": \"./a\", \"bytes\": 1}]} | twice",
            "{\"files\": [{\"path\": \"a\", \"bytes\": 1}]} | no listing",
            "{\"listing\": 1, \"files\": [] | JSON",
            "{\"listing\": 1, \"files\": [{\"path\": \"a\", \"bytes\": 1}]} x | JSON",
            "{\"listing\": 1, \"root\": \"..\", \"files\": [{\"path\": \"a\", \"bytes\": 1}]} | name of a folder",
            "{\"listing\": 1, \"root\": \"/\", \"files\": [{\"path\": \"a\", \"bytes\": 1}]} | name of a folder",
            "{\"listing\": 1, \"root\": \"a\\\\b\", \"files\": [{\"path\": \"a\", \"bytes\": 1}]} | name of a folder",
            "{\"listing\": 1, \"files\": [{\"path\": \"a\", \"bytes\": 1}, {\"path\": \"a/b\", \"bytes\": 1}]} | “a” stands in this listing as a file and as a folder",
            "{\"listing\": 1, \"files\": [{\"path\": \"a\", \"bytes\": 1}], \"folders\": [\"a\"]} | as a file and as a folder",
            "{\"listing\": 1, \"files\": [{\"path\": \"a\", \"bytes\": 1, \"placeholder\": \"yes\"}]} | no true or false as “placeholder”",
            "{\"listing\": 1, \"files\": [{\"path\": \"a\", \"bytes\": 1}], \"emptyFolders\": \"no\"} | no true or false as “emptyFolders”",
            "[] | no listing",
            "{\"listing\": 1, \"files\": []} | empty"})
    void aBrokenListingIsRefusedNamingTheEntry(String json, String says) throws IOException {
        assertThat(list(json)).isInstanceOfSatisfying(Intake.Blocked.class,
                blocked -> assertThat(Words.ENGLISH.text(blocked.what())).contains(says));
    }

    @Test
    void aPathThatNoComputerOpensIsRefusedInAShortSentence() throws IOException {
        for (String path : new String[]{"a".repeat(1 << 20), "a/".repeat(1 << 19) + "b"}) {
            assertThat(list("{\"listing\": 1, \"files\": [{\"path\": \"" + path + "\", \"bytes\": 1}]}")).isInstanceOfSatisfying(
                    Intake.Blocked.class,
                    blocked -> assertThat(Words.ENGLISH.text(blocked.what())).contains("longer than the 32,767 characters")
                            .hasSizeLessThan(200));
            assertThat(list("{\"listing\": 1, \"files\": [{\"path\": \"x\", \"bytes\": 1}], \"folders\": [\"" + path + "\"]}"))
                    .isInstanceOf(Intake.Blocked.class);
        }
    }

    /** Where documents may stand that come with a list, and how the list may name them. */
    @ParameterizedTest
    @CsvSource({"edit/a.html, edit/a.html", "edit/a.html, R/edit/a.html", "edit/a.html, r/edit/a.html", "R/edit/a.html, edit/a.html",
            "edit/caf\u00e9.html, edit/cafe\u0301.html", "edit/a.html, other/edit/a.html", "edit/a.html, a.html"})
    void documentsAreFoundWithAndWithoutTheRoot(String listed, String given) throws IOException {
        Path documents = temp.resolve("documents");
        Files.createDirectories(documents.resolve(given).getParent());
        Files.writeString(documents.resolve(given), "<img src=gone.png>");
        Path listing = Files.writeString(temp.resolve("listing.json"),
                "{\"listing\": 1, \"root\": \"R\", \"files\": [{\"path\": \"" + listed + "\", \"bytes\": 18}, {\"path\": \""
                        + (listed.startsWith("R/") ? "R/" : "") + "z.html\", \"bytes\": 1}]}");
        boolean found = !given.startsWith("other") && !given.equals("a.html");
        try (ListingSource source = new ListingSource(listing, Optional.of(new FolderSource(documents)))) {
            Report report = new ProjectCheck(CheckRequest.of(Optional.empty(), RosterFields.NONE)).run(source);
            assertThat(report.links()).hasSize(found ? 1 : 0);
            String at = listed.startsWith("R/") ? listed.substring(2) : listed;
            assertThat(report.notChecked()).contains("links: z.html");
            assertThat(report.notChecked().contains("links: " + at)).isNotEqualTo(found);
            assertThat(Words.ENGLISH.notChecked(report.notChecked()).toString()).contains("z.html");
        }
    }

    private Path packet(String... members) throws IOException {
        Path zip = Files.createTempFile(temp, "packet", ".zip");
        try (ZipOutputStream out = new ZipOutputStream(Files.newOutputStream(zip))) {
            for (int i = 0; i < members.length; i += 2) {
                out.putNextEntry(new ZipEntry(members[i]));
                out.write(members[i + 1].getBytes(StandardCharsets.UTF_8));
            }
        }
        return zip;
    }

    private Report check(Path packet, Optional<Kit> kit) throws IOException {
        try (ListingSource source = ListingSource.packet(packet)) {
            return new ProjectCheck(CheckRequest.of(kit, RosterFields.NONE)).run(source);
        }
    }

    @Test
    void aPacketHoldsTheListAndTheDocuments() throws IOException {
        Report report = check(packet("listing.json",
                "{\"listing\": 1, \"root\": \"R\", \"files\": [{\"path\": \"edit/a.html\", \"bytes\": 20}, {\"path\": \"edit/b.html\", \"bytes\": 9}, {\"path\": \"pics/x.png\", \"bytes\": 9000000000}]}",
                "documents/edit/a.html", "<img src=../pics/x.png>", "documents/nowhere.html", "<img src=y.png>", "other/z.html", "<p>"),
                Optional.empty());
        assertThat(report.links()).singleElement().satisfies(link -> assertThat(link.outcome()).isEqualTo("ok"));
        assertThat(report.project().files()).isEqualTo(3);
        assertThat(report.project().bytes()).isEqualTo(9_000_000_029L);
        assertThat(report.notChecked()).containsExactly("links: edit/b.html");
    }

    @Test
    void aPacketWithoutAListIsNone() throws IOException {
        assertThat(check(packet("documents/a.html", "<p>"), Optional.empty()).verdict()).isEqualTo(Verdict.BLOCKED);
        Path broken = Files.writeString(temp.resolve("broken.zip"), "no archive");
        assertThat(check(broken, Optional.empty()).verdict()).isEqualTo(Verdict.BLOCKED);
    }

    /** What a browser that tells of files only cannot know: whether a planned folder is there and empty. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
            "true  | structure.folder-missing notes, structure.folder-missing story, structure.managed-gone cache",
            "false | structure.too-few story"})
    void emptyFoldersThatNobodySawAreNotMissed(boolean seen, String told) throws IOException {
        Kit kit = KitReader.read(
                ("{\"kit\": 1, \"title\": \"K\", \"root\": {\"name\": \"R\"}, \"folders\": [{\"path\": \"notes\"}, {\"path\": \"story\", \"atLeast\": 1},"
                        + "{\"path\": \"cache\", \"managed\": true}]}").getBytes(StandardCharsets.UTF_8))
                .kit().orElseThrow();
        Report report = check(packet("listing.json",
                "{\"listing\": 1, \"root\": \"R\", \"emptyFolders\": " + seen
                        + ", \"files\": [{\"path\": \"START-HERE.html\", \"bytes\": 2}]}"),
                Optional.of(kit));
        assertThat(
                report.findings().stream().filter(finding -> finding.code().startsWith("structure") && !finding.severity().equals("note"))
                        .map(finding -> finding.code() + " " + finding.path()).sorted().collect(Collectors.joining(", ")))
                .isEqualTo(told);
        assertThat(report.notChecked().contains("folders")).isNotEqualTo(seen);
    }

    @Test
    void whatLeadsOutIsUnsafeAndUnknownKeysArePassedOver() throws IOException {
        Intake intake = list(
                "{\"listing\": 1, \"root\": \"R\", \"more\": {\"x\": [1]}, \"files\": [{\"path\": \"../../a\", \"bytes\": 1}, {\"path\": \"../Take Store/a.wav\", \"bytes\": 1, \"new\": []}, "
                        + "{\"path\": \"b\\\\c.txt\", \"bytes\": 0, \"placeholder\": true, \"time\": \"2026-11-25T10:00:00Z\"}], \"folders\": [\"edit/autosave\"]}");
        SourceListing listing = ((Intake.Opened) intake).listing();
        assertThat(listing.faults()).singleElement().satisfies(fault -> assertThat(fault.code()).isEqualTo(Code.PACKAGE_UNSAFE_ENTRY));
        assertThat(listing.files()).extracting(SourceEntry::path).containsExactly("../Take Store/a.wav", "b/c.txt");
        assertThat(listing.files().get(1).placeholder()).isTrue();
        assertThat(listing.name()).contains("R");
    }
}
