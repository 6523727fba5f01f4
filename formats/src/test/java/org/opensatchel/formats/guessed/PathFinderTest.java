package org.opensatchel.formats.guessed;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.stream.Stream;
import java.util.zip.GZIPOutputStream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.formats.Formats;
import org.opensatchel.formats.link.DocumentContent;
import org.opensatchel.formats.link.Link;
import org.opensatchel.formats.link.LinkSink;
import org.opensatchel.formats.link.Unreadable;

/** Paths in files of no known format: found whole, ended where they end, told with their place, and never at a great cost. */
class PathFinderTest {

    /** A line of text, and what is found in it. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '`', textBlock = """
            map = "F:\\OBJ210\\steel plate.png" gloss=1           | F:\\OBJ210\\steel plate.png
            map F:/OBJ210/steel.png                                | F:/OBJ210/steel.png
            map=F:\\OBJ210\\my steel.png, and more                 | F:\\OBJ210\\my steel.png
            clip /Volumes/TAKES/lampé one.mov rest               | /Volumes/TAKES/lampé one.mov
            <clip src='/Users/mara/a.wav'/>                        | /Users/mara/a.wav
            <clip>/home/mara/my sounds/a.wav</clip>                | /home/mara/my sounds/a.wav
            (\\\\srv\\pool\\rain.wav)                              | \\\\srv\\pool\\rain.wav
            file:///F:/OBJ210/steel%20plate.png.                   | file:///F:/OBJ210/steel%20plate.png
            url(file:///Users/mara/a.png)                          | file:///Users/mara/a.png
            ~/Movies/a.mov                                         | ~/Movies/a.mov
            F:/a/../b/c.png and D:/.cache/x.png                    | F:/a/../b/c.png
            /run/media/mara/STICK/a.flac;/mnt/x/b.flac             | /run/media/mara/STICK/a.flac;; /mnt/x/b.flac
            "lamp.png" and 'sub/lamp two.jpg' and "no.xyz"         | lamp.png;; sub/lamp two.jpg
            see http://example.org/a.png and mailto:a@b.c          |
            C:\\Windows\\Fonts\\a.ttf /usr/share/a.png             |
            "C:\\Program Files\\Thing\\a.png"                      |
            ratio 16:9, 12:/30 a/b.png                             |
            "K:\\library\\a.png" /Library/Fonts/a.ttf              | K:\\library\\a.png
            "C:\\Users\\m\\AppData\\Local\\x\\a.png"          |
            "K:\\opt\\a.png" /opt/thing/share/a.png                | K:\\opt\\a.png
            "audio/vnd.wave" '../a/tool.exe' /home/m/.config/a.png |
            file:///usr/share/a.png ~/.thing/b.png F:/a/b.dll      |
            F:\\folder\\only                                       |
            lamp.png without marks                                 |
            "C:\\\\Users\\\\mara\\\\Desktop\\\\b.mov"              | C:\\Users\\mara\\Desktop\\b.mov
            """)
    void findsThemInText(String line, String expected) throws IOException {
        List<String> wanted = expected == null ? List.of() : Arrays.stream(expected.split(";; ")).map(String::strip).toList();
        for (String charset : List.of("UTF-8", "windows-1252", "UTF-16LE", "UTF-16BE")) {
            byte[] mark = charset.equals("UTF-16LE") ? new byte[]{-1, -2} : charset.equals("UTF-16BE") ? new byte[]{-2, -1} : new byte[0];
            byte[] content = ("first line\n" + line + "\nlast").getBytes(Charset.forName(charset));
            assertThat(texts("thing.scn", joined(mark, content))).as(charset).isEqualTo(wanted);
        }
    }

    @Test
    void placesAreExact() throws IOException {
        assertThat(found("thing.scn", "é one\r\ntwo é F:\\a\\b.png \"c.png\"\n".getBytes(StandardCharsets.UTF_8)))
                .extracting(link -> link.at().text()).containsExactly("2:7", "2:19");
        assertThat(found("thing.bin", joined(new byte[]{0, 1, 2, 3}, "F:\\a\\b.png\0".getBytes(StandardCharsets.US_ASCII))))
                .extracting(link -> link.at().text()).containsExactly("byte 4");
        assertThat(
                found("thing.json", "{\"a\": [{\"b\": \"x\"}, \"F:\\\\a\\\\b c.png\"], \"d\": \"e.wav\"}".getBytes(StandardCharsets.UTF_8)))
                .extracting(link -> link.at().text() + " " + link.text())
                .containsExactly("/a/1 F:\\a\\b c.png", "/d e.wav");
        assertThat(found("thing.proj", "<p><c d='e &amp; f.wav'/><g>note on F:/a/h.mov, twice</g></p>".getBytes(StandardCharsets.UTF_8)))
                .extracting(link -> link.at().text() + " " + link.text())
                .containsExactly("/p[1]/c[1]/@d e & f.wav", "/p[1]/g[1] F:/a/h.mov");
    }

    @Test
    void printableRunsOfBinariesAreLookedThrough() throws IOException {
        Random random = new Random(7);
        byte[] noise = new byte[3_000_000];
        random.nextBytes(noise);
        byte[] one = "\1\0F:\\OBJ210\\steel.png\0".getBytes(StandardCharsets.US_ASCII);
        byte[] wide = "\0\0G:\\OBJ210\\wood é.png\0".getBytes(StandardCharsets.UTF_16LE);
        System.arraycopy(one, 0, noise, 1_048_570, one.length);
        System.arraycopy(wide, 0, noise, 2_000_000, wide.length);
        assertThat(texts("scene.scn", noise)).contains("F:\\OBJ210\\steel.png", "G:\\OBJ210\\wood é.png").hasSizeLessThan(6);
    }

    @Test
    void packedContentsAreLookedThrough() throws IOException {
        ByteArrayOutputStream packed = new ByteArrayOutputStream();
        try (GZIPOutputStream gzip = new GZIPOutputStream(packed)) {
            gzip.write("<p><c d='F:/a/b.wav'/></p>".getBytes(StandardCharsets.UTF_8));
        }
        assertThat(texts("thing.proj", packed.toByteArray())).containsExactly("F:/a/b.wav");
        ByteArrayOutputStream zipped = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(zipped)) {
            zip.putNextEntry(new ZipEntry("data/scene.json"));
            zip.write("{\"a\": \"in.png\", \"b\": \"../out.png\", \"c\": \"F:/x/y.png\", \"d\": \"not there.png\"}"
                    .getBytes(StandardCharsets.UTF_8));
            zip.putNextEntry(new ZipEntry("data/in.png"));
            zip.write(1);
            zip.putNextEntry(new ZipEntry("out.png"));
            zip.write(1);
        }
        assertThat(found("thing.proj", zipped.toByteArray()))
                .extracting(link -> link.document() + " " + link.at().text() + " " + link.text())
                .containsExactly("thing.proj!/data/scene.json /c F:/x/y.png", "thing.proj!/data/scene.json /d not there.png");
    }

    @Test
    void notesAndProgramsAreLetAloneHoweverTheyArePacked() throws IOException {
        byte[] text = "see \"F:/a/b.wav\"".getBytes(StandardCharsets.UTF_8);
        ByteArrayOutputStream zipped = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(zipped)) {
            for (String name : List.of("readme.txt", "tool/run.py", "scene.dat")) {
                zip.putNextEntry(new ZipEntry(name));
                zip.write(text);
            }
        }
        assertThat(found("thing.proj", zipped.toByteArray())).extracting(link -> link.document().text())
                .containsExactly("thing.proj!/scene.dat");
        ByteArrayOutputStream packed = new ByteArrayOutputStream();
        try (GZIPOutputStream gzip = new GZIPOutputStream(packed)) {
            gzip.write(text);
        }
        assertThat(found("notes.txt.gz", packed.toByteArray())).isEmpty();
        assertThat(found("scene.gz", packed.toByteArray())).hasSize(1);
    }

    /** What the members of a package of a program's own are made of, and what is found in them. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '`', textBlock = """
            scene.txt     | [clip]~file=footage/a.mov~start=0         | footage/a.mov
            scene.txt     | file: "footage/a b.mov"~in: 3            | footage/a b.mov
            settings.ini  | cache=F:\\cache\\x.wav~gain=2            | F:\\cache\\x.wav
            notes.txt     | We used a.mov and b.wav here.~Thanks, all | ``
            readme.txt    | file=footage/a.mov                         | ``
            table.csv     | name,length~a.mov,3                        | ``
            """)
    void textsInPackagesAreLookedAtWhereTheirValuesAreAssigned(String member, String text, String expected) throws IOException {
        ByteArrayOutputStream zipped = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(zipped)) {
            zip.putNextEntry(new ZipEntry(member));
            zip.write(text.replace('~', '\n').getBytes(StandardCharsets.UTF_8));
        }
        assertThat(String.join(";; ", texts("thing.proj", zipped.toByteArray()))).isEqualTo(expected);
    }

    @ParameterizedTest
    @ValueSource(strings = {"shot.mov", "notes.txt", "credits.csv", "font.ttf", "run.log", "tool.exe", "a.pyc"})
    void mediaAndWhatIsWrittenForPeopleIsLetAlone(String name) {
        assertThat(PathFinder.reads(name, "F:\\a\\b.png".getBytes(StandardCharsets.UTF_8))).isFalse();
        assertThat(PathFinder.reads("a.scn", new byte[]{(byte) 0x89, 'P', 'N', 'G', 13, 10, 26, 10})).isFalse();
        assertThat(PathFinder.reads("a.scn", "x".getBytes(StandardCharsets.UTF_8))).isTrue();
    }

    static Stream<Arguments> hostile() {
        return Stream.of("A:/", "A:/.a", "\"a.png'", "\\\\", "\\\\a\\", "/Users/", "/Users/.", "file:/", "~/", "'", "\".", ".png\"", "\"\\",
                "a:\\\0", "\"" + "x".repeat(1_000) + ".png", ".....").map(Arguments::of);
    }

    /** Twice as much of it is looked at twice as often: the looks are counted, not the time. */
    @ParameterizedTest
    @MethodSource("hostile")
    void theCostIsBoundedByTheLength(String piece) throws IOException {
        byte[] content = piece.repeat((4 << 20) / piece.length()).getBytes(StandardCharsets.ISO_8859_1);
        long[] looks = new long[2];
        for (int i = 0; i < 2; i++) {
            byte[] part = Arrays.copyOf(content, content.length / (2 - i));
            RawScan scan = new RawScan(Arrays.copyOf(part, 4_096), (at, text) -> {});
            scan.read(new ByteArrayInputStream(part));
            looks[i] = scan.looked();
            assertThat(looks[i]).isLessThan(9L * part.length + (1 << 17));
        }
    }

    /** Where a path stands in the stream, at the seam of two windows or not, makes no difference. */
    @Test
    void seamsHideNothing() throws IOException {
        long seed = new Random().nextLong();
        Random random = new Random(seed);
        for (int i = 0; i < 60; i++) {
            int before = (1 << 20) - 3_000 + random.nextInt(6_000);
            String text = "x".repeat(40) + "\n";
            byte[] content = (text.repeat(before / text.length()) + " ".repeat(before % text.length()) + "F:\\a\\lamp " + i + ".png\n"
                    + text.repeat(200)).getBytes(StandardCharsets.US_ASCII);
            assertThat(found("t.scn", content)).as("seed %d, %d", seed, before).singleElement().satisfies(link -> {
                assertThat(link.text()).startsWith("F:\\a\\lamp ");
                assertThat(link.at().text()).isEqualTo((before / text.length() + 1) + ":" + (before % text.length() + 1));
            });
        }
    }

    private static List<String> texts(String name, byte[] content) throws IOException {
        return found(name, content).stream().map(Link::text).toList();
    }

    private static List<Link> found(String name, byte[] content) throws IOException {
        LinkSink sink = new LinkSink(ProjectPath.of(name), 4_096, Formats.ENDINGS);
        try {
            PathFinder.read(new DocumentContent(ProjectPath.of(name), new ByteArrayInputStream(content), 64 << 20), sink);
        } catch (Unreadable ended) {
            // What was found before is kept.
        }
        List<Link> links = new ArrayList<>(sink.links());
        assertThat(links).allMatch(link -> link.standing() == Link.Standing.GUESSED);
        return links;
    }

    private static byte[] joined(byte[] a, byte[] b) {
        byte[] all = Arrays.copyOf(a, a.length + b.length);
        System.arraycopy(b, 0, all, a.length, b.length);
        return all;
    }
}
