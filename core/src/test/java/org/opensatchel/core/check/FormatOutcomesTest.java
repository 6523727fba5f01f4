package org.opensatchel.core.check;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.project.FolderSource;
import org.opensatchel.core.report.Report;

/** The same four links in every format: one that is right, one with another capital, one to nothing, one out of the project. */
class FormatOutcomesTest {

    @TempDir
    Path temp;

    /** How a format writes some links, and whether it writes them as URIs. */
    private record Format(String extension, boolean uri, Function<List<String>, byte[]> document) {
        @Override
        public String toString() {
            return extension;
        }
    }

    static Stream<Arguments> formats() {
        String odf = "xmlns:xlink=\"http://www.w3.org/1999/xlink\" xmlns:draw=\"d\" xmlns:office=\"urn:oasis:names:tc:opendocument:xmlns:office:1.0\"";
        return Stream.of(
                text("html", true, each("<img src=\"%s\">")), text("css", true, each("a { background: url(\"%s\") }")), text("svg", true, each("<svg xmlns=\"http://www.w3.org/2000/svg\">", "<image href=\"%s\"/>", "</svg>")),
                text("otio", true, joined("{\"OTIO_SCHEMA\": \"Timeline.1\", \"a\": [", "{\"OTIO_SCHEMA\": \"ExternalReference.1\", \"target_url\": \"%s\"}", "]}")),
                text("gltf", true, joined("{\"asset\": {\"version\": \"2.0\"}, \"images\": [", "{\"uri\": \"%s\"}", "]}")), text("mtl", false, each("newmtl a\nmap_Kd %s\n")),
                text("edl", false, each("TITLE: X\n", "* SOURCE FILE: %s\n", "")), text("smil", true, each("<smil><body>", "<img src=\"%s\"/>", "</body></smil>")),
                text("xspf", true, each("<playlist xmlns=\"http://xspf.org/ns/0/\"><trackList>", "<track><image>%s</image></track>", "</trackList></playlist>")), text("m3u", false, each("%s\n")), text("cue", false, each("FILE \"%s\" WAVE\n")),
                text("mpd", true, each("<MPD><Period><AdaptationSet><Representation><SegmentList>", "<SegmentURL media=\"%s\"/>", "</SegmentList></Representation></AdaptationSet></Period></MPD>")),
                text("dae", true, each("<COLLADA><library_images>", "<image><init_from>%s</init_from></image>", "</library_images></COLLADA>")), text("x3d", true, each("<X3D><Scene>", "<ImageTexture url='\"%s\"'/>", "</Scene></X3D>")),
                text("wrl", true, each("#VRML V2.0 utf8\n", "ImageTexture { url \"%s\" }\n", "")), text("usda", false, each("#usda 1.0\ndef \"A\" {\n", "asset f = @%s@\n", "}")),
                text("mtlx", false, each("<materialx>", "<input name=\"f\" type=\"filename\" value=\"%s\"/>", "</materialx>")), text("ply", false, each("ply\n", "comment TextureFile %s\n", "end_header\n")),
                text("stp", false, texts -> "ISO-10303-21;\nDATA;\n" + texts.stream().map(one -> "#1=DOCUMENT_FILE('" + one.replace("\\", "\\\\") + "','',$,#2,'',$);\n").collect(Collectors.joining()) + "ENDSEC;"),
                text("fodg", true, each("<office:document " + odf + ">", "<draw:image xlink:href=\"%s\"/>", "</office:document>")), text("md", true, each("![x](%s)\n\n")), text("sfz", false, each("<region> sample=%s\n")),
                text("musicxml", true, each("<score-partwise>", "<credit-image source=\"%s\"/>", "</score-partwise>")), text("scn", false, each("map = \"%s\"\n")),
                zipped("odt", true, "content.xml", texts -> each("<office:document-content " + odf + ">", "<draw:image xlink:href=\"%s\"/>", "</office:document-content>").apply(texts.stream().map(one -> one.startsWith("..") ? "../" + one : one).toList())),
                zipped("docx", true, "word/_rels/document.xml.rels", each("<Relationships>", "<Relationship Target=\"%s\" TargetMode=\"External\"/>", "</Relationships>")),
                zipped("dawproject", false, "project.xml", each("<Project>", "<File path=\"%s\" external=\"true\"/>", "</Project>")));
    }

    @ParameterizedTest
    @MethodSource("formats")
    void fourLinksLeadWhereTheyShould(Format format) throws IOException {
        Path project = Files.createDirectories(temp.resolve("Project"));
        Files.createDirectories(project.resolve("m"));
        Files.createDirectories(project.resolve("d"));
        Files.writeString(project.resolve("m/lamp one.png"), "x");
        List<String> texts = format.uri ? List.of("../m/lamp%20one.png", "../m/Lamp%20one.png", "../m/gone.png", "file:///C:/Users/mara/x.png") : List.of("../m/lamp one.png", "../m/Lamp one.png", "../m/gone.png", "C:\\Users\\mara\\x.png");
        Files.write(project.resolve("d/doc." + format.extension), format.document.apply(texts));
        Report report = new ProjectCheck(CheckRequest.of(Optional.empty(), RosterFields.NONE)).run(new FolderSource(project));
        assertThat(report.links().stream().map(link -> link.form() + " " + link.outcome() + " " + link.target().orElse("-")).toList())
                .containsExactly("relative ok m/lamp one.png", "relative misspelt m/lamp one.png", "relative missing -", "drive outside -");
        assertThat(report.findings().stream().filter(finding -> !finding.severity().equals("note")).map(Report.FindingLine::code).sorted().toList())
                .containsExactly("link.missing", "link.misspelt", "link.outside");
        String severity = format.extension.equals("scn") ? "should" : "must";
        assertThat(report.findings()).filteredOn(finding -> finding.code().equals("link.missing") || finding.code().equals("link.outside")).allSatisfy(finding -> assertThat(finding.severity()).isEqualTo(severity));
    }

    private static Arguments text(String extension, boolean uri, Function<List<String>, String> document) {
        return Arguments.of(new Format(extension, uri, texts -> document.apply(texts).getBytes(StandardCharsets.UTF_8)));
    }

    private static Arguments zipped(String extension, boolean uri, String member, Function<List<String>, String> document) {
        return Arguments.of(new Format(extension, uri, texts -> {
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            try (ZipOutputStream zip = new ZipOutputStream(out)) {
                zip.putNextEntry(new ZipEntry(member));
                zip.write(document.apply(texts).getBytes(StandardCharsets.UTF_8));
            } catch (IOException impossible) {
                throw new AssertionError(impossible);
            }
            return out.toByteArray();
        }));
    }

    private static Function<List<String>, String> each(String piece) {
        return each("", piece, "");
    }

    private static Function<List<String>, String> each(String before, String piece, String after) {
        return texts -> before + texts.stream().map(text -> piece.replace("%s", text)).collect(Collectors.joining()) + after;
    }

    private static Function<List<String>, String> joined(String before, String piece, String after) {
        return texts -> before + texts.stream().map(text -> piece.replace("%s", text)).collect(Collectors.joining(",")) + after;
    }
}
