package org.opensatchel.cli;

import static org.assertj.core.api.Assertions.assertThat;

import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

class CheckCommandTest {

    @TempDir
    Path temp;
    private Path project;
    private String out;
    private String err;

    @BeforeEach
    void project() throws IOException {
        project = Files.createDirectories(temp.resolve("MOV120_A2_Marsh_Ottoline"));
        Files.createDirectories(project.resolve("pictures"));
        Files.writeString(project.resolve("pictures/arrow.svg"), "<svg xmlns=\"http://www.w3.org/2000/svg\"/>");
        Files.writeString(project.resolve("index.html"), "<img src=\"pictures/arrow.svg\">");
    }

    private int run(String... args) {
        ByteArrayOutputStream outBytes = new ByteArrayOutputStream();
        ByteArrayOutputStream errBytes = new ByteArrayOutputStream();
        int status = Satchel.run(new PrintStream(outBytes, true, StandardCharsets.UTF_8),
                new PrintStream(errBytes, true, StandardCharsets.UTF_8), args);
        out = outBytes.toString(StandardCharsets.UTF_8);
        err = errBytes.toString(StandardCharsets.UTF_8);
        return status;
    }

    @Test
    void aCleanProjectEndsWithZero() {
        assertThat(run("check", project.toString())).isZero();
        assertThat(out).startsWith("MOV120_A2_Marsh_Ottoline: ready");
        assertThat(err).isEmpty();
    }

    @Test
    void readyWithDoubtsSaysSoAndEndsWithZero() throws IOException {
        Files.createDirectories(project.resolve("edit"));
        Files.writeString(project.resolve("edit/cut.xyz"), "clip = \"../pictures/lamp.png\"\nclip = \"../pictures/gone.png\"\n");
        Files.write(project.resolve("pictures/lamp.png"), new byte[]{(byte) 0x89, 'P', 'N', 'G', 13, 10, 26, 10});
        assertThat(run("check", project.toString())).isZero();
        assertThat(out).contains("ready, with doubts")
                .contains("1 link in “edit/cut.xyz” may be broken: this format is not described yet.");
        assertThat(run("check", project.toString(), "--format", "json")).isZero();
        assertThat(out).contains("\"doubts\":{\"links\":1,\"documents\":[\"edit/cut.xyz\"]");
        assertThat(run("check", project.toString(), project.toString())).isZero();
        assertThat(out).contains("ready, with doubts");
    }

    @Test
    void somethingToFixEndsWithOne() throws IOException {
        Files.writeString(project.resolve("index.html"), "<img src=\"pictures/gone.svg\">");
        assertThat(run("check", project.toString())).isEqualTo(1);
        assertThat(out).contains("link.missing", "index.html:1:11", "“pictures/gone.svg” is not in the folder");
    }

    @Test
    void aBlockedProjectEndsWithTwoAndIsReportedToo() throws IOException {
        Path zip = Files.writeString(temp.resolve("no.zip"), "nothing like an archive");
        assertThat(run("check", zip.toString(), "--format", "json")).isEqualTo(2);
        assertThat(err.lines()).singleElement().satisfies(line -> assertThat(line).contains("no.zip"));
        assertThat(out).contains("\"verdict\":\"blocked\"", "package.unreadable");
    }

    @Test
    void severalProjectsGetALineEachAndTheWorstStatusWins() throws IOException {
        Path zip = Files.writeString(temp.resolve("no.zip"), "x");
        assertThat(run("check", project.toString(), zip.toString())).isEqualTo(2);
        assertThat(out.lines()).hasSize(2).first().asString().startsWith("ready");
        assertThat(run("check", project.toString(), project.toString(), "--format", "json")).isZero();
        assertThat(out.lines()).hasSize(2).allSatisfy(line -> assertThat(line).startsWith("{\"report\":1"));
    }

    static Stream<Arguments> misuses() {
        return Stream.of(
                Arguments.of("exist", new String[]{"check", "/no/such/place"}),
                Arguments.of("no folder", new String[]{"check", "https://x.example/a.zip"}),
                Arguments.of("no folder", new String[]{"check", "-"}),
                Arguments.of("device", new String[]{"check", "/dev/null"}),
                Arguments.of("“colour”", new String[]{"check", "PROJECT", "--for", "colour=red"}),
                Arguments.of("twice", new String[]{"check", "PROJECT", "--for", "last=a,last=b"}),
                Arguments.of("twice", new String[]{"check", "PROJECT", "--for", "last=a", "--for", "last=b"}),
                Arguments.of("one PROJECT", new String[]{"check", "PROJECT", "PROJECT", "--for", "last=a"}),
                Arguments.of("--colour", new String[]{"check", "PROJECT", "--colour"}),
                Arguments.of("yaml", new String[]{"check", "PROJECT", "--format", "yaml"}),
                Arguments.of("PROJECT", new String[]{"check"}),
                Arguments.of("positive", new String[]{"check", "PROJECT", "--max-files", "0"}),
                Arguments.of("/folders/0/need", new String[]{"check", "PROJECT", "--kit", "KIT"}),
                Arguments.of("no file", new String[]{"check", "PROJECT", "--kit", "/no/kit.json"}),
                Arguments.of("@args", new String[]{"check", "@args"}));
    }

    @ParameterizedTest
    @MethodSource("misuses")
    void misuseIsOneLineAndStatusTwo(String says, String[] args) throws IOException {
        Path kit = Files.writeString(temp.resolve("bad.kit.json"),
                "{\"kit\": 1, \"title\": \"T\", \"root\": {\"name\": \"a\"}, \"folders\": [{\"path\": \"a\", \"need\": \"maybe\"}]}");
        String[] real = Stream.of(args).map(arg -> arg.equals("PROJECT") ? project.toString() : arg.equals("KIT") ? kit.toString() : arg)
                .toArray(String[]::new);
        assertThat(run(real)).isEqualTo(2);
        assertThat(err.lines()).singleElement()
                .satisfies(line -> assertThat(line).startsWith("satchel: ").contains(says).doesNotContain("Exception", "java."));
    }

    @Test
    void hostileNamesReachTheTerminalDefused() throws IOException {
        Files.writeString(project.resolve("pictures/a\u202eb\u001b[31m.png"), "x");
        run("check", project.toString());
        assertThat(out).contains("\\u202e", "\\u001b").doesNotContain("\u202e", "\u001b");
    }

    @Test
    void aCommaInAValueIsEscaped() throws IOException {
        Path kit = Files.writeString(temp.resolve("k.kit.json"),
                "{\"kit\": 1, \"title\": \"T\", \"root\": {\"name\": \"MOV120_A2_{last}\"}}");
        run("check", project.toString(), "--kit", kit.toString(), "--for", "last=Marsh\\,_Ottoline");
        assertThat(out).contains("name.root", "Marsh,_Ottoline");
    }

    @Test
    void nothingIsWrittenIntoTheProject() throws IOException {
        run("check", project.toString());
        try (Stream<Path> files = Files.walk(project)) {
            assertThat(files.filter(Files::isRegularFile)).hasSize(2);
        }
    }

    @Test
    void aProjectIsCarriedToMachines() throws IOException {
        Files.writeString(project.resolve("index.html"), "<img src=\"Pictures/arrow.svg\"><img src=\"https://example.org/a.png\">");
        Path own = Files.writeString(temp.resolve("own.json"), "{\"machine\": 1, \"name\": \"cellar\", \"system\": \"linux\"}");
        run("check", project.toString(), "--machine", "lab-windows", "--machine", own.toString());
        assertThat(out).contains("lab-windows     2 links open, 0 break", "cellar          0 links open, 2 break",
                "“Pictures/arrow.svg”: “arrow.svg” is another name there: capitals counts", "the web cannot be reached from there");
        run("check", project.toString(), "--machine", "cellar");
        assertThat(err).isEqualTo(
                "satchel: There is no machine “cellar”, and no file of that name. Known are lab-windows, lab-mac, lab-linux, drive-fat32, drive-exfat, render-linux, instructor.\n");
        Files.writeString(own, "{\"machine\": 1, \"name\": \"x\", \"system\": \"linux\", \"speed\": 3}");
        assertThat(run("check", project.toString(), "--machine", own.toString())).isEqualTo(2);
        assertThat(err).contains("/speed: There is no key “speed” here.");
    }

    /** Against the schema of the standard itself. */
    @Test
    void theSarifLogAgreesWithItsSchema() throws IOException {
        Files.writeString(project.resolve("index.html"),
                "<img src=\"pictures/gone äß.svg\">\n<img src=\"pictures/Arrow.svg\"><a href=https://example.org/>");
        Path other = Files.createDirectories(temp.resolve("other"));
        Files.writeString(other.resolve("broken.otio"), "{\"OTIO_SCHEMA\": ");
        assertThat(run("check", project.toString(), other.toString(), "--format", "sarif")).isEqualTo(1);
        Schema schema = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                .getSchema(CheckCommandTest.class.getResourceAsStream("/sarif-2.1.0.json"));
        assertThat(schema.validate(out, InputFormat.JSON)).isEmpty();
        assertThat(schema.validate(out.replace("\"level\":\"error\"", "\"level\":\"awful\""), InputFormat.JSON)).isNotEmpty();
        assertThat(out).contains("\"ruleId\":\"link.missing\"", "\"startLine\":1,\"startColumn\":11", "\"level\":\"warning\"")
                .containsOnlyOnce("\"version\":\"2.1.0\"");
        assertThat(run("check", temp.resolve("none").toString(), "--format", "sarif")).isEqualTo(2);
        assertThat(schema.validate(out, InputFormat.JSON)).isEmpty();
    }

    @Test
    void formatsAndCodesAreExplained() {
        assertThat(run("formats")).isZero();
        assertThat(out).contains("OpenTimelineIO timeline          .otio\n").contains(".usda").contains(".sfz");
        assertThat(run("formats", "--format", "json")).isZero();
        assertThat(out).contains("\"extensions\" : [ \"edl\" ]");
        assertThat(run("explain", "link.pinned")).isZero();
        assertThat(out)
                .startsWith("link.pinned  (must, unless the kit says otherwise)\nA link has a full path: it works on one computer only.\n")
                .contains("Why it matters: ", "  1. ");
        assertThat(run("explain")).isZero();
        assertThat(out).contains("link.cycle                     should  Documents include one another in a circle");
        assertThat(run("explain", "pinned")).isEqualTo(2);
        assertThat(err).isEqualTo("satchel: There is no finding “pinned”. Did you mean “link.pinned”?\n");
        assertThat(run("explain", "zzz")).isEqualTo(2);
        assertThat(err).contains("satchel explain lists all codes");
    }

    @Test
    void findingsOfAKindStandTogether() throws IOException {
        Files.writeString(project.resolve("index.html"), "<img src=\"pictures/one.svg\">\n<img src=\"pictures/two.svg\">");
        run("check", project.toString());
        assertThat(out).contains("◆ must  link.missing  index.html\n  2 linked files are missing:\n  1:11  “pictures/one.svg”",
                "  2:11  “pictures/two.svg”").containsOnlyOnce("Look for the files on your disk");
        for (int i = 0; i < 20; i++) {
            Files.write(project.resolve("pictures/spare_" + i + ".png"), new byte[]{(byte) 0x89, 'P', 'N', 'G', 13, 10, 26, 10, (byte) i});
        }
        run("check", project.toString());
        assertThat(out).contains("○ note  asset.unused\n  20 files are linked from nowhere:", "and 8 more of the same kind");
    }

    @Test
    void theSameIsSaidInAnotherLanguage() throws IOException {
        Files.writeString(project.resolve("index.html"), "<img src=\"pictures/one.svg\">\n<img src=\"pictures/two.svg\">");
        run("check", project.toString(), "--language", "de");
        assertThat(out).contains("2 verknüpfte Dateien fehlen:", "„pictures/one.svg“ ist nicht im Ordner.");
        run("--language", "de", "explain", "link.pinned");
        assertThat(out).contains("Eine Verknüpfung hat einen vollen Pfad: Sie geht nur auf einem Rechner.", "Warum es wichtig ist: ");
        assertThat(run("check", temp.resolve("none").toString(), "--language", "de")).isEqualTo(2);
        assertThat(err).contains("gibt es nicht");
    }

    @Test
    void projectsThatAreNotThereAreToldInOneLine() {
        String[] many = Stream
                .concat(Stream.of("check"), Stream.iterate(1, i -> i + 1).limit(20).map(i -> temp.resolve("none" + i).toString()))
                .toArray(String[]::new);
        assertThat(run(many)).isEqualTo(2);
        assertThat(err.lines()).singleElement().asString().contains("20 of 20 projects do not exist", "none1", "17 more");
        assertThat(run("check", project.toString(), temp.resolve("a").toString(), temp.resolve("b").toString())).isEqualTo(2);
        assertThat(err.lines()).singleElement().asString().contains("2 of 3 projects do not exist");
        assertThat(out).contains(project.getFileName().toString());
    }

    @Test
    void aProjectWithoutANameIsNotTheFolderOneStandsIn() {
        assertThat(run("check", "")).isEqualTo(2);
        assertThat(err).contains("A project without a name");
        assertThat(out).isEmpty();
    }

    @ParameterizedTest
    @org.junit.jupiter.params.provider.ValueSource(strings = {"/", "\\", "file:///"})
    void theTopOfADiskIsAPlaceToo(String location) {
        assertThat(run("check", project.toString(), "--location", location)).isEqualTo(1);
        assertThat(out).contains("location.parent").doesNotContain("rule-failed");
    }
}
