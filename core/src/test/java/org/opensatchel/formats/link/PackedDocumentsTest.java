package org.opensatchel.formats.link;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.zip.GZIPOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.opensatchel.core.check.CheckRequest;
import org.opensatchel.core.check.ProjectCheck;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.project.FolderSource;
import org.opensatchel.core.report.Report;

/** Documents packed as a whole: read as what they are, and told once when they cannot be. */
class PackedDocumentsTest {

    private static final String DRAWING = "<svg xmlns='http://www.w3.org/2000/svg'><image href='gone.png'/><image href='here.png'/></svg>";

    @TempDir
    Path folder;

    private static byte[] packed(byte[] content) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (GZIPOutputStream zip = new GZIPOutputStream(out)) {
            zip.write(content);
        }
        return out.toByteArray();
    }

    private Report check(String name, byte[] content) throws IOException {
        java.nio.file.Files.write(folder.resolve(name), content);
        java.nio.file.Files.writeString(folder.resolve("here.png"), "x");
        return new ProjectCheck(CheckRequest.of(Optional.empty(), RosterFields.NONE)).run(new FolderSource(folder));
    }

    private static List<String> unreadable(Report report) {
        return report.findings().stream().filter(finding -> finding.code().equals("link.document-unreadable")).map(Report.FindingLine::path)
                .toList();
    }

    @ParameterizedTest
    @ValueSource(strings = {"a.svgz", "a.svg", "a.svg.gz"})
    void aPackedDrawingIsADrawing(String name) throws IOException {
        Report report = check(name, packed(DRAWING.getBytes(StandardCharsets.UTF_8)));
        assertThat(report.links()).extracting(Report.LinkLine::outcome).containsExactly("missing", "ok");
        assertThat(report.links()).allMatch(link -> link.sure().isEmpty());
        assertThat(unreadable(report)).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(strings = {"a.svgz", "a.scn"})
    void oneThatIsCutIsTold(String name) throws IOException {
        byte[] whole = packed(
                ("<svg xmlns='http://www.w3.org/2000/svg'>" + "<g/>".repeat(500) + "</svg>").getBytes(StandardCharsets.UTF_8));
        assertThat(unreadable(check(name, Arrays.copyOf(whole, whole.length - 12)))).containsExactly(name);
    }

    @ParameterizedTest
    @ValueSource(strings = {"a.svgz", "a.scn"})
    void aWrongChecksumIsTold(String name) throws IOException {
        byte[] wrong = packed(DRAWING.replace("svg", "loom").getBytes(StandardCharsets.UTF_8));
        byte[] drawing = packed(DRAWING.getBytes(StandardCharsets.UTF_8));
        byte[] content = name.endsWith("svgz") ? drawing : wrong;
        content[content.length - 8] ^= 1;
        assertThat(unreadable(check(name, content))).containsExactly(name);
    }

    @ParameterizedTest
    @ValueSource(strings = {"a.svgz", "a.scn", "a.wrz"})
    void oneThatUnpacksToVeryMuchMoreIsTold(String name) throws IOException {
        byte[] content = new byte[80 << 20];
        Arrays.fill(content, (byte) ' ');
        byte[] start = (name.endsWith("wrz") ? "#VRML V2.0 utf8" : "<svg xmlns='http://www.w3.org/2000/svg'>")
                .getBytes(StandardCharsets.UTF_8);
        System.arraycopy(start, 0, content, 0, start.length);
        assertThat(unreadable(check(name, packed(content)))).containsExactly(name);
    }

    @Test
    void whatOnlyBeginsLikeSomethingPackedIsLetBe() throws IOException {
        assertThat(unreadable(check("a.scn", new byte[]{0x1F, (byte) 0x8B, 8, 0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12}))).isEmpty();
    }

    /** Its tree would take many times the memory that a check has. */
    @Test
    void aTextOfVeryManyMarksIsTold() throws IOException {
        assertThat(unreadable(check("a.md", "[a](b) ".repeat(300_000).getBytes(StandardCharsets.UTF_8)))).containsExactly("a.md");
        assertThat(unreadable(
                check("a.md", "a line of a long text, in which nothing is marked\n".repeat(150_000).getBytes(StandardCharsets.UTF_8))))
                .as("a long text").isEmpty();
    }

    @Test
    void aPartTakenInFromOutsideIsNeverOpenedAndTold() throws IOException {
        String outside = "<!DOCTYPE MPD [<!ENTITY x SYSTEM 'file:///etc/passwd'>]><MPD xmlns='urn:mpeg:dash:schema:mpd:2011'><BaseURL>&x;</BaseURL></MPD>";
        assertThat(unreadable(check("a.mpd", outside.getBytes(StandardCharsets.UTF_8)))).containsExactly("a.mpd");
    }
}
