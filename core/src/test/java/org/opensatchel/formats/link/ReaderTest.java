package org.opensatchel.formats.link;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import java.util.zip.CRC32;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.words.Words;
import org.opensatchel.formats.Formats;
import org.opensatchel.formats.format.Format;

/**
 * Every sample under {@code samples/FORMAT/} is read and held against the file of the same name with {@code .expected}: a
 * line for each link, its place and its text, and a last line {@code ! place phrase} where the document cannot be read on.
 */
class ReaderTest {

    private static final Path SAMPLES = Path.of("../formats/src/test/resources/samples");

    static Stream<Path> samples() throws IOException {
        return Files.walk(SAMPLES, 2).filter(path -> SAMPLES.relativize(path).getNameCount() == 2 && !path.toString().endsWith(".expected"))
                .sorted();
    }

    /** A sample's bytes; a folder is packed as a ZIP, what is named {@code mimetype} first and as it is. */
    private static byte[] content(Path sample) throws IOException {
        if (Files.isRegularFile(sample)) {
            return Files.readAllBytes(sample);
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out); Stream<Path> files = Files.walk(sample)) {
            for (Path file : files.filter(Files::isRegularFile)
                    .sorted(Comparator.comparing((Path path) -> !path.endsWith("mimetype")).thenComparing(Comparator.naturalOrder()))
                    .toList()) {
                byte[] bytes = Files.readAllBytes(file);
                ZipEntry entry = new ZipEntry(sample.relativize(file).toString());
                if (file.endsWith("mimetype")) {
                    CRC32 crc = new CRC32();
                    crc.update(bytes);
                    entry.setMethod(ZipEntry.STORED);
                    entry.setSize(bytes.length);
                    entry.setCrc(crc.getValue());
                }
                zip.putNextEntry(entry);
                zip.write(bytes);
            }
        }
        return out.toByteArray();
    }

    @ParameterizedTest
    @MethodSource("samples")
    void findsWhatIsExpected(Path sample) throws IOException {
        List<String> expected = Files.readAllLines(Path.of(sample + ".expected")).stream().filter(line -> !line.isBlank()).toList();
        assertThat(read(sample.getFileName().toString(), content(sample))).isEqualTo(expected);
    }

    @ParameterizedTest
    @MethodSource("samples")
    void anyDamageGivesLinksOrAProblemNeverAnException(Path sample) throws IOException {
        long seed = new Random().nextLong();
        Random random = new Random(seed);
        byte[] whole = content(sample);
        for (int i = 0; i < 400 && whole.length > 0; i++) {
            byte[] spoilt = random.nextInt(4) == 0 ? Arrays.copyOf(whole, random.nextInt(whole.length)) : whole.clone();
            if (spoilt.length > 0) {
                spoilt[random.nextInt(spoilt.length)] = (byte) random.nextInt(256);
            }
            assertThat(read(sample.getFileName().toString(), spoilt)).as("seed %d", seed).isNotNull();
        }
    }

    @Test
    void everyFormatHasASample() throws IOException {
        Set<String> read = new TreeSet<>();
        for (Path sample : samples().toList()) {
            reader(sample.getFileName().toString(), content(sample)).ifPresent(read::add);
        }
        assertThat(read).containsExactlyInAnyOrderElementsOf(Formats.documents().stream().map(Format::id).toList());
    }

    @Test
    void theFormatIsToldByContentFirst() throws IOException {
        assertThat(reader("scene.json", Files.readAllBytes(SAMPLES.resolve("gltf/clean.gltf")))).contains("gltf");
        assertThat(reader("cut.json", Files.readAllBytes(SAMPLES.resolve("otio/rich.otio")))).contains("otio");
        assertThat(reader("model.bin", "glTF\2\0\0\0".getBytes(StandardCharsets.ISO_8859_1))).contains("glb");
        assertThat(reader("drawing.xml",
                "<?xml version='1.0'?><!-- <a> --><svg xmlns='http://www.w3.org/2000/svg'/>".getBytes(StandardCharsets.UTF_8)))
                .contains("svg");
        assertThat(reader("notes.txt", "hello".getBytes(StandardCharsets.UTF_8))).isEmpty();
    }

    /** Samples whose content alone tells what they are, whatever their name says. */
    @ParameterizedTest
    @CsvSource({"collada/kettle.dae,collada", "dash/stall.mpd,dash", "epub/guide.epub,epub",
            "gltf/clean.gltf,gltf", "gltf/box.glb,glb", "materialx/steel.mtlx,materialx",
            "musicxml/bell.musicxml,musicxml", "odf/brief.odt,odf", "odf/flat.fodg,odf",
            "opc/notes.docx,opc", "opc/plan.3mf,opc", "ora/sign.ora,ora",
            "otio/rich.otio,otio", "otio/bundle.otioz,otioz", "pdf/poster.pdf,pdf",
            "ply/cup.ply,ply", "smil/stall.smil,smil", "step/press.stp,step", "svg/rich.svg,svg",
            "usd/kettle.usda,usda", "vrml/stall.wrl,vrml", "x3d/stall.x3d,x3d", "xspf/bells.xspf,xspf",
            "m3u/tea.m3u,m3u"})
    void aRenamedDocumentIsStillOne(String sample, String format) throws IOException {
        byte[] content = content(SAMPLES.resolve(sample));
        for (String name : List.of("thing", "thing.dat", "thing.xml", "thing.zip")) {
            assertThat(reader(name, content)).as(name).contains(format);
        }
    }

    @Test
    void deepLongAndBombedDocumentsEndInAProblem() {
        assertThat(read("deep.otio", ("{\"OTIO_SCHEMA\":\"Timeline.1\",\"a\":" + "[".repeat(100_000)).getBytes(StandardCharsets.UTF_8)))
                .last().asString().startsWith("!");
        String entities = "<!DOCTYPE svg [<!ENTITY a \"aaaaaaaaaa\">" + Stream.iterate(1, i -> i + 1).limit(30)
                .map(i -> "<!ENTITY a" + i + " \"" + ("&a" + (i == 1 ? "" : i - 1) + ";").repeat(10) + "\">").reduce("", String::concat)
                + "]>";
        assertThat(read("bomb.svg",
                (entities + "<svg xmlns=\"http://www.w3.org/2000/svg\"><title>&a30;</title></svg>").getBytes(StandardCharsets.UTF_8)))
                .last().asString().startsWith("!");
        assertThat(read("deep.svg", "<g>".repeat(100_000).getBytes(StandardCharsets.UTF_8))).last().asString().startsWith("!");
        assertThat(read("deep.html", "<div>".repeat(100_000).getBytes(StandardCharsets.UTF_8))).isEmpty();
        assertThat(read("long.obj", ("mtllib " + "a".repeat(3 << 20)).getBytes(StandardCharsets.UTF_8))).last().asString().startsWith("!");
    }

    @Test
    void nothingOutsideTheDocumentIsOpened() {
        String external = "<!DOCTYPE svg PUBLIC \"-//W3C//DTD SVG 1.1//EN\" \"http://127.0.0.1:9/none.dtd\" [<!ENTITY x SYSTEM \"file:///etc/passwd\">]>"
                + "<svg xmlns=\"http://www.w3.org/2000/svg\"><image href=\"a.png\"/><text>&x;&nbsp;</text></svg>";
        assertThat(read("external.svg", external.getBytes(StandardCharsets.UTF_8))).hasSize(2).first()
                .isEqualTo("/svg[1]/image[1]/@href  a.png");
    }

    private static Optional<String> reader(String name, byte[] content) {
        return Formats.document(ProjectPath.of(name).extension(), new Head(Arrays.copyOf(content, Math.min(content.length, 4_096))))
                .map(document -> document.format().id());
    }

    private static List<String> read(String name, byte[] content) {
        ProjectPath path = ProjectPath.of(name);
        Optional<LinkReader> reader = Formats.document(path.extension(), new Head(Arrays.copyOf(content, Math.min(content.length, 4_096))))
                .map(Formats.Document::reader);
        if (reader.isEmpty()) {
            return List.of("no reader");
        }
        LinkSink sink = new LinkSink(path, 4_096, Formats.ENDINGS);
        List<String> out = new ArrayList<>();
        try {
            reader.get().read(new DocumentContent(path, new ByteArrayInputStream(content), 64 << 20), sink);
        } catch (Unreadable unreadable) {
            sink.problem(unreadable.problem());
        } catch (IOException impossible) {
            throw new AssertionError(impossible);
        }
        sink.links().forEach(link -> out.add(member(path, link.document()) + link.at().text() + "  " + link.text()
                + (link.path().equals(link.text()) ? "" : "  as " + link.path())
                + (link.base().isEmpty() ? "" : "  from " + link.base())
                + (link.standing() == Link.Standing.STATED ? "" : "  " + link.standing().name().toLowerCase(Locale.ROOT))
                + (link.alternatives().isEmpty() ? "" : "  or another")
                + link.frames().map(frames -> "  " + frames.number(frames.first()) + " to " + frames.number(frames.last())).orElse("")));
        sink.problems().forEach(trouble -> out.add("! " + member(path, trouble.document()) + trouble.problem().at().text() + " "
                + Words.ENGLISH.text(trouble.problem().what())));
        return out;
    }

    private static String member(ProjectPath file, ProjectPath document) {
        return document.equals(file) ? "" : document.text().substring(file.text().length() + 2) + " ";
    }
}
