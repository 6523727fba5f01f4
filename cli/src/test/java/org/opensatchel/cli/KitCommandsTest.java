package org.opensatchel.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.util.HexFormat;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.opensatchel.base.json.JsonDocuments;
import tools.jackson.databind.JsonNode;

/** {@code satchel kit …} and {@code satchel name …}, with their exit statuses. */
class KitCommandsTest {

    private static final String FOR = "last=Marsh,first=Ottoline,course=MOV 120";

    @TempDir
    Path temp;
    private Path kit;
    private Path starter;
    private String out;
    private String err;

    @BeforeEach
    void kit() throws Exception {
        byte[] brief = "<p>What to do</p>".getBytes(StandardCharsets.UTF_8);
        starter = Files.createDirectories(temp.resolve("starter"));
        Files.write(Files.createDirectories(starter.resolve("story")).resolve("brief.html"), brief);
        kit = write("k.kit.json", "wav", "{last}_final", HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(brief)),
                brief.length);
    }

    private Path write(String name, String accepts, String pattern, String sha256, int bytes) throws IOException {
        return Files.writeString(temp.resolve(name),
                """
                        {"kit": 1, "title": "Night Market Ident", "version": 2, "assignment": "A2", "root": {"name": "{course}_{assignment}_{last}_{first}"}, "names": {"spaces": "forbid"},
                         "folders": [{"path": "story"}, {"path": "sound", "accepts": ["%s"]}, {"path": "delivery", "accepts": ["mp4"]}],
                         "files": [{"role": "Film", "in": "delivery", "name": "%s", "types": ["mp4"]}],
                         "starter": [{"path": "story/brief.html", "sha256": "%s", "bytes": %d}]}"""
                        .formatted(accepts, pattern, sha256, bytes));
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

    private JsonNode json() {
        return JsonDocuments.MAPPER.readTree(out);
    }

    @Test
    void aGoodKitMayGoOut() {
        assertThat(run("kit", "lint", kit.toString(), "--starter", starter.toString())).as(out + err).isZero();
        assertThat(out).contains("Night Market Ident, version 2: may go out");
        assertThat(run("kit", "lint", kit.toString())).isZero();
        assertThat(out).contains("--starter DIR");
    }

    @Test
    void aFaultyKitIsToldWithItsPlace() throws IOException {
        Path faulty = write("faulty.kit.json", "wav", "{last} final", "0".repeat(64), 17);
        assertThat(run("kit", "lint", faulty.toString(), "--starter", starter.toString(), "--format", "json")).isEqualTo(1);
        assertThat(json().at("/publishable").booleanValue()).isFalse();
        assertThat(json().at("/faults").valueStream().map(fault -> fault.at("/code").stringValue() + " " + fault.at("/at").stringValue())
                .toList())
                .containsExactlyInAnyOrder("kit.starter-differs /starter/0", "kit.name-contradiction /files/0/name");
    }

    @Test
    void whatCannotBeReadEndsWithTwoAndOneLine() throws IOException {
        Path broken = Files.writeString(temp.resolve("broken.kit.json"), "{\"kit\": 1, \"title\": \"t\", \"root\": {\"name\": \"{lst}\"}}");
        for (List<String> command : List.of(List.of("kit", "lint", broken.toString()),
                List.of("kit", "lint", temp.resolve("none").toString()), List.of("kit", "diff", kit.toString(), broken.toString()),
                List.of("kit", "propose", temp.resolve("none").toString()),
                List.of("kit", "handout", kit.toString(), "--for", FOR, "-o", temp.resolve("o.zip").toString()),
                List.of("kit", "handout", kit.toString(), "--for", "last=Marsh", "--starter", starter.toString(), "-o",
                        temp.resolve("o.zip").toString()),
                List.of("kit", "handout", kit.toString(), "--for", FOR, "--starter", starter.toString(), "-o",
                        temp.resolve("no/o.zip").toString()),
                List.of("kit", "lint"), List.of("kit", "nothing"), List.of("name", "test", "{lst}", "x"), List.of("name", "test", "{last}"),
                List.of("kit", "lint", kit.toString(), "--format", "xml"))) {
            assertThat(run(command.toArray(String[]::new))).as(command.toString()).isEqualTo(2);
            assertThat(err.lines()).as(command.toString()).singleElement()
                    .satisfies(line -> assertThat(line).startsWith("satchel: ").doesNotContain("Exception"));
            assertThat(out).as(command.toString()).isEmpty();
        }
        assertThat(temp.resolve("o.zip")).doesNotExist();
    }

    @Test
    void aHandOutIsTheSameBytesTwice() throws IOException {
        Path first = temp.resolve("one.zip");
        Path second = temp.resolve("two.zip");
        assertThat(run("kit", "handout", kit.toString(), "--for", FOR, "--starter", starter.toString(), "-o", first.toString())).as(err)
                .isZero();
        assertThat(run("kit", "handout", kit.toString(), "--for", FOR, "--starter", starter.toString(), "-o", second.toString())).isZero();
        assertThat(first).hasBinaryContent(Files.readAllBytes(second));
        try (ZipFile zip = new ZipFile(first.toFile())) {
            assertThat(zip.stream().map(ZipEntry::getName).toList()).contains("MOV120_A2_Marsh_Ottoline/story/brief.html",
                    "MOV120_A2_Marsh_Ottoline/delivery/");
        }
        try (var left = Files.list(temp)) {
            assertThat(left.map(path -> path.getFileName().toString()).filter(name -> name.startsWith(".satchel")).toList()).isEmpty();
        }
    }

    @Test
    void aStarterFileThatChangedIsNotHandedOut() throws IOException {
        Files.writeString(starter.resolve("story/brief.html"), "something else!!!");
        assertThat(run("kit", "handout", kit.toString(), "--for", FOR, "--starter", starter.toString(), "-o",
                temp.resolve("o.zip").toString())).isEqualTo(2);
        assertThat(err).contains("story/brief.html");
    }

    @Test
    void differencesAreSaidInWords() throws IOException {
        Path other = write("other.kit.json", "flac", "{last}_final", "0".repeat(64), 17);
        assertThat(run("kit", "diff", kit.toString(), kit.toString())).isZero();
        assertThat(run("kit", "diff", kit.toString(), other.toString())).isEqualTo(1);
        assertThat(out.lines()).containsExactly("“sound” now accepts flac.", "“sound” no longer accepts wav.",
                "The starter file “story/brief.html” has another content.");
        assertThat(run("kit", "diff", kit.toString(), other.toString(), "--format", "json")).isEqualTo(1);
        assertThat(json().at("/changes/0/part").stringValue()).isEqualTo("folders");
    }

    @Test
    void aProposalIsAKitThatCanBeUsedAtOnce() throws IOException {
        Path project = Files.createDirectories(temp.resolve("MOV120_A2_Marsh_Ottoline"));
        Files.writeString(Files.createDirectories(project.resolve("pages")).resolve("start.html"), "<img src=\"../pictures/arrow.svg\">");
        Files.writeString(Files.createDirectories(project.resolve("pictures")).resolve("arrow.svg"),
                "<svg xmlns=\"http://www.w3.org/2000/svg\"/>");
        assertThat(run("kit", "propose", project.toString())).isZero();
        assertThat(out).contains("folder    pages", "root      {course}_{assignment}_{last}_{first}");
        assertThat(run("kit", "propose", project.toString(), "--format", "json")).isZero();
        Path proposed = Files.writeString(temp.resolve("p.kit.json"), out);
        assertThat(run("check", project.toString(), "--kit", proposed.toString(), "--for", FOR + ",assignment=A2")).as(out + err).isZero();
        assertThat(run("kit", "lint", proposed.toString())).isZero();
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', nullValues = "-", textBlock = """
            {last}_v{version:2} | Marsh_v02  | 0 | -  | -
            {last}_v{version:2} | Marsh_v2   | 1 | 8  | Marsh_v02
            {last}_v{version:2} | marsh_v02  | 1 | 0  | Marsh_v02
            {last}_v{version:2} | Mash_v02   | 1 | 2  | Marsh_v02
            """)
    void aNameIsTestedAndTheFirstDifferenceTold(String pattern, String name, int status, Integer at, String nearest) {
        assertThat(run("name", "test", pattern, name, "--for", "last=Marsh", "--format", "json")).isEqualTo(status);
        assertThat(json().at("/fits").booleanValue()).isEqualTo(status == 0);
        assertThat(json().path("at").isMissingNode() ? null : json().path("at").intValue()).isEqualTo(at);
        assertThat(json().path("nearest").isMissingNode() ? null : json().path("nearest").stringValue()).isEqualTo(nearest);
        assertThat(run("name", "test", pattern, name, "--for", "last=Marsh")).isEqualTo(status);
        assertThat(out).contains(status == 0 ? "fits" : "At character " + (at + 1));
    }
}
