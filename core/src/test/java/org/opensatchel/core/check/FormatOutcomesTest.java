package org.opensatchel.core.check;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import java.util.zip.CRC32;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
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
                text("html", true, each("<img src=\"%s\">")), text("css", true, each("a { background: url(\"%s\") }")),
                text("svg", true, each("<svg xmlns=\"http://www.w3.org/2000/svg\">", "<image href=\"%s\"/>", "</svg>")),
                text("otio", true,
                        joined("{\"OTIO_SCHEMA\": \"Timeline.1\", \"a\": [",
                                "{\"OTIO_SCHEMA\": \"ExternalReference.1\", \"target_url\": \"%s\"}", "]}")),
                text("gltf", true, joined("{\"asset\": {\"version\": \"2.0\"}, \"images\": [", "{\"uri\": \"%s\"}", "]}")),
                text("mtl", false, each("newmtl a\nmap_Kd %s\n")),
                text("edl", false, each("TITLE: X\n", "* SOURCE FILE: %s\n", "")),
                text("smil", true, each("<smil><body>", "<img src=\"%s\"/>", "</body></smil>")),
                text("xspf", true,
                        each("<playlist xmlns=\"http://xspf.org/ns/0/\"><trackList>", "<track><image>%s</image></track>",
                                "</trackList></playlist>")),
                text("m3u", false, each("%s\n")), text("cue", false, each("FILE \"%s\" WAVE\n")),
                text("mpd", true,
                        each("<MPD><Period><AdaptationSet><Representation><SegmentList>", "<SegmentURL media=\"%s\"/>",
                                "</SegmentList></Representation></AdaptationSet></Period></MPD>")),
                text("dae", true,
                        each("<COLLADA><library_images>", "<image><init_from>%s</init_from></image>", "</library_images></COLLADA>")),
                text("x3d", true, each("<X3D><Scene>", "<ImageTexture url='\"%s\"'/>", "</Scene></X3D>")),
                text("wrl", true, each("#VRML V2.0 utf8\n", "ImageTexture { url \"%s\" }\n", "")),
                text("usda", false, each("#usda 1.0\ndef \"A\" {\n", "asset f = @%s@\n", "}")),
                text("mtlx", false, each("<materialx>", "<input name=\"f\" type=\"filename\" value=\"%s\"/>", "</materialx>")),
                text("ply", false, each("ply\n", "comment TextureFile %s\n", "end_header\n")),
                text("stp", false,
                        texts -> "ISO-10303-21;\nDATA;\n"
                                + texts.stream().map(one -> "#1=DOCUMENT_FILE('" + one.replace("\\", "\\\\") + "','',$,#2,'',$);\n")
                                        .collect(Collectors.joining())
                                + "ENDSEC;"),
                text("fodg", true, each("<office:document " + odf + ">", "<draw:image xlink:href=\"%s\"/>", "</office:document>")),
                text("md", true, each("![x](%s)\n\n")), text("sfz", false, each("<region> sample=%s\n")),
                text("musicxml", true, each("<score-partwise>", "<credit-image source=\"%s\"/>", "</score-partwise>")),
                text("scn", false, each("map = \"%s\"\n")),
                zipped("odt", true, "content.xml",
                        texts -> each("<office:document-content " + odf + ">", "<draw:image xlink:href=\"%s\"/>",
                                "</office:document-content>")
                                .apply(texts.stream().map(one -> one.startsWith("..") ? "../" + one : one).toList())),
                zipped("docx", true, "word/_rels/document.xml.rels",
                        each("<Relationships>", "<Relationship Target=\"%s\" TargetMode=\"External\"/>", "</Relationships>")),
                zipped("3mf", true, "_rels/.rels",
                        each("<Relationships>", "<Relationship Target=\"%s\" TargetMode=\"External\"/>", "</Relationships>")),
                Arguments.of(new Format("glb", true, FormatOutcomesTest::glb)),
                Arguments.of(new Format("pdf", false, FormatOutcomesTest::pdf)),
                zipped("dawproject", false, "project.xml", each("<Project>", "<File path=\"%s\" external=\"true\"/>", "</Project>")));
    }

    @ParameterizedTest
    @MethodSource("formats")
    void fourLinksLeadWhereTheyShould(Format format) throws IOException {
        Path project = Files.createDirectories(temp.resolve("Project"));
        Files.createDirectories(project.resolve("m"));
        Files.createDirectories(project.resolve("d"));
        Files.writeString(project.resolve("m/lamp one.png"), "x");
        List<String> texts = format.uri
                ? List.of("../m/lamp%20one.png", "../m/Lamp%20one.png", "../m/gone.png", "file:///C:/Users/mara/x.png")
                : List.of("../m/lamp one.png", "../m/Lamp one.png", "../m/gone.png", "C:\\Users\\mara\\x.png");
        Files.write(project.resolve("d/doc." + format.extension), format.document.apply(texts));
        Report report = new ProjectCheck(CheckRequest.of(Optional.empty(), RosterFields.NONE)).run(new FolderSource(project));
        assertThat(report.links().stream().map(link -> link.form() + " " + link.outcome() + " " + link.target().orElse("-")).toList())
                .containsExactly("relative ok m/lamp one.png", "relative misspelt m/lamp one.png", "relative missing -", "drive outside -");
        assertThat(report.findings().stream().filter(finding -> !finding.severity().equals("note")).map(Report.FindingLine::code).sorted()
                .toList())
                .containsExactly("link.missing", "link.misspelt", "link.outside");
        String severity = format.extension.equals("scn") ? "should" : "must";
        assertThat(report.findings()).filteredOn(finding -> finding.code().equals("link.missing") || finding.code().equals("link.outside"))
                .allSatisfy(finding -> assertThat(finding.severity()).isEqualTo(severity));
    }

    /** Binary glTF 2.0 (section 4): a header of 12 bytes and one chunk of JSON. */
    private static byte[] glb(List<String> texts) {
        String json = joined("{\"asset\": {\"version\": \"2.0\"}, \"images\": [", "{\"uri\": \"%s\"}", "]}").apply(texts);
        byte[] chunk = (json + " ".repeat((4 - json.length() % 4) % 4)).getBytes(StandardCharsets.US_ASCII);
        return ByteBuffer.allocate(20 + chunk.length).order(ByteOrder.LITTLE_ENDIAN).putInt(0x46546C67).putInt(2).putInt(20 + chunk.length)
                .putInt(chunk.length).putInt(0x4E4F534A).put(chunk).array();
    }

    /** A page whose links open other files; readers find the objects without a table of them. */
    private static byte[] pdf(List<String> texts) {
        StringBuilder out = new StringBuilder(
                "%PDF-1.7\n1 0 obj\n<< /Type /Catalog /Pages 2 0 R >>\nendobj\n2 0 obj\n<< /Type /Pages /Kids [3 0 R] /Count 1 >>\nendobj\n3 0 obj\n<< /Type /Page /Parent 2 0 R /Annots [");
        texts.forEach(text -> out.append("<< /Type /Annot /Subtype /Link /Rect [0 0 1 1] /A << /S /Launch /F (")
                .append(text.replace("\\", "\\\\")).append(") >> >>\n"));
        return out.append("] >>\nendobj\ntrailer\n<< /Root 1 0 R >>\n%%EOF\n").toString().getBytes(StandardCharsets.ISO_8859_1);
    }

    /** A format whose links are meant to stay in its package: one found, one not, one on a disk, one on the web. */
    @ParameterizedTest
    @ValueSource(strings = {"epub", "ora", "usdz", "zae"})
    void packagesAreLookedUpInThemselves(String extension) throws IOException {
        Path project = Files.createDirectories(temp.resolve("Project"));
        Files.createDirectories(project.resolve("pictures"));
        // Beside the package, where its links must not be looked for.
        Files.writeString(project.resolve("pictures/gone.png"), "x");
        List<String> texts = List.of("pictures/here.png", "pictures/gone.png", "file:///C:/Users/mara/x.png", "https://example.org/a.png");
        Files.write(project.resolve("doc." + extension), enclosed(extension, texts));
        Report report = new ProjectCheck(CheckRequest.of(Optional.empty(), RosterFields.NONE)).run(new FolderSource(project));
        assertThat(report.links().stream().map(link -> link.text() + " " + link.form() + " " + link.outcome()).toList())
                .containsExactly("pictures/gone.png relative missing", "file:///C:/Users/mara/x.png drive outside",
                        "https://example.org/a.png remote remote");
        assertThat(report.links()).allSatisfy(link -> assertThat(link.document()).startsWith("doc." + extension + "!/"));
        assertThat(report.findings().stream().map(Report.FindingLine::code).filter(code -> !code.equals("asset.unused")).toList())
                .containsExactly("link.missing", "link.outside", "link.remote");
    }

    private static byte[] enclosed(String extension, List<String> texts) throws IOException {
        Map<String, String> members = new LinkedHashMap<>();
        switch (extension) {
            case "epub" -> {
                members.put("mimetype", "application/epub+zip");
                members.put("META-INF/container.xml",
                        "<container xmlns=\"urn:oasis:names:tc:opendocument:xmlns:container\"><rootfiles><rootfile full-path=\"book.opf\" media-type=\"application/oebps-package+xml\"/></rootfiles></container>");
                members.put("book.opf",
                        "<package xmlns=\"http://www.idpf.org/2007/opf\"><manifest><item id=\"a\" href=\"a.xhtml\" media-type=\"application/xhtml+xml\"/></manifest></package>");
                members.put("a.xhtml",
                        each("<html xmlns=\"http://www.w3.org/1999/xhtml\"><body>", "<img src=\"%s\"/>", "</body></html>").apply(texts));
            }
            case "ora" -> {
                members.put("mimetype", "image/openraster");
                members.put("stack.xml", each("<image><stack>", "<layer src=\"%s\"/>", "</stack></image>").apply(texts));
            }
            case "usdz" -> members.put("doc.usda", each("#usda 1.0\ndef \"A\" {\n", "asset f = @%s@\n", "}").apply(texts));
            default -> {
                members.put("manifest.xml", "<dae_root>doc.dae</dae_root>");
                members.put("doc.dae",
                        each("<COLLADA><library_images>", "<image><init_from>%s</init_from></image>", "</library_images></COLLADA>")
                                .apply(texts));
            }
        }
        members.put("pictures/here.png", "x");
        return zip(members);
    }

    private static byte[] zip(Map<String, String> members) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (Map.Entry<String, String> member : members.entrySet()) {
                byte[] content = member.getValue().getBytes(StandardCharsets.UTF_8);
                ZipEntry entry = new ZipEntry(member.getKey());
                // Stored, as the first member of some packages and all of others have to be.
                entry.setMethod(ZipEntry.STORED);
                entry.setSize(content.length);
                CRC32 sum = new CRC32();
                sum.update(content);
                entry.setCrc(sum.getValue());
                zip.putNextEntry(entry);
                zip.write(content);
            }
        }
        return out.toByteArray();
    }

    private static Arguments text(String extension, boolean uri, Function<List<String>, String> document) {
        return Arguments.of(new Format(extension, uri, texts -> document.apply(texts).getBytes(StandardCharsets.UTF_8)));
    }

    private static Arguments zipped(String extension, boolean uri, String member, Function<List<String>, String> document) {
        return Arguments.of(new Format(extension, uri, texts -> {
            try {
                return zip(Map.of(member, document.apply(texts)));
            } catch (IOException impossible) {
                throw new AssertionError(impossible);
            }
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
