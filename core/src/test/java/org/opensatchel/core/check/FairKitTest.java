package org.opensatchel.core.check;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Path;
import java.util.stream.Stream;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.opensatchel.core.report.Report;

/** Kits that never punish who is right: what a rule takes, what it leaves alone, and what is proposed. */
class FairKitTest {

    private static final String FILM = "\"folders\": [{\"path\": \"footage\", \"accepts\": [\"mov\", \"mp4\"], \"sealed\": true, \"need\": \"optional\"}, {\"path\": \"delivery\", \"accepts\": [\"mp4\"]}],"
            + "\"files\": [{\"role\": \"Finished film\", \"in\": \"delivery\", \"name\": \"{last}_final\", \"types\": [\"mp4\"]}]";
    private static final String VERSIONS = "\"folders\": [{\"path\": \"edit\"}], \"documents\": [{\"role\": \"Page\", \"in\": \"edit\", \"name\": \"{last}_v{version:2}\", \"types\": [\"html\"], \"versions\": %d}]";

    @TempDir
    Path temp;

    static Stream<Arguments> forbidden() {
        String kit = "\"folders\": [{\"path\": \"edit\"}], \"documents\": [{\"role\": \"Draft\", \"in\": \"edit\", \"name\": \"draft_{word}\", \"types\": [\"html\"], \"need\": \"forbidden\"}],"
                + "\"files\": [{\"role\": \"Render cache\", \"in\": \"edit\", \"name\": \"cache\", \"types\": [\"bin\"], \"need\": \"forbidden\"}]";
        return Stream.of(
                Scene.of("nothing of it", "edit/page.html = <p>x", "edit/other.bin = x").kit(kit).clean(),
                Scene.of("a forbidden document", "edit/draft_a.html = <p>x").kit(kit)
                        .finds("must structure.file-forbidden edit/draft_a.html"),
                Scene.of("a forbidden file", "edit/cache.bin = x", "edit/a.html = <p>x").kit(kit)
                        .finds("must structure.file-forbidden edit/cache.bin"),
                Scene.of("the same name elsewhere", "edit/x.html = <p>", "edit/sub/cache.bin = x").kit(kit).clean());
    }

    static Stream<Arguments> optional() {
        String kit = "\"folders\": [{\"path\": \"delivery\"}], \"files\": [{\"role\": \"Poster\", \"in\": \"delivery\", \"name\": \"{last}_poster\", \"types\": [\"png\"], \"need\": \"optional\"}],"
                + "\"documents\": [{\"role\": \"Notes\", \"in\": \"delivery\", \"name\": \"{last}_notes\", \"types\": [\"html\"], \"need\": \"optional\"}]";
        return Stream.of(
                Scene.of("another picture", "delivery/lantern.png = x", "delivery/about.html = <p>x").kit(kit).clean(),
                Scene.of("the poster with one letter off", "delivery/Marsh_postr.png = x").kit(kit)
                        .finds("must name.file delivery/Marsh_postr.png"),
                Scene.of("the notes in small letters", "delivery/marsh notes.html = <p>x").kit(kit)
                        .finds("must name.document delivery/marsh notes.html"),
                Scene.of("somebody else's poster", "delivery/Ikande_poster.png = x").kit(kit)
                        .finds("must name.file delivery/Ikande_poster.png"),
                Scene.of("the poster in place and another picture", "delivery/Marsh_poster.png = x", "delivery/Marsh_postr2.png = x")
                        .kit(kit).clean());
    }

    static Stream<Arguments> format() {
        return Stream.of(
                Scene.of("the film in another format", "delivery/Marsh_final.mov = x").kit(FILM)
                        .finds("must asset.type-not-accepted delivery/Marsh_final.mov"),
                Scene.of("the film in both", "delivery/Marsh_final.mov = x", "delivery/Marsh_final.mp4 = x").kit(FILM)
                        .finds("should asset.type-not-accepted delivery/Marsh_final.mov"),
                Scene.of("a take among the films is not sent into what is sealed", "delivery/Marsh_final.mp4 = x", "delivery/take.mov = x")
                        .kit(FILM)
                        .finds("should asset.type-not-accepted delivery/take.mov"),
                Scene.of("no film at all", "delivery/a.txt = x").kit(FILM).finds("must asset.required-missing delivery/Marsh_final.mp4",
                        "should asset.type-not-accepted delivery/a.txt"));
    }

    static Stream<Arguments> types() {
        String kit = "\"folders\": [{\"path\": \"pictures\", \"accepts\": [\"%s\"]}], \"files\": [{\"role\": \"Still\", \"in\": \"pictures\", \"name\": \"still\", \"types\": [\"%s\"]}]";
        return Stream.of("jpg jpeg", "tif tiff", "html htm", "aif aiff", "mpg mpeg", "mid midi").flatMap(pair -> {
            String[] two = pair.split(" ");
            return Stream.of(Scene.of(pair, "pictures/still." + two[1] + " = <p>x").kit(kit.formatted(two[0], two[0])).clean(),
                    Scene.of(pair + " the other way", "pictures/still." + two[0] + " = <p>x").kit(kit.formatted(two[1], two[1])).clean(),
                    Scene.of(pair + " and a third", "pictures/still." + two[0] + " = <p>x", "pictures/a.xyz = x")
                            .kit(kit.formatted(two[1], two[1]))
                            .finds("should asset.type-not-accepted pictures/a.xyz"));
        });
    }

    static Stream<Arguments> patterns() {
        String kit = "\"folders\": [{\"path\": \"shots/{word}\", \"need\": \"optional\"}], \"documents\": [{\"role\": \"Board\", \"in\": \"shots/{word}\", \"name\": \"board\", \"types\": [\"html\"]}]";
        String own = "\"folders\": [{\"path\": \"{last}\"}], \"files\": [{\"role\": \"Portrait\", \"in\": \"{last}\", \"name\": \"portrait\", \"types\": [\"png\"]}]";
        return Stream.of(
                Scene.of("every shot has its board", "shots/one/board.html = <p>", "shots/two/board.html = <p>").kit(kit).clean(),
                Scene.of("one has none", "shots/one/board.html = <p>", "shots/two/a.txt = x").kit(kit)
                        .finds("must structure.document-missing shots/two"),
                Scene.of("one is misnamed", "shots/one/bord.html = <p>").kit(kit).finds("must name.document shots/one/bord.html"),
                Scene.of("no shot", "a.txt = x").kit(kit).finds("should structure.file-misplaced a.txt"),
                Scene.of("one's own folder", "Marsh/portrait.png = x").kit(own).clean(),
                Scene.of("one's own folder without it", "Marsh/other.txt = x").kit(own)
                        .finds("must asset.required-missing Marsh/portrait.png"));
    }

    static Stream<Arguments> versions() {
        return Stream.of(
                Scene.of("as many as asked", "edit/Marsh_v01.html = <p>a", "edit/Marsh_v02.html = <p>b").kit(VERSIONS.formatted(2)).clean(),
                Scene.of("too few", "edit/Marsh_v01.html = <p>a").kit(VERSIONS.formatted(2)).finds("should habit.versions-too-few edit"),
                Scene.of("none asked", "edit/Marsh_v01.html = <p>a").kit(VERSIONS.formatted(0)).clean(),
                Scene.of("none there is told as missing", "edit/a.txt = x").kit(VERSIONS.formatted(2))
                        .finds("must structure.document-missing edit"));
    }

    static Stream<Arguments> once() {
        String shots = "\"names\": {\"spaces\": \"forbid\"}, \"folders\": [{\"path\": \"shots/{word}\", \"need\": \"required\", \"accepts\": [\"png\"]}, {\"path\": \"scrap\", \"need\": \"forbidden\"}], \"otherFolders\": \"forbid\"";
        return Stream.of(
                Scene.of("what repeats under its right name", "shots/one/a.png = x").kit(shots).clean(),
                Scene.of("a folder above what repeats", "shotz/one/a.png = x", "shotz/two/b.png = x").kit(shots)
                        .finds("must structure.folder-renamed shotz"),
                Scene.of("a forbidden folder and all in it", "shots/one/a.png = x", "scrap/a b.png = x",
                        "scrap/page.html = <img src=gone.png>",
                        "scrap/deep er/x.txt = x").kit(shots).finds("must structure.folder-forbidden scrap"),
                Scene.of("a renamed folder with a blank", "shots one/one/a.png = x").kit(
                        "\"names\": {\"spaces\": \"forbid\"}, \"folders\": [{\"path\": \"shots-one\", \"accepts\": [\"png\"]}], \"otherFolders\": \"allow\"")
                        .finds("must structure.folder-renamed shots one"));
    }

    static Stream<Arguments> proposals() {
        return Stream.of(
                Scene.of("a copy beside the right one", "edit/Marsh_v01.html = <p>a", "edit/Marsh v01.html = <p>b")
                        .kit(VERSIONS.formatted(0))
                        .finds("must name.document edit/Marsh v01.html"));
    }

    static Stream<Arguments> wider() {
        String amounts = "\"folders\": [{\"path\": \"stills\", \"counts\": [{\"types\": [\"png\"], \"atLeast\": 2, \"atMost\": 3}, {\"types\": [\"txt\"], \"atMost\": 1}]}]";
        String numbered = "\"folders\": [{\"path\": \"shots\", \"numbered\": {\"name\": \"shot_{number:3}\", \"types\": [\"png\"]}}]";
        String each = "\"folders\": [{\"path\": \"shots/{word}\", \"need\": \"optional\", \"each\": {\"files\": [{\"role\": \"Plate\", \"name\": \"plate\", \"types\": [\"png\"]}]}}]";
        String either = "\"folders\": [{\"path\": \"out\"}], \"files\": [{\"role\": \"Layered picture\", \"in\": \"out\", \"name\": \"poster\", \"types\": [\"ora\"], \"either\": \"poster\"}, "
                + "{\"role\": \"Flat picture\", \"in\": \"out\", \"name\": \"poster\", \"types\": [\"png\"], \"either\": \"poster\"}]";
        String links = "\"folders\": [{\"path\": \"edit\"}, {\"path\": \"footage\"}], \"documents\": [{\"role\": \"Page\", \"in\": \"edit\", \"name\": \"page\", \"types\": [\"html\"], \"links\": [{\"in\": \"footage\", \"atLeast\": 2}]}]";
        String avoid = "\"names\": {\"avoid\": [\"final\", \"copy of\"]%s}";
        String sizes = "\"folders\": [{\"path\": \"a\"}, {\"path\": \"b\"}], \"limits\": {\"per\": [{\"in\": \"a\", \"totalBytes\": 10}, {\"types\": [\"png\"], \"fileBytes\": 8}]}";
        return Stream.of(
                Scene.of("as many as asked", "stills/a.png = 1", "stills/b.png = 2", "stills/c.txt = 3").kit(amounts).clean(),
                Scene.of("too few of a type", "stills/a.png = 1", "stills/c.txt = 3").kit(amounts).finds("must structure.too-few stills"),
                Scene.of("too many of a type", "stills/a.png = 1", "stills/b.png = 2", "stills/c.png = 3", "stills/d.png = 4").kit(amounts)
                        .finds("should structure.too-many stills"),
                Scene.of("in a row", "shots/shot_001.png = 1", "shots/shot_002.png = 2", "shots/notes.txt = x").kit(numbered).clean(),
                Scene.of("with a gap", "shots/shot_001.png = 1", "shots/shot_004.png = 2").kit(numbered)
                        .finds("should structure.number-gap shots"),
                Scene.of("every shot has a plate", "shots/one/plate.png = 1", "shots/two/plate.png = 2").kit(each).clean(),
                Scene.of("one shot has none", "shots/one/plate.png = 1", "shots/two/a.txt = 2").kit(each)
                        .finds("must asset.required-missing shots/two/plate.png"),
                Scene.of("one of two", "out/poster.png = 1").kit(either).clean(),
                Scene.of("the other of two", "out/poster.ora = 1").kit(either).clean(),
                Scene.of("none of two", "out/a.txt = 1").kit(either).finds("must asset.required-missing out/poster.ora"),
                Scene.of("a page with enough", "edit/page.html = <img src=../footage/a.png><img src=../footage/b.png>", "footage/a.png = 1",
                        "footage/b.png = 2").kit(links).clean(),
                Scene.of("a page with the same one twice", "edit/page.html = <img src=../footage/a.png><img src=../footage/a.png>",
                        "footage/a.png = 1").kit(links)
                        .finds("must link.too-few edit/page.html"),
                Scene.of("a number behind an avoided word", "FINAL2.txt = x").kit(avoid.formatted(""))
                        .finds("should name.placeholder-name FINAL2.txt"),
                Scene.of("signs between avoided words", "Copy_of-3 a.txt = x").kit(avoid.formatted(""))
                        .finds("should name.placeholder-name Copy_of-3 a.txt"),
                Scene.of("an avoided word in another", "finally.txt = x", "copyright.txt = x").kit(avoid.formatted("")).clean(),
                Scene.of("whole words where that is asked", "FINAL2.txt = x").kit(avoid.formatted(", \"avoidWholeWords\": true")).clean(),
                Scene.of("sizes as allowed", "a/x.txt = 123456789", "b/y.png = 1234567").kit(sizes).clean(),
                Scene.of("a folder that is too large", "a/x.txt = 12345678901").kit(sizes).with("b/y.txt = 1")
                        .finds("must asset.total-too-large a"),
                Scene.of("a picture that is too large", "a/x.txt = 1", "b/y.png = 123456789").kit(sizes)
                        .finds("must asset.too-large b/y.png"),
                Scene.of("forbidden anywhere", "a/b/setup.exe = MZ", "a/c.txt = x").kit("\"forbidden\": [{\"files\": \"**/*.exe\"}]")
                        .finds("must structure.file-forbidden a/b/setup.exe"),
                Scene.of("allowed in the root", "readme.md = x", "a/b.txt = x")
                        .kit("\"folders\": [{\"path\": \"a\"}], \"rootFiles\": [{\"name\": \"readme\", \"types\": [\"md\", \"txt\"]}]")
                        .clean(),
                Scene.of("another in the root", "notes.md = x", "a/b.txt = x")
                        .kit("\"folders\": [{\"path\": \"a\"}], \"rootFiles\": [{\"name\": \"readme\", \"types\": [\"md\", \"txt\"]}]")
                        .finds("should structure.file-misplaced notes.md"),
                Scene.of("ignored", "a/b.txt = x", "a/render.tmp = x", "a/page.html.tmp = <img src=gone.png>",
                        "old/x.html = <img src=gone.png>")
                        .kit("\"folders\": [{\"path\": \"a\", \"accepts\": [\"txt\"]}], \"ignore\": [\"**/*.tmp\", \"old/**\"]").clean());
    }

    @ParameterizedTest
    @MethodSource({"forbidden", "optional", "format", "types", "patterns", "versions", "once", "proposals", "wider"})
    void isToldAsItIs(Scene scene) throws IOException {
        Report report = scene.check(temp);
        assertThat(scene.told(report)).as("%s", scene).containsExactlyElementsOf(scene.wanted());
    }

    /** Nothing proposes a name that something has. */
    @ParameterizedTest
    @MethodSource({"optional", "patterns", "proposals", "once"})
    void nothingIsOverwritten(Scene scene) throws IOException {
        Report report = scene.check(temp);
        assertThat(report.findings()).filteredOn(finding -> !finding.code().startsWith("link."))
                .allSatisfy(finding -> assertThat(finding.proposal().map(proposal -> proposal.path())).satisfiesAnyOf(
                        path -> assertThat(path).isEmpty(), path -> assertThat(scene.has(path.orElseThrow())).isFalse()));
    }
}
