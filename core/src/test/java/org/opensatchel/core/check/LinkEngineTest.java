package org.opensatchel.core.check;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.project.FolderSource;
import org.opensatchel.core.report.Report;

/**
 * Small projects as lists of files, each {@code path = content}; expected are the links ({@code document text outcome
 * target}) and the findings that are told of them.
 */
class LinkEngineTest {

    @TempDir
    Path temp;

    static Stream<Arguments> projects() {
        return Stream.of(
                project("a chain from model to map", "a/pot.obj = mtllib ../b/pot.mtl", "b/pot.mtl = newmtl x\nmap_Kd pot.png",
                        "b/pot.png = x")
                        .links("a/pot.obj ../b/pot.mtl ok b/pot.mtl", "b/pot.mtl pot.png ok b/pot.png").findings(),
                project("a set of numbers with gaps", "t.mtl = newmtl a\nmap_Kd f/shot.####.png", "f/shot.0001.png = x",
                        "f/shot.0002.png = x", "f/shot.0005.png = x", "f/shot.0006.png = x", "f/shot.0008.png = x")
                        .links("t.mtl f/shot.####.png ok f/shot.####.png")
                        .findings("link.sequence-gap t.mtl Of “f/shot.####.png” these numbers are missing: 0003-0004, 0007."),
                project("every second number", "t.mtl = newmtl a\nmap_Kd shot.%04d.png", "shot.0002.png = x", "shot.0004.png = x",
                        "shot.0006.png = x", "shot.0008.png = x").links("t.mtl shot.%04d.png ok shot.%04d.png").findings(),
                project("a range that is named", "t.mtl = newmtl a\nmap_Kd s.[0001-0004].png", "s.0001.png = x", "s.0002.png = x")
                        .links("t.mtl s.[0001-0004].png ok s.[0001-0004].png")
                        .findings("link.sequence-gap t.mtl Of “s.[0001-0004].png” these numbers are missing: 0003-0004."),
                project("tiles have no gaps", "t.usda = #usda 1.0\ndef \"A\" { asset f = @wood.<UDIM>.png@ }", "wood.1001.png = x",
                        "wood.1011.png = x").links("t.usda wood.<UDIM>.png ok wood.<UDIM>.png").findings(),
                project("a set that moved", "t.mtl = newmtl a\nmap_Kd a/s.####.png", "b/s.0001.png = x", "b/s.0002.png = x")
                        .links("t.mtl a/s.####.png moved b/s.####.png")
                        .findings("link.moved t.mtl"),
                project("a set that is not there", "t.mtl = newmtl a\nmap_Kd a/s.####.png").links("t.mtl a/s.####.png missing -")
                        .findings("link.missing t.mtl"),
                project("a literal name with marks", "t.mtl = newmtl a\nmap_Kd a##1.png", "a##1.png = x")
                        .links("t.mtl a##1.png ok a##1.png").findings(),
                project("one of several addresses is enough",
                        "s.x3d = <X3D><Scene><ImageTexture url='\"gone.png\" \"here.png\"'/></Scene></X3D>", "here.png = x")
                        .links("s.x3d gone.png missing -", "s.x3d here.png ok here.png").findings("link.missing s.x3d"),
                project("clips by their names alone",
                        "cut.edl = TITLE: X\n* FROM CLIP NAME: lamp.mov\n* FROM CLIP NAME: gone.mov\n* FROM CLIP NAME: twice.mov",
                        "f/lamp.mov = x", "f/twice.mov = x", "g/twice.mov = y")
                        .links("cut.edl lamp.mov ok f/lamp.mov", "cut.edl gone.mov missing -", "cut.edl twice.mov ok f/twice.mov")
                        .findings("link.missing cut.edl"),
                project("a circle", "a.usda = #usda 1.0\n( subLayers = [@b.usda@] )", "b.usda = #usda 1.0\n( subLayers = [@c/c.usda@] )",
                        "c/c.usda = #usda 1.0\n( subLayers = [@../a.usda@] )")
                        .links("a.usda b.usda ok b.usda", "b.usda c/c.usda ok c/c.usda", "c/c.usda ../a.usda ok a.usda")
                        .findings("link.cycle a.usda “a.usda” includes itself by way of “b.usda” and “c/c.usda”."),
                project("a chain that leads to a circle and on", "0.usda = #usda 1.0\n( subLayers = [@1.usda@] )",
                        "1.usda = #usda 1.0\n( subLayers = [@2.usda@] )", "2.usda = #usda 1.0\n( subLayers = [@1.usda@, @3.usda@] )",
                        "3.usda = #usda 1.0\n")
                        .links("0.usda 1.usda ok 1.usda", "1.usda 2.usda ok 2.usda", "2.usda 1.usda ok 1.usda", "2.usda 3.usda ok 3.usda")
                        .findings("link.cycle 1.usda “1.usda” includes itself by way of “2.usda”."),
                project("a document that includes itself", "a.usda = #usda 1.0\n( subLayers = [@a.usda@] )")
                        .links("a.usda a.usda ok a.usda").findings("link.cycle a.usda “a.usda” includes itself."),
                project("pages that link one another", "a.html = <a href=b.html>b</a>", "b.html = <a href=a.html>a</a>")
                        .links("a.html b.html ok b.html", "b.html a.html ok a.html").findings(),
                project("the nearer of two", "web/page.html = <img src=img/lamp.png>", "web/pictures/lamp.png = x",
                        "print/old/lamp.png = y").links("web/page.html img/lamp.png moved web/pictures/lamp.png")
                        .findings("link.moved web/page.html"),
                project("two that are as near", "page.html = <img src=img/lamp.png>", "a/lamp.png = x", "b/lamp.png = y")
                        .links("page.html img/lamp.png moved -").findings("link.moved page.html"),
                project("somebody's home", "c.m3u = /Users/mara/Music/tea.wav").links("c.m3u /Users/mara/Music/tea.wav outside -")
                        .findings("link.outside c.m3u “tea.wav” is linked from the home folder of “mara”: “/Users/mara/Music/tea.wav”."),
                project("a file is named as it is called, not as an address writes it",
                        "a.svg = <svg xmlns='http://www.w3.org/2000/svg'><image href='file:///C:/Users/Mia%20Lo/Desktop/old%20shot.png'/></svg>")
                        .links("a.svg file:///C:/Users/Mia%20Lo/Desktop/old%20shot.png outside -")
                        .findings("link.outside a.svg “old shot.png” is linked from the desktop: "
                                + "“file:///C:/Users/Mia%20Lo/Desktop/old%20shot.png”."),
                project("a guess is never a must",
                        "look.scn = map \"F:\\x\\iron.png\" \"gone.png\" \"steel.png\" \"a%20b.png\" \"look.scn\" \"C:\\y\\look.scn\"",
                        "steel.png = x", "a b.png = x")
                        .links("look.scn F:\\x\\iron.png outside -", "look.scn gone.png missing -", "look.scn steel.png ok steel.png",
                                "look.scn a%20b.png ok a b.png")
                        .findings("link.outside look.scn", "link.missing look.scn"),
                project("bare names in a file of no known format",
                        "edit/cut.prj = <p><clip name=\"lamp.mov\" src=\"footage/lamp.mov\"/><clip name=\"tea.mov\"/><bin file=\"old/lamp.mov\"/></p>",
                        "footage/lamp.mov = x", "a/tea.mov = y", "b/tea.mov = z")
                        .links("edit/cut.prj lamp.mov ok footage/lamp.mov", "edit/cut.prj footage/lamp.mov ok footage/lamp.mov",
                                "edit/cut.prj old/lamp.mov moved footage/lamp.mov")
                        .findings("link.moved edit/cut.prj"),
                project("a guess from the root", "scenes/look.scn = tex = \"maps/steel.png\"", "maps/steel.png = x")
                        .links("scenes/look.scn maps/steel.png ok maps/steel.png").findings(),
                project("backslashes of a format that has them", "i/pot.sfz = <region> sample=..\\s\\tea.wav", "s/tea.wav = x")
                        .links("i/pot.sfz ..\\s\\tea.wav ok s/tea.wav").findings(),
                project("a scene saved in binary", "s.usd = PXR-USDC \u0001 x").links()
                        .findings("link.document-binary s.usd “s.usd” (USD scene) is saved in binary: what it names cannot be looked up."),
                project("a text that is none", "s.usda = PXR-USDC \u0001 F:/a/b.png").links()
                        .findings("link.document-binary s.usda “s.usda” (USD scene) is named as text, and is saved in binary."),
                project("a folder", "p.html = <a href=pics/>x</a><a href=pics>y</a>",
                        "pics/a.svg = <svg xmlns='http://www.w3.org/2000/svg'/>").links("p.html pics/ ok pics", "p.html pics ok pics")
                        .findings(),
                project("segments of a stream",
                        "s.mpd = <MPD><Period><AdaptationSet><SegmentTemplate media=\"$RepresentationID$/s-$Number%03d$.m4s\"/><Representation id=\"v\"/></AdaptationSet></Period></MPD>",
                        "v/s-001.m4s = x", "v/s-002.m4s = x").links("s.mpd $RepresentationID$/s-$Number%03d$.m4s ok v/s-$Number%03d$.m4s")
                        .findings());
    }

    @ParameterizedTest
    @MethodSource("projects")
    void linksLeadWhereTheyShould(Sample sample) throws IOException {
        Report report = new ProjectCheck(CheckRequest.of(Optional.empty(), RosterFields.NONE)).run(new FolderSource(sample.write(temp)));
        assertThat(report.links().stream()
                .map(link -> link.document() + " " + link.text() + " " + link.outcome()
                        + (link.target().isPresent() ? " " + link.target().get() : link.outcome().equals("remote") ? "" : " -"))
                .toList())
                .containsExactlyElementsOf(sample.wantedLinks);
        List<String> told = report.findings().stream().filter(finding -> finding.code().startsWith("link."))
                .map(finding -> finding.code() + " " + finding.path() + " " + finding.message()).toList();
        assertThat(told).as("%s", told).hasSameSizeAs(sample.wantedFindings);
        for (int i = 0; i < told.size(); i++) {
            assertThat(told.get(i)).startsWith(sample.wantedFindings.get(i));
        }
    }

    @Test
    void aGuessAndABetterAlternativeWeighLess() throws IOException {
        Sample guess = project("guess", "look.scn = \"F:\\x\\steel.png\"").links();
        Report guessed = new ProjectCheck(CheckRequest.of(Optional.empty(), RosterFields.NONE))
                .run(new FolderSource(guess.write(Files.createDirectory(temp.resolve("g")))));
        assertThat(guessed.findings()).filteredOn(finding -> finding.code().equals("link.outside")).singleElement().satisfies(finding -> {
            assertThat(finding.severity()).isEqualTo("should");
            assertThat(finding.sure()).contains(0.3);
        });
        Sample other = project("other", "s.x3d = <X3D><Scene><ImageTexture url='\"gone.png\" \"here.png\"'/></Scene></X3D>", "here.png = x")
                .links();
        Report alternative = new ProjectCheck(CheckRequest.of(Optional.empty(), RosterFields.NONE))
                .run(new FolderSource(other.write(Files.createDirectory(temp.resolve("o")))));
        assertThat(alternative.findings()).filteredOn(finding -> finding.code().equals("link.missing")).singleElement()
                .satisfies(finding -> assertThat(finding.severity()).isEqualTo("note"));
    }

    private static Sample project(String name, String... files) {
        return new Sample(name, List.of(files), List.of(), List.of());
    }

    private record Sample(String name, List<String> files, List<String> wantedLinks, List<String> wantedFindings) {

        Sample links(String... expected) {
            return new Sample(name, files, List.of(expected), wantedFindings);
        }

        Arguments findings(String... expected) {
            return Arguments.of(new Sample(name, files, wantedLinks, Arrays.asList(expected)));
        }

        Path write(Path parent) {
            try {
                Path top = Files.createDirectory(parent.resolve("Project"));
                for (String file : files) {
                    Path path = top.resolve(file.substring(0, file.indexOf(" = ")));
                    Files.createDirectories(path.getParent());
                    Files.writeString(path, file.substring(file.indexOf(" = ") + 3));
                }
                return top;
            } catch (IOException failed) {
                throw new UncheckedIOException(failed);
            }
        }

        @Override
        public String toString() {
            return name;
        }
    }
}
