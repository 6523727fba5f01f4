package org.opensatchel.core.example;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.zip.DeflaterOutputStream;
import java.util.zip.GZIPOutputStream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/**
 * A made-up document format.
 *
 * @param writes whether its documents hold relative paths, whole ones, or both
 * @param text what of a clip its reports are expected to show
 */
record Invented(String name, String ending, Writes writes, Function<Clip, String> text, Writer writer) {

    /** What paths its documents hold. */
    enum Writes {
        RELATIVE, ABSOLUTE, BOTH
    }

    /** A document that is to be written. */
    record Scene(String title, String location, String document, List<Clip> clips) {}

    /** Writes a document. */
    interface Writer {
        byte[] write(Scene scene) throws IOException;
    }

    byte[] write(Scene scene) {
        try {
            return writer.write(scene);
        } catch (IOException never) {
            throw new UncheckedIOException(never);
        }
    }

    @Override
    public String toString() {
        return name;
    }

    private static Invented relative(String name, String ending, Writer writer) {
        return new Invented(name, ending, Writes.RELATIVE, Clip::relative, writer);
    }

    private static byte[] utf8(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }

    private static String xml(String text) {
        return text.replace("&", "&amp;").replace("<", "&lt;").replace("\"", "&quot;");
    }

    private static String json(String text) {
        return "\"" + text.replace("\\", "\\\\").replace("\"", "\\\"") + "\"";
    }

    private static String each(Scene scene, String between, Function<Clip, String> one) {
        return scene.clips.stream().map(one).collect(Collectors.joining(between));
    }

    private static String numbered(Scene scene, java.util.function.BiFunction<Integer, Clip, String> one) {
        return IntStream.range(0, scene.clips.size()).mapToObj(i -> one.apply(i + 1, scene.clips.get(i))).collect(Collectors.joining());
    }

    private static String attributes(Scene scene) {
        return "<?xml version=\"1.0\"?>\n<reel><head made=\"2026-03-01\" title=\"" + xml(scene.title) + "\"/><lane>"
                + each(scene, "",
                        clip -> "<piece label=\"" + xml(clip.label()) + "\" src=\"" + xml(clip.relative()) + "\" in=\"" + clip.in()
                                + "\" out=\"" + clip.out() + ".5\"/>")
                + "</lane></reel>";
    }

    private static byte[] packed(byte[] bytes, boolean gzip) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (var packer = gzip ? new GZIPOutputStream(out) : new DeflaterOutputStream(out)) {
            packer.write(bytes);
        }
        return out.toByteArray();
    }

    private static byte[] joined(byte[]... parts) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        for (byte[] part : parts) {
            out.writeBytes(part);
        }
        return out.toByteArray();
    }

    private static byte[] zip(String member, byte[] content) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            zip.putNextEntry(new ZipEntry("about.txt"));
            zip.write(utf8("made by hand"));
            zip.putNextEntry(new ZipEntry(member));
            zip.write(content);
            zip.putNextEntry(new ZipEntry("thumb.png"));
            zip.write(new byte[]{(byte) 0x89, 'P', 'N', 'G', 13, 10, 26, 10});
        }
        return out.toByteArray();
    }

    private static byte[] chunks(Scene scene) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        out.writeBytes(utf8("LOOM"));
        out.writeBytes(number(ByteOrder.LITTLE_ENDIAN, 4, 3));
        for (Clip clip : scene.clips) {
            chunk(out, "NAME", utf8(clip.label()));
            chunk(out, "PATH", utf8(clip.relative()));
            out.writeBytes(utf8("TIME"));
            out.writeBytes(number(ByteOrder.LITTLE_ENDIAN, 4, 8));
            out.writeBytes(number(ByteOrder.LITTLE_ENDIAN, 4, clip.in()));
            out.writeBytes(number(ByteOrder.LITTLE_ENDIAN, 4, clip.out()));
        }
        return out.toByteArray();
    }

    private static void chunk(ByteArrayOutputStream out, String tag, byte[] content) {
        out.writeBytes(utf8(tag));
        out.writeBytes(number(ByteOrder.LITTLE_ENDIAN, 4, content.length));
        out.writeBytes(content);
    }

    private static byte[] number(ByteOrder order, int width, long value) {
        byte[] whole = ByteBuffer.allocate(8).order(order).putLong(value).array();
        return order == ByteOrder.LITTLE_ENDIAN ? java.util.Arrays.copyOf(whole, width) : java.util.Arrays.copyOfRange(whole, 8 - width, 8);
    }

    /** Records of a kind, two lengths, and texts of two bytes a sign, both paths in each. */
    private static byte[] wide(Scene scene) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        out.writeBytes(new byte[]{0x57, 0x41, 0x52, 0x50, 0, 1, 0, 9});
        for (Clip clip : scene.clips) {
            out.writeBytes(new byte[]{0x10, 0x22, 0x01});
            out.writeBytes(number(ByteOrder.BIG_ENDIAN, 2, clip.relative().length()));
            out.writeBytes(clip.relative().getBytes(StandardCharsets.UTF_16LE));
            out.writeBytes(new byte[]{0x10, 0x22, 0x02});
            out.writeBytes(number(ByteOrder.BIG_ENDIAN, 2, clip.absolute().length()));
            out.writeBytes(clip.absolute().getBytes(StandardCharsets.UTF_16LE));
            out.writeBytes(number(ByteOrder.BIG_ENDIAN, 4, clip.in()));
        }
        return out.toByteArray();
    }

    private static byte[] closed(Scene scene) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        out.writeBytes(new byte[]{'S', 'P', 'U', 'N', 2, 0});
        for (Clip clip : scene.clips) {
            out.writeBytes(utf8("img:"));
            out.writeBytes(utf8(clip.relative()));
            out.write(0);
            out.writeBytes(number(ByteOrder.BIG_ENDIAN, 4, clip.out()));
            out.writeBytes(utf8("ttl:" + clip.label()));
            out.write(0);
        }
        return out.toByteArray();
    }

    /** @param kind a mark of letters, one byte, or a mark with a number between it and the length */
    private static byte[] records(Scene scene, ByteOrder order, int width, Charset charset, int kind) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        out.writeBytes(new byte[]{(byte) 0x8A, 'K', 'N', 'T', 0, 0, 0, 1});
        int number = 0;
        for (Clip clip : scene.clips) {
            out.writeBytes(kind == 1 ? new byte[]{0x0A} : utf8("fref"));
            if (kind == 2) {
                out.writeBytes(number(order, 4, 70_000L + 7 * number++));
            }
            byte[] text = clip.relative().getBytes(charset);
            boolean units = width == 2 && charset != StandardCharsets.UTF_8;
            out.writeBytes(number(order, width, units ? text.length / 2 : text.length));
            out.writeBytes(text);
            out.writeBytes(kind == 1 ? new byte[]{0x12} : utf8("name"));
            byte[] label = clip.label().getBytes(charset);
            out.writeBytes(number(order, width, units ? label.length / 2 : label.length));
            out.writeBytes(label);
            out.writeBytes(number(order, 4, clip.in()));
        }
        return out.toByteArray();
    }

    private static List<List<Object>> rows(Scene scene) {
        List<List<Object>> out = new ArrayList<>();
        for (Clip clip : scene.clips) {
            out.add(List.of(clip.label(), clip.relative(), (long) clip.in()));
        }
        return out;
    }

    /** The formats, each as different from the others as a seed makes it. */
    static List<Invented> all() {
        List<Invented> out = new ArrayList<>();
        out.add(relative("xml attribute", "reelx", scene -> utf8(attributes(scene))));
        out.add(relative("xml element", "strand", scene -> utf8("<strand><beads>"
                + each(scene, "\n", clip -> "<bead><title>" + xml(clip.label()) + "</title><media>\n  " + xml(clip.relative())
                        + "\n</media><from>" + clip.in() + "</from></bead>")
                + "</beads></strand>")));
        out.add(relative("gzip", "gzr", scene -> packed(utf8(attributes(scene)), true)));
        out.add(relative("zlib behind a head", "zhd",
                scene -> joined(new byte[]{'Z', 'H', 1, 2, 0, 0, 0, 7}, packed(utf8(attributes(scene)), false))));
        out.add(relative("zip", "bundel", scene -> zip("scene/main.xml", utf8(attributes(scene)))));
        out.add(relative("json", "jboard", scene -> utf8("{\"title\":" + json(scene.title) + ",\"lanes\":[{\"pieces\":["
                + each(scene, ",", clip -> "{\"label\":" + json(clip.label()) + ",\"media\":{\"file\":" + json(clip.relative())
                        + ",\"len\":" + clip.out() + ".25}}")
                + "]}]}")));
        out.add(relative("json by id", "jmap", scene -> utf8("{\"clips\":{"
                + numbered(scene, (i, clip) -> (i > 1 ? "," : "") + json("k" + Integer.toHexString(i * 7919) + "x") + ":{\"title\":"
                        + json(clip.label()) + ",\"path\":" + json(clip.relative()) + "}")
                + "}}")));
        out.add(relative("json lines", "jlog",
                scene -> utf8("{\"kind\":\"head\",\"v\":1.5}\n" + each(scene, "\n", clip -> "{\"kind\":\"clip\",\"at\":" + clip.in()
                        + ",\"use\":" + json(clip.relative()) + "}") + "\n")));
        out.add(relative("statements", "loomtxt", scene -> utf8("loom 2\nscene \"" + scene.title + "\"\n"
                + each(scene, "\n", clip -> "  piece \"" + clip.label() + "\" \"" + clip.relative() + "\" " + clip.in() + " " + clip.out())
                + "\nend\n")));
        out.add(relative("words", "looms", scene -> utf8("strand version 4\n"
                + each(scene, "\n", clip -> "take " + clip.in() + " file: " + clip.relative()) + "\n")));
        out.add(relative("properties", "weft", scene -> utf8("#made by hand\ntitle=" + scene.title + "\n"
                + numbered(scene,
                        (i, clip) -> "media." + i + ".label=" + clip.label() + "\nmedia." + i + ".path=" + clip.relative() + "\n"))));
        out.add(relative("ini", "warp", scene -> utf8("[general]\r\nname=" + scene.title + "\r\ncache=cache/preview.dat\r\n"
                + numbered(scene, (i, clip) -> "[piece " + i + "]\r\nfile = " + clip.relative() + "\r\nstart = " + clip.in() + "\r\n"))));
        out.add(relative("blocks", "block", scene -> utf8("scene \"" + scene.title + "\" {\n"
                + each(scene, "\n", clip -> "  picture {\n    label '" + clip.label() + "'\n    source '" + clip.relative() + "'\n  }")
                + "\n}\n")));
        out.add(relative("one line", "mini", scene -> utf8("head;v=3;" + each(scene, "", clip -> "{clip;n=" + clip.in() + ";src=\""
                + clip.relative() + "\";len=" + clip.out() + "}"))));
        out.add(relative("list", "rollcall", scene -> utf8("rollcall 1\n" + each(scene, "\n", Clip::relative) + "\n")));
        out.add(relative("wide text", "wtx", scene -> joined(new byte[]{(byte) 0xFF, (byte) 0xFE}, ("loom 2\n"
                + each(scene, "\n", clip -> "piece \"" + clip.relative() + "\" " + clip.in())).getBytes(StandardCharsets.UTF_16LE))));
        out.add(relative("utf-32 without mark", "wtj", scene -> ("{\"a\":[" + each(scene, ",", clip -> "{\"f\":" + json(clip.relative())
                + "}") + "]}").getBytes(Charset.forName("UTF-32LE"))));
        out.add(relative("table", "sheet", scene -> utf8("label\tfile\tin\n"
                + each(scene, "\n", clip -> clip.label() + "\t" + clip.relative() + "\t" + clip.in()) + "\n")));
        out.add(relative("bytes, lengths", "loomb", Invented::chunks));
        out.add(new Invented("bytes, wide, both", "warpb", Writes.BOTH, Clip::relative, Invented::wide));
        out.add(relative("bytes, closed by zero", "spun", Invented::closed));
        out.add(relative("property list", "plx",
                scene -> utf8("<?xml version=\"1.0\"?><plist version=\"1.0\"><dict><key>title</key><string>"
                        + xml(scene.title) + "</string><key>items</key><array>"
                        + each(scene, "", clip -> "<dict><key>name</key><string>" + xml(clip.label()) + "</string><key>file</key><string>"
                                + xml(clip.relative()) + "</string></dict>")
                        + "</array></dict></plist>")));
        out.add(relative("binary property list", "plb", scene -> BinaryListWriter.write(scene)));
        out.add(relative("database", "dbx",
                scene -> new DatabaseWriter().table("CREATE TABLE piece (label TEXT, file TEXT, start INT)", "piece",
                        rows(scene)).bytes()));
        out.add(new Invented("absolute only", "absx", Writes.ABSOLUTE, Clip::absolute, scene -> utf8("<film><takes>"
                + each(scene, "", clip -> "<take where=\"" + xml(clip.absolute()) + "\" label=\"" + xml(clip.label()) + "\"/>")
                + "</takes></film>")));
        out.add(new Invented("both, side by side", "bothx", Writes.BOTH, Clip::relative, scene -> utf8("<film saved=\""
                + xml(scene.location + (scene.location.contains("\\") ? "\\" : "/")
                        + scene.document.replace('/', scene.location.contains("\\") ? '\\' : '/'))
                + "\">" + each(scene, "", clip -> "<take><name>" + xml(clip.name()) + "</name><abs>" + xml(clip.absolute()) + "</abs><rel>"
                        + xml(clip.relative()) + "</rel></take>")
                + "</film>")));
        out.add(new Invented("both, lines", "bothl", Writes.BOTH, Clip::relative, scene -> utf8("thread 1\n"
                + each(scene, "\n", clip -> "take " + clip.in() + "\n  whole " + clip.absolute() + "\n  near " + clip.relative()) + "\n")));
        out.add(new Invented("folder and name", "apart", Writes.RELATIVE, clip -> clip.folder() + "/" + clip.name(),
                scene -> utf8("{\"items\":["
                        + each(scene, ",", clip -> "{\"dir\":" + json(clip.folder()) + ",\"name\":" + json(clip.name()) + "}") + "]}")));
        out.add(new Invented("base in the head", "based", Writes.RELATIVE, clip -> clip.relative().replaceFirst("^\\.\\./", ""),
                scene -> utf8("<based root=\"..\"><list>"
                        + each(scene, "", clip -> "<i f=\"" + xml(clip.relative().replaceFirst("^\\.\\./", "")) + "\"/>")
                        + "</list></based>")));
        out.add(new Invented("from the root", "rooted", Writes.RELATIVE, Clip::fromRoot,
                scene -> utf8("<tree>" + each(scene, "", clip -> "<leaf from=\"" + xml(clip.fromRoot()) + "\"/>") + "</tree>")));
        out.add(new Invented("two encodings", "twoenc", Writes.BOTH, Clip::relative, scene -> utf8("<pool>"
                + each(scene, "", clip -> "<m url=\"" + xml(clip.fileUri()) + "\" path=\"" + xml(clip.relative()) + "\"/>") + "</pool>")));
        out.add(new Invented("percent-encoded", "pcent", Writes.RELATIVE, Clip::uri,
                scene -> utf8("{\"refs\":[" + each(scene, ",", clip -> "{\"href\":" + json(clip.uri()) + "}") + "]}")));
        out.add(new Invented("backslashes, escaped", "esc", Writes.RELATIVE, Clip::backslashed, scene -> utf8("scene 1\n"
                + each(scene, "\n", clip -> "load(\"" + clip.backslashed().replace("\\", "\\\\") + "\", " + clip.in() + ");") + "\n")));
        out.add(relative("base64 values", "b64", scene -> utf8("<vault>"
                + each(scene, "", clip -> "<v k=\"" + clip.in() + "\">" + clip.base64() + "</v>") + "</vault>")));
        out.add(relative("conditions", "cond", scene -> utf8("<graph>" + each(scene, "", clip -> "<node><param type=\"text\" value=\""
                + xml(clip.label()) + ".0\"/><param type=\"file\" value=\"" + xml(clip.relative())
                + "\"/><param type=\"number\" value=\"0." + clip.in() + "\"/></node>") + "</graph>")));
        out.add(new Invented("two slashes for the document", "slash2", Writes.RELATIVE, clip -> "//" + clip.relative(),
                scene -> utf8("scene 3\n" + each(scene, "\n", clip -> "tex \"//" + clip.relative() + "\"") + "\n")));
        out.add(new Invented("a word for the root", "word", Writes.RELATIVE, clip -> "$PROJ/" + clip.fromRoot(),
                scene -> utf8("{\"env\":{\"PROJ\":" + json(scene.location) + "},\"tex\":["
                        + each(scene, ",", clip -> json("$PROJ/" + clip.fromRoot())) + "]}")));
        out.add(relative("groups in groups", "nest", scene -> utf8("<tree><group n=\"1\">" + numbered(scene, (i, clip) -> (i % 3 == 0
                ? "<group n=\"" + i + "\">"
                : "") + "<leaf file=\"" + xml(clip.relative()) + "\" n=\"" + xml(clip.label()) + "\"/>")
                + "</group>".repeat(1 + scene.clips.size() / 3) + "</tree>")));
        out.add(relative("nodes in nodes", "jnest", scene -> {
            StringBuilder text = new StringBuilder("{\"version\":1.2,\"children\":[");
            int open = 0;
            for (int i = 0; i < scene.clips.size(); i++) {
                boolean deeper = i % 4 == 3;
                text.append(i > 0 && i % 4 != 0 ? "," : "").append("{\"src\":").append(json(scene.clips.get(i).relative()))
                        .append(deeper ? ",\"children\":[" : "}");
                open += deeper ? 1 : 0;
            }
            return utf8(text + "]}".repeat(open) + "]}");
        }));
        out.add(relative("dashes", "dashed",
                scene -> utf8("scene: " + scene.title + "\nclips:\n" + each(scene, "\n", clip -> "  - label: \""
                        + clip.label() + "\"\n    file: \"" + clip.relative() + "\"\n    start: " + clip.in()) + "\n")));
        out.add(relative("brackets", "parens", scene -> utf8("(scene 2)\n"
                + each(scene, "\n",
                        clip -> "(clip (label \"" + clip.label() + "\") (source \"" + clip.relative() + "\") (at " + clip.in() + "))")
                + "\n")));
        out.add(relative("named pairs", "pairs", scene -> utf8("<bag>" + each(scene, "", clip -> "<item><p><k>title</k><v>"
                + xml(clip.label()) + ".x</v></p><p><k>where</k><v>" + xml(clip.relative()) + "</v></p><p><k>len</k><v>1." + clip.in()
                + "</v></p></item>") + "</bag>")));
        out.add(relative("prefixed names", "ns", scene -> utf8("<r:reel xmlns:r=\"urn:invented:reel\" xmlns:l=\"urn:invented:link\">"
                + each(scene, "", clip -> "<r:use l:href=\"" + xml(clip.relative()) + "\"/>") + "</r:reel>")));
        out.add(relative("named sections", "named",
                scene -> utf8("[Setup]\nfps=25\n" + each(scene, "", clip -> "[" + clip.label().replaceAll("\\d+$", "")
                        + (char) ('A' + clip.in() % 20) + "]\nmedia=" + clip.relative() + "\nvol=0.5\n"))));
        out.add(new Invented("with a part", "part", Writes.RELATIVE,
                clip -> clip.relative().replace(" ", "%20").replace("ü", "%C3%BC") + "#t=" + clip.in(),
                scene -> utf8("<x>"
                        + each(scene, "", clip -> "<u h=\"" + clip.relative().replace(" ", "%20").replace("ü", "%C3%BC") + "#t=" + clip.in()
                                + "\"/>")
                        + "</x>")));
        out.add(relative("video and sound apart", "av", scene -> utf8("<av>" + numbered(scene, (i, clip) -> i % 5 == 0
                ? "<sound src=\"" + xml(clip.relative()) + "\"/>"
                : "<video src=\"" + xml(clip.relative()) + "\"/>") + "</av>")));
        out.add(relative("nothing here and there", "none",
                scene -> utf8("<n>" + numbered(scene, (i, clip) -> (i % 2 == 0 ? "<u f=\"none\"/>" : "")
                        + "<u f=\"" + xml(clip.relative()) + "\"/><u f=\"\"/>") + "</n>")));
        for (ByteOrder order : List.of(ByteOrder.BIG_ENDIAN, ByteOrder.LITTLE_ENDIAN)) {
            for (int width : new int[]{1, 2, 4}) {
                for (Charset charset : List.of(StandardCharsets.UTF_8, StandardCharsets.UTF_16LE, StandardCharsets.UTF_16BE)) {
                    for (int kind = 0; kind < 3; kind++) {
                        int tag = kind;
                        boolean little = order == ByteOrder.LITTLE_ENDIAN;
                        String name = "bytes " + width + " " + charset + " " + (little ? "little" : "big") + " " + kind;
                        out.add(relative(name, "b" + width + (little ? "l" : "b") + charset.name().toLowerCase().replaceAll("[^a-z0-9]", "")
                                + kind, scene -> records(scene, order, width, charset, tag)));
                    }
                }
            }
        }
        out.add(new Invented("a word, a colon, a whole path", "cln", Writes.ABSOLUTE, Clip::absolute, scene -> utf8(
                "VERSION:2\n" + each(scene, "\n", clip -> "CLIP:" + clip.in() + "\nPATH:" + clip.absolute() + "\nEND") + "\n")));
        out.add(relative("whole in base64", "whole64", scene -> java.util.Base64.getMimeEncoder().encode(utf8(attributes(scene)))));
        return out;
    }
}
