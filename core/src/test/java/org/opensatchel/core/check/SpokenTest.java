package org.opensatchel.core.check;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.params.provider.Arguments.arguments;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.opensatchel.core.report.FindingGroups;
import org.opensatchel.core.report.Report;
import org.opensatchel.core.words.Said;
import org.opensatchel.core.words.Sentence;
import org.opensatchel.core.words.Words;

/** What a student reads, for one and for many: what is there is named, and never looked for elsewhere. */
class SpokenTest {

    @TempDir
    Path temp;

    static Stream<Arguments> spoken() {
        return Stream.of(
                one("outside, and there", "index.html = <img src='C:\\x\\lamp.png'>", "takes/lamp.png = x",
                        "A file of that name is in the folder: “takes/lamp.png”.",
                        "Link the file that is already in your folder: “takes/lamp.png”."),
                one("outside, and not there", "index.html = <img src='C:\\x\\lamp.png'>", "takes/tea.png = x", "outside the project folder",
                        "Find the file and copy it into the project folder."),
                one("two outside, both there", "index.html = <img src='C:\\x\\lamp.png'><img src='C:\\x\\tea.png'>",
                        "takes/lamp.png = x\ntakes/tea.png = y", "2 linked files are outside",
                        "Link the files that are already in your folder, as they are named here."),
                one("two outside, one there", "index.html = <img src='C:\\x\\lamp.png'><img src='C:\\x\\tea.png'>", "takes/lamp.png = x",
                        "2 linked files are outside",
                        "and copy only the others into it"),
                one("two outside, none there", "index.html = <img src='C:\\x\\lamp.png'><img src='C:\\x\\tea.png'>", "a.txt = x",
                        "2 linked files are outside",
                        "Find the files and copy them into the project folder."),
                one("moved", "index.html = <img src=lamp.png>", "takes/lamp.png = x", "Was it moved",
                        "Open the document and link the file that is in your folder: “takes/lamp.png”."),
                one("capitals", "index.html = <img src=takes/Lamp.png>", "takes/lamp.png = x", "they differ in capitals (“L” and “l”)",
                        "Open the document and link the file again"),
                one("quotation marks", "index.html = <img src=\"mum's.png\">", "mum’s.png = x", "quotation marks: “'” and “’”",
                        "already in your folder"),
                one("a blank that does not break", "index.html = <img src=\"a b.png\">", "a\u00a0b.png = x",
                        "blanks that look alike: “U+0020” and “U+00A0”", "already in your folder"),
                one("letters joined", "index.html = <img src=film.png>", "ﬁlm.png = x", "letters joined into one (“fi” and “ﬁ”)",
                        "Open the document and link the file again"),
                one("a letter of another script", "index.html = <img src=lamp.png>", "l\u0430mp.png = x",
                        "looks the same and is made of something else: “U+0061” and “U+0430”",
                        "already in your folder"),
                one("an address without its beginning", "index.html = <a href=www.market.example/tea>x</a>", "a.txt = x",
                        "nothing says that it is an address on the web",
                        "Write https:// in front of it"),
                one("a guess", "cut.prj = map = F:/takes/lamp.mov", "a.txt = x", "“cut.prj” may lead to “F:/takes/lamp.mov”",
                        "Look first"));
    }

    private static Arguments one(String name, String document, String files, String says, String remedy) {
        return arguments(name, Stream.concat(Stream.of(document), Stream.of(files.split("\n"))).toList(), says, remedy);
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("spoken")
    void isSaidSoThatItHelps(String name, List<String> files, String says, String remedy) throws IOException {
        Report report = Scene.of(name, files.toArray(String[]::new)).check(temp);
        FindingGroups.Group group = FindingGroups.of(report.findings()).stream().filter(one -> one.code().startsWith("link.")).findFirst()
                .orElseThrow();
        String message = group.isMany() ? Words.ENGLISH.heading(group).toString() : Words.ENGLISH.of(group.first()).message().toString();
        assertThat(message).contains(says);
        assertThat(Words.ENGLISH.remedy(group)).extracting(Sentence::toString).first().asString().contains(remedy);
    }

    /** Where several folders take a kind of file all are named, as this student would call them and never as a pattern. */
    @Test
    void everyFolderThatTakesAKindIsNamed() throws IOException {
        Report report = Scene.of("two homes", "loose.png = x", "titles/a.png = x", "shots/rain/b.png = x").kit("""
                "folders": [{"path": "titles", "accepts": ["png"]}, {"path": "shots/{word}", "accepts": ["png"]}]""").check(temp);
        Said said = Words.ENGLISH.of(report.findings().stream().filter(one -> one.code().equals("structure.file-misplaced")).findFirst()
                .orElseThrow());
        assertThat(said.message().toString()).endsWith("Files of its type may lie in “titles” and “shots/lantern”.");
        assertThat(said.remedy().get(0).toString()).isEqualTo("Move it to the one of these folders where it belongs.");
    }
}
