package org.opensatchel.formats.media;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.zip.Deflater;
import org.opensatchel.formats.binary.Rational;

/** Words with times, letters and models, written by construction. */
final class OtherSamples {

    private OtherSamples() {
    }

    static List<Sample> all() {
        List<Sample> out = new ArrayList<>();
        subRip(out);
        webVtt(out);
        fonts(out);
        woff(out);
        models(out);
        objects(out);
        return out;
    }

    // ---- Words with times

    private static String time(long millis, char comma, boolean hours) {
        String rest = String.format(Locale.ROOT, "%02d:%02d%c%03d", millis / 60_000 % 60, millis / 1_000 % 60, comma, millis % 1_000);
        return hours ? String.format(Locale.ROOT, "%02d:", millis / 3_600_000) + rest : rest;
    }

    private static String cues(int count, char comma, boolean hours, String line, boolean numbered) {
        StringBuilder text = new StringBuilder();
        for (int i = 0; i < count; i++) {
            text.append(numbered ? (i + 1) + line : "").append(time(i * 2_500L, comma, hours)).append(" --> ")
                    .append(time(i * 2_500L + 2_040, comma, hours)).append(line).append("The lamp at ").append(i).append(line).append(line);
        }
        return text.toString();
    }

    private static String said(int count) {
        return "cues " + count + ", seconds " + new Rational((count - 1) * 2_500L + 2_040, 1_000) + ", OPEN";
    }

    private static void subRip(List<Sample> out) {
        for (int count : new int[]{1, 2, 12, 700}) {
            for (String line : new String[]{"\n", "\r\n", "\r"}) {
                byte[] text = cues(count, ',', true, line.equals("\r") ? "\n" : line, true).getBytes(StandardCharsets.UTF_8);
                out.add(Sample.of("srt " + count + ", " + line.length(), text, "SubRip, " + said(count)));
            }
            String text = cues(count, ',', true, "\r\n", true);
            out.add(Sample.of("srt with a mark " + count, ("\ufeff" + text).getBytes(StandardCharsets.UTF_8), "SubRip, " + said(count)));
            out.add(Sample.of("srt of 16 bits " + count, text.getBytes(StandardCharsets.UTF_16), "SubRip, " + said(count)));
            out.add(Sample.of("srt of 16 bits from behind " + count, ("\ufeff" + text).getBytes(StandardCharsets.UTF_16LE),
                    "SubRip, " + said(count)));
        }
        out.add(Sample.of("srt in another order",
                "2\n00:01:00,000 --> 00:02:00,5\nlast\n\n1\n00:00:01,000 --> 00:00:02,000 X1:0 Y1:0\nfirst\n"
                        .getBytes(StandardCharsets.UTF_8),
                "SubRip, cues 2, seconds 241/2, OPEN"));
        out.add(Sample.of("srt that says an arrow", "1\n00:00:01,000 --> 00:00:02,000\nfrom 1 --> 2\n".getBytes(StandardCharsets.UTF_8),
                "SubRip, cues 1, seconds 2, OPEN"));
        out.add(Sample.of("srt of a long day", "1\n23:59:58,000 --> 100:00:00,000\nx\n".getBytes(StandardCharsets.UTF_8),
                "SubRip, cues 1, seconds 360000, OPEN"));
    }

    private static void webVtt(List<Sample> out) {
        for (int count : new int[]{1, 3, 40}) {
            for (boolean hours : new boolean[]{true, false}) {
                for (String head : new String[]{"WEBVTT\n\n", "\ufeffWEBVTT - a title\r\n\r\n",
                        "WEBVTT\nKind: captions\n\nNOTE nothing\n\n",
                        "WEBVTT\n\nSTYLE\n::cue { color: white }\n\n"}) {
                    out.add(Sample.of("vtt " + count + hours + head.length(),
                            (head + cues(count, '.', hours, "\n", hours)).getBytes(StandardCharsets.UTF_8), "WebVTT, " + said(count)));
                }
            }
        }
        out.add(Sample.of("vtt with settings",
                "WEBVTT\n\nid\n00:01.000 --> 00:02.250 align:start line:0\nx\n".getBytes(StandardCharsets.UTF_8),
                "WebVTT, cues 1, seconds 9/4, OPEN"));
        out.add(Sample.of("vtt without a cue", "WEBVTT".getBytes(StandardCharsets.UTF_8), "WebVTT, cues 0, seconds 0, OPEN"));
    }

    // ---- Letters

    /** A name of a font: its platform, its language, which name it is, and the name. */
    private record Name(int platform, int language, int id, String text) {
        byte[] bytes() {
            return text.getBytes(platform == 1 ? StandardCharsets.ISO_8859_1 : StandardCharsets.UTF_16BE);
        }
    }

    private static byte[] names(List<Name> names) {
        Out records = new Out();
        ByteArrayOutputStream texts = new ByteArrayOutputStream();
        for (Name name : names) {
            records.u16(name.platform).u16(name.platform == 1 ? 0 : 1).u16(name.language).u16(name.id).u16(name.bytes().length)
                    .u16(texts.size());
            texts.writeBytes(name.bytes());
        }
        return new Out().u16(0).u16(names.size()).u16(6 + 12 * names.size()).add(records).add(texts.toByteArray()).bytes();
    }

    private static Map<String, byte[]> tables(List<Name> names, int glyphs) {
        Map<String, byte[]> out = new LinkedHashMap<>();
        out.put("head", new byte[54]);
        out.put("maxp", new Out().u32(0x5000).u16(glyphs).bytes());
        out.put("name", names(names));
        out.put("glyf", new byte[600 + glyphs]);
        return out;
    }

    /** @param at where the font stands in a collection */
    private static Out font(String kind, Map<String, byte[]> tables, int at) {
        int count = tables.size();
        Out out = kind.isEmpty() ? new Out().u32(0x10000) : new Out().text(kind);
        out.u16(count).u16(16 * Integer.highestOneBit(count)).u16(31 - Integer.numberOfLeadingZeros(count)).u16(0);
        int offset = at + 12 + 16 * count;
        for (Map.Entry<String, byte[]> table : tables.entrySet()) {
            out.text(table.getKey()).u32(0).u32(offset).u32(table.getValue().length);
            offset += table.getValue().length + 3 & ~3;
        }
        tables.values().forEach(table -> out.add(table).zeros((4 - table.length % 4) % 4));
        return out;
    }

    private static final Map<String, List<Name>> NAMED = new LinkedHashMap<>();

    static {
        NAMED.put("“Dayroom Sans” “Bold”", List.of(new Name(3, 0x409, 1, "Dayroom Sans"), new Name(3, 0x409, 2, "Bold")));
        NAMED.put("“Dayroom” “Light Italic”", List.of(new Name(3, 0x409, 1, "Dayroom Light"), new Name(3, 0x409, 2, "Italic"),
                new Name(3, 0x409, 16, "Dayroom"), new Name(3, 0x409, 17, "Light Italic")));
        NAMED.put("“Quill” “Regular”", List.of(new Name(1, 0, 1, "Other"), new Name(3, 0x407, 1, "Feder"), new Name(3, 0x409, 1, "Quill"),
                new Name(3, 0x409, 2, "Regular")));
        NAMED.put("“Féder” “?”", List.of(new Name(0, 0, 1, "Féder")));
        NAMED.put("“Old Type” “Roman”", List.of(new Name(1, 0, 1, "Old Type"), new Name(1, 0, 2, "Roman")));
        NAMED.put("“夜市” “?”", List.of(new Name(3, 0x404, 1, "夜市")));
        NAMED.put("“?” “?”", List.of());
    }

    private static void fonts(List<Sample> out) {
        for (String kind : new String[]{"", "OTTO", "true"}) {
            NAMED.forEach((said, names) -> {
                Map<String, byte[]> tables = tables(names, 240);
                out.add(Sample.of("font " + kind + said, font(kind, tables, 0).bytes(), "OpenType, " + said + " glyphs 240")
                        .cutAt(List.of(12 + 16 * tables.size(), 12 + 16 * tables.size() + 56)));
            });
        }
        byte[] one = font("", tables(NAMED.get("“Dayroom Sans” “Bold”"), 20), 20).bytes();
        byte[] other = font("OTTO", tables(NAMED.get("“Old Type” “Roman”"), 30), 20 + one.length).bytes();
        out.add(Sample.of("collection", new Out().text("ttcf").u32(0x10000).u32(2).u32(20).u32(20 + one.length).add(one).add(other).bytes(),
                "OpenType, “Dayroom Sans” “Bold” glyphs 20").cutAt(List.of(20 + one.length, 20 + one.length + 30)));
        Map<String, byte[]> bare = new LinkedHashMap<>();
        bare.put("head", new byte[54]);
        bare.put("glyf", new byte[200]);
        out.add(Sample.of("font that says nothing", font("", bare, 0).bytes(), "OpenType"));
    }

    private static byte[] packed(byte[] table) {
        Deflater deflater = new Deflater();
        deflater.setInput(table);
        deflater.finish();
        byte[] out = new byte[table.length + 64];
        int length = deflater.deflate(out);
        deflater.end();
        return length < table.length ? java.util.Arrays.copyOf(out, length) : table;
    }

    private static void woff(List<Sample> out) {
        for (int glyphs : new int[]{3, 240, 2_000}) {
            NAMED.forEach((said, names) -> {
                Map<String, byte[]> tables = tables(names, glyphs);
                Out entries = new Out();
                Out data = new Out();
                int from = 44 + 20 * tables.size();
                for (Map.Entry<String, byte[]> table : tables.entrySet()) {
                    byte[] packed = packed(table.getValue());
                    entries.text(table.getKey()).u32(from + data.size()).u32(packed.length).u32(table.getValue().length).u32(0);
                    data.add(packed).zeros((4 - packed.length % 4) % 4);
                }
                Out head = new Out().text("wOFF").u32(0x10000).u32(from + data.size()).u16(tables.size()).u16(0).u32(2_000).zeros(24);
                out.add(Sample.of("woff " + glyphs + said, head.add(entries).add(data).bytes(), "WOFF, " + said + " glyphs " + glyphs)
                        .cutAt(List.of(from, from + data.size() - 4)));
            });
        }
        for (int length = 100; length < 120; length++) {
            out.add(Sample.of("woff2 of " + length,
                    new Out().text("wOF2").u32(0x10000).u32(length).u16(4).u16(0).u32(900).zeros(length - 20).bytes(),
                    "WOFF2").cutAt(List.of(48, length - 1)));
        }
    }

    // ---- Models

    /** A document of meshes that share their vertices or not. */
    private static String document(int meshes, int corners, boolean indexed, int mode, String images) {
        StringBuilder primitives = new StringBuilder();
        StringBuilder accessors = new StringBuilder();
        for (int i = 0; i < meshes; i++) {
            primitives.append(i == 0 ? "" : ",").append("{\"primitives\": [{\"attributes\": {\"POSITION\": ").append(i).append("}")
                    .append(indexed ? ", \"indices\": " + meshes : "").append(mode == 4 ? "" : ", \"mode\": " + mode).append("}]}");
            accessors.append("{\"count\": ").append(corners).append(", \"type\": \"VEC3\"},");
        }
        return "{\"asset\": {\"version\": \"2.0\"}, \"meshes\": [" + primitives + "], \"accessors\": [" + accessors
                + "{\"count\": 36, \"type\": \"SCALAR\"}]" + images + "}";
    }

    private static byte[] binary(String json, byte[] buffer) {
        String padded = json + " ".repeat((4 - json.length() % 4) % 4);
        Out chunks = new Out().le32(padded.length()).text("JSON").text(padded);
        if (buffer.length > 0) {
            chunks.le32(buffer.length).text("BIN\0").add(buffer);
        }
        return new Out().text("glTF").le32(2).le32(12 + chunks.size()).add(chunks).bytes();
    }

    private static void models(List<Sample> out) {
        for (int meshes : new int[]{1, 2, 5}) {
            for (int corners : new int[]{8, 24, 90}) {
                for (boolean indexed : new boolean[]{true, false}) {
                    String said = "vertices " + meshes * corners + ", faces " + meshes * ((indexed ? 36 : corners) / 3);
                    String json = document(meshes, corners, indexed, 4, "");
                    out.add(Sample.of("gltf " + meshes + "," + corners + indexed, json.getBytes(StandardCharsets.UTF_8), "glTF, " + said));
                    out.add(Sample.of("glb " + meshes + "," + corners + indexed, binary(json, SoundSamples.noise(400)), "GLB, " + said)
                            .cutAt(List.of(40, 20 + json.length())));
                }
            }
        }
        out.add(Sample.of("gltf strip", document(1, 10, false, 5, "").getBytes(StandardCharsets.UTF_8), "glTF, vertices 10, faces 8"));
        out.add(Sample.of("gltf lines", document(1, 10, false, 1, "").getBytes(StandardCharsets.UTF_8), "glTF, vertices 10, faces 0"));
        out.add(Sample.of("gltf after a mark", ("\ufeff\n" + document(1, 9, false, 4, "")).getBytes(StandardCharsets.UTF_8),
                "glTF, vertices 9, faces 3"));
        out.add(Sample.of("gltf without meshes", "{\"asset\": {\"version\": \"2.0\"}}".getBytes(StandardCharsets.UTF_8),
                "glTF, vertices 0, faces 0"));
        byte[] picture = PictureSamples.all().stream().filter(sample -> sample.facts().startsWith("PNG")).findFirst().orElseThrow().bytes();
        String size = PictureSamples.all().stream().filter(sample -> sample.facts().startsWith("PNG")).findFirst().orElseThrow().facts()
                .replaceAll(".*? (\\d+x\\d+).*", "$1");
        String images = ", \"images\": [{\"bufferView\": 0, \"mimeType\": \"image/png\"}, {\"bufferView\": 9}, {\"uri\": \"a.png\"}], "
                + "\"bufferViews\": [{\"buffer\": 0, \"byteOffset\": 8, \"byteLength\": " + picture.length + "}]";
        out.add(Sample.of("glb with pictures", binary(document(1, 24, true, 4, images), new Out().zeros(8).add(picture).zeros(3).bytes()),
                "GLB, vertices 24, faces 12, textures 2 to " + size));
        out.add(Sample.of("glb without a buffer", binary(document(1, 24, true, 4, ""), new byte[0]), "GLB, vertices 24, faces 12"));
    }

    private static void objects(List<Sample> out) {
        for (int count : new int[]{3, 8, 500}) {
            for (String line : new String[]{"\n", "\r\n"}) {
                for (String head : new String[]{"", "# a lamp" + "\n", "mtllib lamp.mtl\no lamp\n", "\n\n# two\n# notes\ng a b\n"}) {
                    StringBuilder text = new StringBuilder(head);
                    for (int i = 0; i < count; i++) {
                        text.append("v ").append(i).append(" 0 1").append(line).append("vt 0 0").append(line).append("vn 0 0 1")
                                .append(line);
                    }
                    text.append("usemtl brass").append(line).append("s off").append(line);
                    for (int i = 0; i + 2 < count; i++) {
                        text.append(i % 2 == 0 ? "f " : "  f\t").append(i + 1).append("/1/1 ").append(i + 2).append("/1/1 ").append(i + 3)
                                .append("/1/1").append(line);
                    }
                    out.add(Sample.of("obj " + count + line.length() + head.length(), text.toString().getBytes(StandardCharsets.UTF_8),
                            "OBJ, vertices " + count + ", faces " + (count - 2) + ", OPEN"));
                }
            }
        }
    }
}
