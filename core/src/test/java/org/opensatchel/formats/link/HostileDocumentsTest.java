package org.opensatchel.formats.link;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.words.Words;
import org.opensatchel.formats.Formats;
import org.opensatchel.formats.format.Format;

/** Every reader against what nobody would write: it ends with what it found and perhaps a problem, never with anything else. */
class HostileDocumentsTest {

    private static final int DEEP = 100_000;
    private static final long LIMIT = 64L << 20;

    static Stream<Arguments> readersAndTexts() {
        List<Arguments> out = new ArrayList<>();
        for (Format format : Formats.documents()) {
            for (Hostile hostile : Hostile.values()) {
                out.add(Arguments.of(format, hostile, format.links().orElseThrow()));
            }
        }
        return out.stream();
    }

    /** What is fed to them. */
    enum Hostile {
        NESTED_JSON("{\"OTIO_SCHEMA\":\"Timeline.1\",\"asset\":{\"version\":\"2.0\"},\"a\":" + "[".repeat(DEEP)),
        NESTED_XML("<?xml version=\"1.0\"?><svg>" + "<g>".repeat(DEEP)),
        NESTED_BRACKETS("#usda 1.0\n#VRML V2.0 utf8\n" + "Group { children [ ".repeat(DEEP)),
        NESTED_PAGE("<!DOCTYPE html>" + "<div><table>".repeat(DEEP)),
        NESTED_QUOTES(">".repeat(DEEP) + "[".repeat(DEEP) + "](".repeat(1_000) + "*_".repeat(DEEP)),
        NESTED_PARENTHESES("ISO-10303-21;\nDATA;\n#1=A(" + "(".repeat(DEEP)),
        ENTITIES("<!DOCTYPE a [" + entities() + "]><a>&e30;</a>"),
        ATTRIBUTES("<svg " + Stream.iterate(1, i -> i + 1).limit(20_000).map(i -> "a" + i + "=\"x\" ").reduce("",
                (a, b) -> a.length() > 300_000 ? a : a + b) + "/>"),
        LINES("mtllib a\\\n".repeat(DEEP) + "comment TextureFile x\n".repeat(DEEP)),
        OPEN_STRINGS("\"".repeat(DEEP) + "'".repeat(DEEP + 1) + "@@@@".repeat(DEEP) + "/*"),
        ESCAPES("@import url(" + "\\".repeat(DEEP) + ");" + "url(".repeat(DEEP)),
        CONTROLS("\1\2\3\u001b[2J\u202e\u2028 F:\\a\1b.png"),
        DIRECTIVES("#include \"".repeat(DEEP) + "<control> default_path=" + "x".repeat(DEEP) + " sample=".repeat(DEEP)),
        NOTHING("");

        private final String text;

        Hostile(String text) {
            this.text = text;
        }

        private static String entities() {
            StringBuilder out = new StringBuilder("<!ENTITY e0 \"aaaaaaaaaa\">");
            for (int i = 1; i <= 30; i++) {
                out.append("<!ENTITY e").append(i).append(" \"").append(("&e" + (i - 1) + ";").repeat(10)).append("\">");
            }
            return out.toString();
        }
    }

    @ParameterizedTest(name = "{0} {1}")
    @MethodSource("readersAndTexts")
    void endsOrdinarily(Format format, Hostile hostile, LinkReader reader) throws IOException {
        for (Charset charset : List.of(StandardCharsets.UTF_8, StandardCharsets.UTF_16)) {
            byte[] content = hostile.text.getBytes(charset);
            boolean packed = reader.recognises(format.endings().get(0), new Head(new byte[]{'P', 'K', 3, 4, 20, 0}));
            for (byte[] one : packed ? List.of(content, zipped(content))
                    : List.of(content, java.util.Arrays.copyOf(content, content.length / 2))) {
                LinkSink sink = new LinkSink(ProjectPath.of("a." + format.endings().get(0)), 4_096, Formats.ENDINGS);
                try {
                    reader.read(new DocumentContent(sink.file(), new ByteArrayInputStream(one), LIMIT), sink);
                } catch (Unreadable told) {
                    assertThat(Words.ENGLISH.text(told.problem().what())).isNotBlank();
                }
                assertThat(sink.links()).allSatisfy(link -> assertThat(link.text().length()).isLessThanOrEqualTo(4_096));
            }
        }
    }

    /** The same inside a package, under the names that packages are looked into for. */
    private static byte[] zipped(byte[] content) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            zip.setLevel(1);
            for (String name : List.of("content.otio", "manifest.xml", "a.dae", "a.usda", "_rels/.rels", "content.xml",
                    "META-INF/manifest.xml", "META-INF/container.xml", "stack.xml", "a.opf", "a.xhtml", "a.css", "score.xml",
                    "project.xml")) {
                zip.putNextEntry(new ZipEntry(name));
                zip.write(content, 0, Math.min(content.length, 200_000));
            }
        }
        return out.toByteArray();
    }

    static Stream<Arguments> readers() {
        return Formats.documents().stream().map(format -> Arguments.of(format, format.links().orElseThrow()));
    }

    /** One line longer than anything is read, made as it is read: an end or a refusal, in bounded memory. */
    @ParameterizedTest(name = "{0}")
    @MethodSource("readers")
    void anEndlessLineIsNoTrap(Format format, LinkReader reader) throws IOException {
        LinkSink sink = new LinkSink(ProjectPath.of("a." + format.endings().get(0)), 4_096, Formats.ENDINGS);
        try {
            reader.read(new DocumentContent(sink.file(), new Endless("mtllib map_Kd \"<svg a='x"), LIMIT), sink);
        } catch (Unreadable told) {
            assertThat(Words.ENGLISH.text(told.problem().what())).isNotBlank();
        }
        assertThat(sink.links().size()).isLessThan(10);
    }

    @Test
    void linksBeyondCountAreToldAndNotKept() throws Exception {
        byte[] playlist = ("#EXTM3U\n" + "a.wav\n".repeat(LinkSink.Allowance.ONE_DOCUMENT.links() + 10)).getBytes(StandardCharsets.UTF_8);
        LinkSink sink = new LinkSink(ProjectPath.of("a.m3u"), 4_096, Formats.ENDINGS);
        Formats.document("m3u", new Head(playlist)).orElseThrow().reader()
                .read(new DocumentContent(sink.file(), new ByteArrayInputStream(playlist), LIMIT), sink);
        assertThat(sink.links()).hasSize(LinkSink.Allowance.ONE_DOCUMENT.links());
        assertThat(sink.problems()).singleElement()
                .satisfies(trouble -> assertThat(Words.ENGLISH.text(trouble.problem().what())).startsWith("names more than 200,000 files"));
    }

    /** 200 MB of one letter behind a beginning. */
    private static final class Endless extends InputStream {
        private static final long LENGTH = 200_000_000;
        private final byte[] start;
        private long at;

        Endless(String start) {
            this.start = start.getBytes(StandardCharsets.UTF_8);
        }

        @Override
        public int read() {
            return at >= LENGTH ? -1 : at < start.length ? start[(int) at++] : (at++ < 0 ? 0 : 'x');
        }

        @Override
        public int read(byte[] into, int from, int length) {
            if (at >= LENGTH) {
                return -1;
            }
            int count = (int) Math.min(length, LENGTH - at);
            for (int i = 0; i < count; i++) {
                into[from + i] = at + i < start.length ? start[(int) at + i] : (byte) 'x';
            }
            at += count;
            return count;
        }
    }
}
