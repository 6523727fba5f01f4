package org.opensatchel.core.check;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.KitReader;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.project.FolderSource;
import org.opensatchel.core.project.ListingSource;
import org.opensatchel.core.project.ProjectSource;
import org.opensatchel.core.report.Opening;
import org.opensatchel.core.report.Report;
import org.opensatchel.core.report.Verdict;

/** What breaks on a machine that the kit requires must be fixed, and nobody is promised that a project opens where it does not. */
class MachinePromisesTest {

    @TempDir
    private Path temp;

    private static final String PAGE = "page/index.html = <img src=\"%s\">";
    private static final String DEEP = ("a".repeat(60) + "/").repeat(4) + "b.png";
    /** 90 letters of three bytes each: a name to Windows and Macs, none to Linux. */
    private static final String LONG = "\u9577".repeat(90);

    private static Scene on(String machines, Scene scene) {
        return scene.kit("\"machines\": " + machines);
    }

    private static Scene sealed(Scene scene) {
        return scene.kit("\"machines\": [\"lab-windows\"], \"folders\": [{\"path\": \"card\", \"need\": \"required\", \"sealed\": true}]");
    }

    static Stream<Arguments> scenes() {
        String windows = "[\"lab-windows\", \"instructor\"]";
        return Stream.of(
                on(windows, Scene.of("all is well", PAGE.formatted("a.png"), "page/a.png = x")).clean(),
                on(windows, Scene.of("a capital that counts nowhere here", PAGE.formatted("A.png"), "page/a.png = x"))
                        .finds("should link.misspelt page/index.html"),
                on("[\"lab-linux\"]", Scene.of("a capital that counts", PAGE.formatted("A.png"), "page/a.png = x"))
                        .finds("must link.misspelt page/index.html"),
                on("[\"lab-mac\"]", Scene.of("a backslash on a Mac", "a.obj = mtllib tex\\a.mtl", "tex/a.mtl = newmtl a"))
                        .finds("must link.misspelt a.obj"),
                on(windows, Scene.of("from the root of a site", PAGE.formatted("/page/a.png"), "page/a.png = x"))
                        .finds("must link.web-root page/index.html"),
                on(windows, Scene.of("a linked file too deep", PAGE.formatted("../" + DEEP), DEEP + " = x"))
                        .finds("must structure.too-deep " + DEEP.substring(0, DEEP.lastIndexOf('/'))),
                on(windows, Scene.of("a file too deep that nothing links", "a.txt = x", DEEP.replace("png", "txt") + " = x"))
                        .finds("should structure.too-deep " + DEEP.substring(0, DEEP.lastIndexOf('/'))),
                on("[\"lab-mac\"]", Scene.of("too deep elsewhere", PAGE.formatted("../" + DEEP), DEEP + " = x")).clean(),
                on("[\"lab-linux\"]",
                        Scene.of("a long name in bytes", PAGE.formatted(LONG.substring(0, 80) + ".png"),
                                "page/" + LONG.substring(0, 80) + ".png = x"))
                        .clean(),
                sealed(Scene.of("a colon in a sealed folder", PAGE.formatted("../card/c%3A1.png"), "card/c:1.png = x"))
                        .finds("must name.character card/c:1.png"),
                sealed(Scene.of("a colon in a sealed folder that nothing links", PAGE.formatted("../card/b.png"), "card/c:1.txt = x",
                        "card/b.png = x")).clean(),
                sealed(Scene.of("a colon in the name of a sealed folder inside", PAGE.formatted("../card/c%3A1/b.png"),
                        "card/c:1/b.png = x"))
                        .finds("must name.character card/c:1"));
    }

    @ParameterizedTest
    @MethodSource("scenes")
    void whatBreaksOnARequiredMachineMustBeFixed(Scene scene) throws IOException {
        Report report = scene.check(temp);
        assertThat(scene.told(report)).isEqualTo(scene.wanted());
        boolean breaks = report.carry().orElseThrow().stream().anyMatch(machine -> machine.breaks() > 0);
        if (breaks) {
            assertThat(report.verdict()).isEqualTo(Verdict.FIX);
        }
    }

    /** Some files no disk here can hold: they are listed. */
    @ParameterizedTest
    @CsvSource({"4294967295, drive-fat32, ''", "4294967296, drive-fat32, must asset.too-large clip.mp4", "4294967296, drive-exfat, ''",})
    void aFileThatDoesNotFitARequiredDriveMustBeFixed(long bytes, String machine, String wanted) throws IOException {
        Report report = listed("[{\"path\": \"clip.mp4\", \"bytes\": " + bytes + "}]", machine);
        assertThat(report.findings().stream().filter(finding -> !finding.severity().equals("note"))
                .map(finding -> finding.severity() + " " + finding.code() + " " + finding.path()))
                .isEqualTo(wanted.isEmpty() ? List.of() : List.of(wanted));
    }

    @Test
    void aNameOfTooManyBytesMustBeFixedWhereALinkNeedsIt() throws IOException {
        Path documents = Files.createDirectory(temp.resolve("documents"));
        Files.writeString(documents.resolve("index.html"), "<img src=\"" + LONG + ".png\">");
        String files = "[{\"path\": \"index.html\", \"bytes\": " + Files.size(documents.resolve("index.html")) + "}, {\"path\": \"" + LONG
                + ".png\", \"bytes\": 9}]";
        assertThat(codes(listed(files, "lab-linux"))).containsExactly("must name.too-long");
        assertThat(codes(listed(files, "lab-windows"))).isEmpty();
    }

    private static List<String> codes(Report report) {
        return report.findings().stream().filter(finding -> !finding.severity().equals("note"))
                .map(finding -> finding.severity() + " " + finding.code()).toList();
    }

    private Report listed(String files, String machine) throws IOException {
        Path listing = temp.resolve("listing.json");
        Files.writeString(listing, "{\"listing\": 1, \"root\": \"Project\", \"files\": " + files + "}");
        Optional<ProjectSource> documents = Files.exists(temp.resolve("documents"))
                ? Optional.of(new FolderSource(temp.resolve("documents")))
                : Optional.empty();
        Optional<Kit> kit = KitReader
                .read(("{\"kit\": 1, \"title\": \"Kit\", \"version\": 1, \"root\": {\"name\": \"Project\"}, \"machines\": [\""
                        + machine + "\"]}").getBytes(java.nio.charset.StandardCharsets.UTF_8))
                .kit();
        try (ProjectSource source = new ListingSource(listing, documents)) {
            return new ProjectCheck(CheckRequest.of(kit, RosterFields.NONE)).run(source);
        }
    }

    static Stream<Arguments> promises() {
        String three = "[\"lab-windows\", \"lab-linux\", \"render-linux\"]";
        return Stream.of(
                Arguments.of(on(three, Scene.of("sound", PAGE.formatted("a.png"), "page/a.png = x")), 3),
                Arguments.of(on(three, Scene.of("all of it is to be fixed", PAGE.formatted("A.png"), "page/a.png = x")), 3),
                Arguments.of(on(three,
                        Scene.of("what is on the web stays there", PAGE.formatted("https://harrowgate.example/a.png"), "a.txt = x")), 2),
                Arguments.of(on("[\"lab-windows\", \"lab-linux\"]", Scene.of("a missing file", PAGE.formatted("gone.png"), "a.txt = x")),
                        2),
                Arguments.of(
                        Scene.of("one that is only worth knowing", PAGE.formatted("gone.png"), "a.txt = x")
                                .kit("\"machines\": [\"lab-windows\", \"lab-linux\"], \"links\": {\"missing\": \"note\"}"),
                        0));
    }

    @ParameterizedTest
    @MethodSource("promises")
    void whereItOpensAfterwardsIsTrue(Scene scene, int open) throws IOException {
        assertThat(Opening.of(scene.check(temp)).orElseThrow().open()).isEqualTo(open);
    }

    @Test
    void nothingIsPromisedWhereLinksWereGuessedOrNotLookedAt() throws IOException {
        assertThat(Opening.of(listed("[{\"path\": \"clip.mp4\", \"bytes\": 5}, {\"path\": \"a.otio\", \"bytes\": 5}]", "lab-windows")))
                .isEmpty();
    }
}
