package org.opensatchel.core.project;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.opensatchel.core.check.CheckRequest;
import org.opensatchel.core.check.ProjectCheck;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.report.Report;
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
            "[] | no listing",
            "{\"listing\": 1, \"files\": []} | empty"})
    void aBrokenListingIsRefusedNamingTheEntry(String json, String says) throws IOException {
        assertThat(list(json)).isInstanceOfSatisfying(Intake.Blocked.class,
                blocked -> assertThat(Words.ENGLISH.text(blocked.what())).contains(says));
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
