package org.opensatchel.core.check;

import static org.assertj.core.api.Assertions.assertThat;

import com.sun.management.ThreadMXBean;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.lang.management.ManagementFactory;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.FutureTask;
import java.util.function.IntFunction;
import java.util.stream.IntStream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.KitReader;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.project.ProjectSource;
import org.opensatchel.core.project.ZipSource;
import org.opensatchel.core.report.Report;

/**
 * Names, trees, documents, lists, groups, inclusions and packages that go as deep as they like, through all stages of a check: on a thread
 * with little room for calls, a depth that somebody walks by calling himself ends in an error.
 */
class DepthTest {

    private static final int DEEP = 20_000;
    private static final long LITTLE_STACK = 320 << 10;
    private static final String SVG = "<svg xmlns=\"http://www.w3.org/2000/svg\">";

    @TempDir
    Path temp;

    /** What is deep; each takes how deep, and gives the members of an archive. */
    enum Deep {
        UP_IN_NAMES(deep -> Map.of("../".repeat(deep / 4) + "a.png", text("a"))),
        DOWN_AND_UP_IN_NAMES(deep -> Map.of("P/" + "a/../".repeat(deep / 4) + "a.png", text("a"))),
        FOLDERS_IN_NAMES(deep -> Map.of("P/" + "a/".repeat(deep / 2) + "a.png", text("a"))),
        FOLDERS(deep -> Map.of("P/" + "a/".repeat(deep / 2), new byte[0])),
        MANY_DEEP_FOLDERS(deep -> each(300, i -> "P/" + (i + "/").repeat(95) + "a.png", i -> text("x" + i))),
        HIDDEN_FOLDERS(deep -> Map.of("P/" + ".a/".repeat(90) + "a.png", text("a"))),
        DOWN_IN_LINKS(deep -> Map.of("P/a.svg", picture("a/".repeat(deep)))),
        UP_IN_LINKS(deep -> Map.of("P/a.svg", picture("../".repeat(deep)))),
        UP_AND_DOWN_IN_LINKS(deep -> Map.of("P/a.svg", picture("a/../".repeat(deep)))),
        ROOTS_IN_LINKS(deep -> Map.of("P/a.svg", picture("F:/" + "P/".repeat(deep)), "P/b/c.png", text("c"))),
        DEVICES_IN_LINKS(deep -> Map.of("P/a.svg", picture("\\\\?\\UNC\\".repeat(deep)))),
        PERCENT_IN_LINKS(deep -> Map.of("P/a.svg", picture("%25".repeat(deep)))),
        BACKSLASHES_IN_LINKS(deep -> Map.of("P/a.svg", picture("a\\..\\".repeat(deep)))),
        INCLUSIONS(deep -> each(1_500, i -> "P/" + i + ".svg", i -> picture((i + 1) + ".svg\"/><image href=\"\""))),
        INCLUSIONS_IN_A_CIRCLE(deep -> each(1_500, i -> "P/" + i + ".svg", i -> picture((i + 1) % 1_500 + ".svg\"/><image href=\"\""))),
        PARTS_OF_TEXTS(deep -> each(1_500, i -> "P/" + i + ".tex", i -> text("\\input{" + (i + 1) + "}\n\\includegraphics{gone}"))),
        ELEMENTS(deep -> Map.of("P/a.svg", text(SVG + "<g>".repeat(deep)))),
        ELEMENTS_OF_LONG_NAMES(deep -> Map.of("P/a.svg",
                text(SVG + ("<" + "g".repeat(2_000) + ">").repeat(900) + "<image href=\"gone.png\"/>".repeat(2_000)))),
        LEVELS(deep -> Map.of("P/a.mpd", text("<MPD>" + "<Period><BaseURL>a/</BaseURL>".repeat(900)))),
        LISTS(deep -> Map.of("P/a.otio", text("{\"OTIO_SCHEMA\":\"Timeline.1\",\"tracks\":" + "[".repeat(deep)))),
        STACKS(deep -> Map.of("P/a.otio",
                text("{\"OTIO_SCHEMA\":\"Timeline.1\",\"tracks\":" + "{\"OTIO_SCHEMA\":\"Stack.1\",\"children\":[".repeat(400)
                        + "]}".repeat(400)
                        + "}"))),
        GROUPS(deep -> Map.of("P/a.wrl", text("#VRML V2.0 utf8\n" + "Group { children [ ".repeat(deep)))),
        PAGES(deep -> Map.of("P/a.html", text("<div>".repeat(deep)), "P/a.md", text("> ".repeat(deep) + "[".repeat(deep)))),
        UNKNOWN_XML(deep -> Map.of("P/a.scn", text("<a>".repeat(deep) + "F:\\a\\b.png"))),
        UNKNOWN_JSON(deep -> Map.of("P/a.scn", text("[".repeat(deep) + "\"F:\\\\a\\\\b.png\""))),
        RIFF(deep -> Map.of("P/a.avi", lists(deep))),
        BOXES(deep -> Map.of("P/a.mp4", boxes(deep))),
        ELEMENTS_OF_FILMS(deep -> Map.of("P/a.mkv", elements(deep))),
        PACKAGES(deep -> Map.of("P/a.epub", packed(60, "a.epub"), "P/a.zip", packed(60, "a.zip"), "P/a.scn", packed(60, "a.scn"))),
        MEMBERS(deep -> Map.of("P/a.3mf", zip(Map.of("[Content_Types].xml", text("<Types/>"), "_rels/.rels",
                text("<Relationships><Relationship Target=\"" + "a/".repeat(deep / 4) + "\"/></Relationships>"),
                "a/".repeat(deep / 2) + "b",
                text("b")))));

        private final IntFunction<Map<String, byte[]>> members;

        Deep(IntFunction<Map<String, byte[]>> members) {
            this.members = members;
        }
    }

    @ParameterizedTest
    @EnumSource(Deep.class)
    void nothingIsSoDeepThatItEndsACheck(Deep what) throws Exception {
        Path archive = write(what.members.apply(DEEP));
        Report plain = inLittleRoom(() -> check(archive, Optional.empty()));
        Report planned = inLittleRoom(() -> check(archive, Optional.of(kit())));
        assertThat(plain.findings()).as("%s", what).noneMatch(finding -> finding.code().equals(Code.PACKAGE_RULE_FAILED.id()));
        assertThat(planned.findings()).as("%s under a kit", what)
                .noneMatch(finding -> finding.code().equals(Code.PACKAGE_RULE_FAILED.id()));
    }

    /** What is twice as deep takes twice as much, and not four times: counted in bytes of objects, which no other program changes. */
    @ParameterizedTest
    @EnumSource(value = Deep.class, names = {"UP_IN_NAMES", "FOLDERS_IN_NAMES", "DOWN_IN_LINKS", "UP_IN_LINKS", "UP_AND_DOWN_IN_LINKS",
            "ROOTS_IN_LINKS", "DEVICES_IN_LINKS", "BACKSLASHES_IN_LINKS", "RIFF", "BOXES"})
    void whatIsTwiceAsDeepCostsTwiceAsMuch(Deep what) throws Exception {
        Path half = write(what.members.apply(7_000));
        Path whole = write(what.members.apply(14_000));
        // Classes are loaded and code is made while the first one runs.
        inLittleRoom(() -> taken(half));
        long once = inLittleRoom(() -> taken(half));
        long twice = inLittleRoom(() -> taken(whole));
        assertThat(twice).as("%s: %d bytes of objects, and %d when twice as deep", what, once, twice).isLessThan(3 * once);
    }

    private long taken(Path archive) throws IOException {
        ThreadMXBean threads = (ThreadMXBean) ManagementFactory.getThreadMXBean();
        long before = threads.getThreadAllocatedBytes(Thread.currentThread().getId());
        check(archive, Optional.empty());
        return threads.getThreadAllocatedBytes(Thread.currentThread().getId()) - before;
    }

    private static Report check(Path archive, Optional<Kit> kit) throws IOException {
        try (ProjectSource source = ZipSource.open(archive)) {
            return new ProjectCheck(CheckRequest.of(kit, RosterFields.NONE)).run(source);
        }
    }

    private static Kit kit() {
        return KitReader.read(text("""
                {"kit": 1, "title": "Deep", "root": {"name": "P"}, "folders": [
                  {"path": "a", "purpose": "x", "need": "forbidden"}, {"path": "b", "purpose": "x", "need": "required", "sealed": true},
                  {"path": "c/{word}", "purpose": "x", "need": "optional", "managed": true, "repeats": {"atLeast": 1}}],
                 "documents": [{"role": "Picture", "in": "", "name": "a", "types": ["svg"], "need": "required"}]}
                """)).kit().orElseThrow();
    }

    private static <T> T inLittleRoom(Callable<T> task) throws Exception {
        FutureTask<T> run = new FutureTask<>(task);
        Thread thread = new Thread(null, run, "little room", LITTLE_STACK);
        thread.start();
        return run.get();
    }

    private Path write(Map<String, byte[]> members) throws IOException {
        Map<String, byte[]> all = new LinkedHashMap<>(members);
        all.putIfAbsent("P/index.html", text("<img src=\"a.png\">"));
        return Files.write(Files.createTempFile(temp, "deep", ".zip"), zip(all));
    }

    private static byte[] text(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }

    private static byte[] picture(String href) {
        return text(SVG + "<image href=\"" + href + "x.png\"/></svg>");
    }

    private static Map<String, byte[]> each(int count, IntFunction<String> name, IntFunction<byte[]> content) {
        Map<String, byte[]> out = new LinkedHashMap<>();
        IntStream.range(0, count).forEach(i -> out.put(name.apply(i), content.apply(i)));
        return out;
    }

    private static byte[] lists(int deep) {
        ByteBuffer out = ByteBuffer.allocate(12 + 12 * deep).order(ByteOrder.LITTLE_ENDIAN);
        out.put(text("RIFF")).putInt(out.capacity() - 8).put(text("AVI "));
        while (out.hasRemaining()) {
            out.put(text("LIST")).putInt(out.remaining() - 4).put(text("hdrl"));
        }
        return out.array();
    }

    private static byte[] boxes(int deep) {
        ByteBuffer out = ByteBuffer.allocate(24 + 8 * deep);
        out.putInt(16).put(text("ftypisom")).putInt(0);
        String[] types = {"moov", "trak", "mdia", "minf", "stbl"};
        for (int i = 0; out.remaining() >= 8; i++) {
            out.putInt(out.remaining()).put(text(types[Math.min(i, types.length - 1)]));
            if (i == 0) {
                out.position(out.position() - 8).putInt(out.remaining()).put(text("moov"));
            }
        }
        return out.array();
    }

    private static byte[] elements(int deep) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        out.writeBytes(new byte[]{0x1A, 0x45, (byte) 0xDF, (byte) 0xA3, (byte) 0x80, 0x18, 0x53, (byte) 0x80, 0x67, 1, -1, -1, -1, -1, -1,
                -1, -1});
        IntStream.range(0, deep).forEach(i -> out.writeBytes(new byte[]{0x16, 0x54, (byte) 0xAE, 0x6B, 1, -1, -1, -1, -1, -1, -1, -1}));
        return out.toByteArray();
    }

    private static byte[] packed(int deep, String name) {
        byte[] inside = text("nothing");
        for (int i = 0; i < deep; i++) {
            inside = zip(Map.of(name, inside));
        }
        return inside;
    }

    private static byte[] zip(Map<String, byte[]> members) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (Map.Entry<String, byte[]> member : members.entrySet()) {
                zip.putNextEntry(new ZipEntry(member.getKey()));
                zip.write(member.getValue());
                zip.closeEntry();
            }
        } catch (IOException impossible) {
            throw new UncheckedIOException(impossible);
        }
        return out.toByteArray();
    }
}
