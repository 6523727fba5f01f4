package org.opensatchel.formats.described;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.opensatchel.base.path.Glob;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.check.CheckRequest;
import org.opensatchel.core.check.ProjectCheck;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.KitReader;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.project.FolderSource;
import org.opensatchel.core.report.Report;
import org.opensatchel.formats.Formats;
import org.opensatchel.formats.link.LinkSink;
import org.opensatchel.formats.link.Unreadable;

/** A kit's own link rules turn files nobody knows into documents. */
class CustomLinksTest {

    @TempDir
    Path temp;

    @ParameterizedTest
    @CsvSource({"**/*.scn,a.scn,true", "**/*.scn,x/y/a.scn,true", "**/*.scn,x/a.SCN,true", "**/*.scn,x/a.scn.bak,false",
            "*.scn,x/a.scn,false", "shots/*/a?.scn,shots/one/ab.scn,true", "shots/*/a?.scn,shots/one/two/ab.scn,false",
            "shots/**,shots/one/two.txt,true", "a+b.txt,aab.txt,false", "a+b.txt,a+b.txt,true"})
    void globsSayWhichFiles(String glob, String path, boolean taken) {
        assertThat(new Glob(glob).takes(ProjectPath.of(path))).isEqualTo(taken);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '`', textBlock = """
            pattern | map = "(?<link>[^"]+)"  | a\\nmap = "x.png"\\n  map = "é y.png"              | 2:8 x.png, 3:10 é y.png
            pattern | map = "(?<link>[^"]*)"  | map = ""                                          |
            element | //clip/@src             | <show><clip src="a.mp4"/><b><clip src=" c.wav "/></b><x src="n"/></show> | /show[1]/clip[1]/@src a.mp4, /show[1]/b[1]/clip[1]/@src c.wav
            element | /show/clip/@src         | <show><clip src="a.mp4"/><b><clip src="b.mp4"/></b></show>               | /show[1]/clip[1]/@src a.mp4
            element | //file                  | <s><file> a b.png </file><file/></s>              | /s[1]/file[1] a b.png
            element | //p:file                | <s xmlns:p="u"><p:file>a.png</p:file></s>         | /s[1]/p:file[1] a.png
            pointer | /cards/*/picture        | {"cards": [{"picture": "a.png"}, {"picture": 3}, {"other": "b.png"}, {"picture": "c.png"}]} | /cards/0/picture a.png, /cards/3/picture c.png
            pointer | /files/*                | {"files": ["a.png", "b.png"], "x": "c.png"}       | /files/0 a.png, /files/1 b.png
            pointer | /a~1b                   | {"a/b": "c.png"}                                  | /a~1b c.png
            """)
    void linksAreFoundWithTheirPlaces(String kind, String rule, String content, String found) throws Unreadable {
        assertThat(links(rule(kind, rule, false, false), "x/y.doc", content.replace("\\n", "\n"))).isEqualTo(found == null ? "" : found);
    }

    @Test
    void whatIsNotOfTheKindIsToldWithItsPlace() {
        assertThatThrownBy(() -> links(rule("pointer", "/a", false, false), "y.doc", "{\"a\": \n oops}"))
                .isInstanceOfSatisfying(Unreadable.class, broken -> assertThat(broken.problem().at().text()).startsWith("2:"));
        assertThatThrownBy(() -> links(rule("element", "//a", false, false), "y.doc", "<a><b></a>")).isInstanceOf(Unreadable.class);
    }

    /** Linear time: a pattern that another engine would take for ever over is done with the text. */
    @Test
    void noPatternRunsAway() throws Unreadable {
        String text = "a".repeat(200_000) + "!";
        assertThat(links(rule("pattern", "(?:a+)+$(?<link>x)|(?<link2>b)", false, false), "y.doc", text)).isEmpty();
    }

    @Test
    void aProjectIsCheckedByThem() throws IOException {
        Path project = Files.createDirectories(temp.resolve("Lamp"));
        Files.createDirectories(project.resolve("maps"));
        Files.createDirectories(project.resolve("scenes"));
        Files.writeString(project.resolve("maps/a b.png"), "p");
        Files.writeString(project.resolve("scenes/one.scn"), "map = \"../maps/a%20b.png\"\nmap = \"maps/gone.png\"\n");
        Files.writeString(project.resolve("scenes/two.board"), "{\"cards\": [{\"picture\": \"maps/a b.png\"}]}");
        String json = "{\"kit\": 1, \"title\": \"t\", \"root\": {\"name\": \"Lamp\"}, \"links\": {\"custom\": [{\"files\": \"**/*.scn\", \"pattern\": \"map = \\\"(?<link>[^\\\"]+)\\\"\", \"uri\": true}, "
                + "{\"files\": \"**/*.board\", \"pointer\": \"/cards/*/picture\", \"base\": \"root\"}]}}";
        Kit kit = KitReader.read(json.getBytes(StandardCharsets.UTF_8)).kit().orElseThrow();
        Report report = new ProjectCheck(CheckRequest.of(Optional.of(kit), RosterFields.NONE)).run(new FolderSource(project));
        assertThat(report.links().stream().map(link -> link.document() + " " + link.at() + " " + link.outcome()).toList())
                .containsExactly("scenes/one.scn 1:8 ok", "scenes/one.scn 2:8 missing", "scenes/two.board /cards/0/picture ok");
        assertThat(new ProjectCheck(CheckRequest.of(Optional.empty(), RosterFields.NONE)).run(new FolderSource(project)).findings())
                .as("without the kit it is a guess").noneMatch(finding -> finding.severity().equals("must"));
    }

    private static CustomLinkRule rule(String kind, String text, boolean fromRoot, boolean uri) {
        return new CustomLinkRule("**", Optional.of(text).filter(any -> kind.equals("pattern")),
                Optional.of(text).filter(any -> kind.equals("element")), Optional.of(text).filter(any -> kind.equals("pointer")), fromRoot,
                uri);
    }

    private static String links(CustomLinkRule rule, String path, String content) throws Unreadable {
        LinkSink sink = new LinkSink(ProjectPath.of(path), 4096, Formats.ENDINGS);
        new CustomLinks(List.of(rule)).read(ProjectPath.of(path), content.getBytes(StandardCharsets.UTF_8), sink);
        return String.join(", ", sink.links().stream().map(link -> link.at().text() + " " + link.text()).toList());
    }
}
