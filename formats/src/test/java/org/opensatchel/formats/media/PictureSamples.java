package org.opensatchel.formats.media;

import java.util.ArrayList;
import java.util.List;
import java.util.zip.CRC32;
import org.opensatchel.formats.binary.Rational;

/** Pictures of every kind, written by construction: their data is noise of the right length, since nobody decodes it. */
final class PictureSamples {

    private PictureSamples() {
    }

    static List<Sample> all() {
        List<Sample> out = new ArrayList<>();
        png(out);
        jpeg(out);
        gif(out);
        bmp(out);
        webp(out);
        tiff(out);
        return out;
    }

    private static byte[] noise(int count) {
        byte[] out = new byte[count];
        for (int i = 0; i < count; i++) {
            out[i] = (byte) (i * 37 + 11 & 0x7f);
        }
        return out;
    }

    // ---- PNG

    private static Out chunk(String name, byte[] data) {
        CRC32 crc = new CRC32();
        crc.update(new Out().text(name).add(data).bytes());
        return new Out().u32(data.length).text(name).add(data).u32(crc.getValue());
    }

    private static Sample png(String name, int width, int height, int bits, int colour, List<Out> middle, String facts) {
        Out out = new Out().text("\u0089PNG\r\n\u001a\n");
        List<Integer> borders = new ArrayList<>(List.of(out.size()));
        List<Out> chunks = new ArrayList<>(List.of(chunk("IHDR", new Out().u32(width).u32(height).u8(bits).u8(colour).zeros(3).bytes())));
        chunks.addAll(middle);
        chunks.add(chunk("IEND", new byte[0]));
        for (Out chunk : chunks) {
            out.add(chunk);
            borders.add(out.size());
        }
        borders.remove(borders.size() - 1);
        return Sample.of(name, out.bytes(), facts).cutAt(borders);
    }

    private static void png(List<Sample> out) {
        int[][] kinds = {{1, 0}, {2, 0}, {8, 0}, {16, 0}, {8, 2}, {16, 2}, {1, 3}, {4, 3}, {8, 3}, {8, 4}, {16, 4}, {8, 6}, {16, 6}};
        for (int[] kind : kinds) {
            out.add(png("png " + kind[0] + " bits, colour " + kind[1], 1280, 720, kind[0], kind[1], List.of(chunk("IDAT", noise(500))),
                    "PNG, PNG 1280x720, bits " + kind[0] + ((kind[1] & 4) != 0 ? ", alpha" : "")));
        }
        out.add(png("png with a clear colour", 3, 5, 8, 2, List.of(chunk("tRNS", noise(6)), chunk("IDAT", noise(20))),
                "PNG, PNG 3x5, bits 8, alpha"));
        out.add(png("png of wide pixels", 720, 576, 8, 2,
                List.of(chunk("pHYs", new Out().u32(1_000).u32(2_000).u8(0).bytes()), chunk("IDAT", noise(20))),
                "PNG, PNG 720x576, pixels 2, bits 8"));
        out.add(png("png in many parts", 9_000, 4, 8, 2,
                java.util.stream.IntStream.range(0, 400).mapToObj(i -> chunk("IDAT", noise(100))).toList(), "PNG, PNG 9000x4, bits 8"));
        out.add(png("png with words", 2, 2, 8, 2, List.of(chunk("tEXt", noise(3_000)), chunk("IDAT", noise(20)), chunk("tIME", noise(7))),
                "PNG, PNG 2x2, bits 8"));
        out.add(png("moving png", 64, 48, 8, 6, moving(4, 1, 25), "PNG, PNG 64x48, rate 25, frames 4, bits 8, alpha, seconds 4/25"));
        out.add(png("moving png of no parts", 64, 48, 8, 2, moving(2, 50, 0), "PNG, PNG 64x48, rate 2, frames 2, bits 8, seconds 1"));
        List<Out> uneven = new ArrayList<>(moving(3, 1, 10));
        uneven.set(uneven.size() - 2, control(2, 10));
        out.add(png("uneven png", 64, 48, 8, 2, uneven, "PNG, PNG 64x48, varies, frames 3, bits 8, seconds 2/5"));
        Sample plain = out.get(0);
        out.add(Sample.of("png with something behind it", new Out().add(plain.bytes()).add(noise(300)).bytes(), plain.facts()));
    }

    private static Out control(int over, int under) {
        return chunk("fcTL", new Out().zeros(20).u16(over).u16(under).zeros(2).bytes());
    }

    private static List<Out> moving(int frames, int over, int under) {
        List<Out> out = new ArrayList<>(List.of(chunk("acTL", new Out().u32(frames).u32(0).bytes())));
        for (int i = 0; i < frames; i++) {
            out.add(control(over, under));
            out.add(chunk(i == 0 ? "IDAT" : "fdAT", noise(60)));
        }
        return out;
    }

    // ---- JPEG

    private static Out segment(int marker, byte[] data) {
        return Out.of(0xff, marker).u16(data.length + 2).add(data);
    }

    private static Out frame(int marker, int width, int height, int parts, int bits) {
        return segment(marker, Out.of(bits).u16(height).u16(width).u8(parts).zeros(parts * 3).bytes());
    }

    private static Sample jpeg(String name, List<Out> segments, String facts, Out behind) {
        Out out = Out.of(0xff, 0xd8);
        List<Integer> borders = new ArrayList<>();
        for (Out segment : segments) {
            borders.add(out.size());
            out.add(segment);
        }
        out.add(segment(0xda, new byte[10]));
        borders.add(out.size());
        out.add(noise(900)).add(Out.of(0xff, 0x00, 0xff, 0xd0)).add(noise(100));
        borders.add(out.size());
        out.add(Out.of(0xff, 0xd9)).add(behind);
        return Sample.of(name, out.bytes(), facts).cutAt(behind.size() > 0 ? List.of() : borders);
    }

    private static Out exif(int orientation, boolean little) {
        Out tiff = new Out().text(little ? "II*\0" : "MM\0*");
        tiff = little ? tiff.le32(8).le16(1).le16(274).le16(3).le32(1).le16(orientation).le16(0).le32(0)
                : tiff.u32(8).u16(1).u16(274).u16(3).u32(1).u16(orientation).u16(0).u32(0);
        return segment(0xe1, new Out().text("Exif\0\0").add(tiff).bytes());
    }

    private static void jpeg(List<Sample> out) {
        Out none = new Out();
        for (int marker : new int[]{0xc0, 0xc1, 0xc2, 0xc9, 0xca}) {
            out.add(jpeg("jpeg " + Integer.toHexString(marker), List.of(segment(0xe0, noise(14)), segment(0xdb, noise(65)),
                    segment(0xc4, noise(30)), frame(marker, 1920, 1080, 3, 8)), "JPEG, JPEG 1920x1080, bits 8", none));
        }
        String[] turns = {"", "", ", turned 180", ", turned 180", ", turned 90", ", turned 90", ", turned 270", ", turned 270"};
        for (int i = 0; i < turns.length; i++) {
            out.add(jpeg("jpeg turned " + (i + 1), List.of(exif(i + 1, i % 2 == 0), frame(0xc0, 400, 300, 3, 8)),
                    "JPEG, JPEG 400x300" + turns[i] + ", bits 8", none));
        }
        out.add(jpeg("jpeg of twelve bits", List.of(frame(0xc1, 7, 9, 1, 12)), "JPEG, JPEG 7x9, bits 12", none));
        out.add(jpeg("jpeg with filling", List.of(Out.of(0xff, 0xff).add(segment(0xe2, noise(9))), frame(0xc0, 8, 8, 3, 8)),
                "JPEG, JPEG 8x8, bits 8", none));
        Out small = Out.of(0xff, 0xd8).add(frame(0xc0, 160, 120, 3, 8)).add(segment(0xda, new byte[10])).add(noise(50))
                .add(Out.of(0xff, 0xd9));
        out.add(jpeg("jpeg with a small one in it", List.of(segment(0xe1, new Out().text("Exif\0\0MM\0*").add(small).bytes()),
                frame(0xc0, 640, 480, 3, 8)), "JPEG, JPEG 640x480, bits 8", none));
        out.add(jpeg("jpeg with zeros behind it", List.of(frame(0xc0, 64, 48, 3, 8)), "JPEG, JPEG 64x48, bits 8", new Out().zeros(4_000)));
        out.add(jpeg("jpeg with a film behind it", List.of(frame(0xc0, 64, 48, 3, 8)), "JPEG, JPEG 64x48, bits 8",
                new Out().add(noise(200_000))));
        out.add(jpeg("jpeg with damaged notes", List.of(segment(0xe1, new Out().text("Exif\0\0MM\0*").u32(0x7fffffff).bytes()),
                frame(0xc2, 64, 48, 3, 8)), "JPEG, JPEG 64x48, bits 8", none));
        out.add(jpeg("jpeg in four colours", List.of(segment(0xee, noise(12)), frame(0xc0, 64, 48, 4, 8)), "JPEG, JPEG 64x48, bits 8",
                none));
    }

    // ---- GIF

    private static Out image(int bytes) {
        Out out = Out.of(0x2c).zeros(8).u8(0).u8(8);
        for (int left = bytes; left > 0; left -= 255) {
            out.u8(Math.min(255, left)).add(noise(Math.min(255, left)));
        }
        return out.u8(0);
    }

    private static Out shown(int hundredths, boolean clear) {
        return Out.of(0x21, 0xf9, 4, clear ? 1 : 0).le16(hundredths).u8(0).u8(0);
    }

    private static Sample gif(String name, int flags, int shape, List<Out> blocks, boolean ended, String facts) {
        Out out = new Out().text("GIF89a").le16(320).le16(200).u8(flags).u8(0).u8(shape)
                .zeros((flags & 0x80) == 0 ? 0 : 3 << (flags & 7) + 1);
        for (Out block : blocks) {
            out.add(block);
        }
        Out whole = ended ? out.u8(0x3b) : out;
        return Sample.of(name, whole.bytes(), facts);
    }

    private static void gif(List<Sample> out) {
        for (int size = 0; size < 8; size++) {
            out.add(gif("gif of " + (2 << size) + " colours", 0x80 | size, 0, List.of(image(700)), true, "GIF, GIF 320x200, bits 8"));
        }
        out.add(gif("gif without colours", 0, 0, List.of(image(3)), true, "GIF, GIF 320x200, bits 8"));
        out.add(gif("gif of wide pixels", 0x80, 113, List.of(image(30)), true, "GIF, GIF 320x200, pixels 2, bits 8"));
        out.add(gif("clear gif", 0x80, 0, List.of(shown(0, true), image(30)), true, "GIF, GIF 320x200, bits 8, alpha"));
        out.add(gif("gif without its last byte", 0x80, 0, List.of(image(30)), false, "GIF, GIF 320x200, bits 8, OPEN"));
        for (int time : new int[]{1, 4, 5, 10, 100}) {
            out.add(gif("moving gif " + time, 0x80, 0, List.of(shown(time, false), image(300), shown(time, false), image(300)), true,
                    "GIF, GIF 320x200, rate " + new Rational(100, time) + ", frames 2, bits 8, seconds " + new Rational(2L * time, 100)));
        }
        out.add(gif("uneven gif", 0x80, 0, List.of(shown(5, false), image(30), shown(10, false), image(30)), true,
                "GIF, GIF 320x200, varies, frames 2, bits 8, seconds 3/20"));
        out.add(gif("gif of no time", 0x80, 0, List.of(image(30), image(30)), true, "GIF, GIF 320x200, frames 2, bits 8, seconds 0"));
        out.add(gif("gif with words", 0x80, 0, List.of(new Out().add(Out.of(0x21, 0xfe, 5)).text("hello").u8(0), image(30)), true,
                "GIF, GIF 320x200, bits 8"));
    }

    // ---- BMP

    private static Sample bmp(String name, int header, int width, int height, int bits, int packed, int data, String facts) {
        Out out = new Out().text("BM").le32(0).le32(0).le32(14 + header).le32(header);
        Out info = header == 12 ? new Out().le16(width).le16(height).le16(1).le16(bits)
                : new Out().le32(width).le32(height).le16(1).le16(bits).le32(packed).le32(packed == 1 ? data : 0).zeros(16);
        info.zeros(Math.max(0, Math.min(12, header - 4 - info.size())));
        if (header >= 56) {
            info.le32(bits == 32 ? 0xff000000L : 0);
        }
        info.zeros(header - 4 - info.size());
        return Sample.of(name, out.add(info).add(noise(data)).bytes(), facts);
    }

    private static void bmp(List<Sample> out) {
        for (int header : new int[]{12, 40, 52, 56, 108, 124}) {
            for (int bits : new int[]{1, 4, 8, 24}) {
                int row = (100 * bits + 31) / 32 * 4;
                out.add(bmp("bmp " + header + ", " + bits, header, 100, 50, bits, 0, row * 50, "BMP, BMP 100x50, bits 8"));
            }
        }
        out.add(bmp("bmp with alpha", 124, 10, 10, 32, 3, 400, "BMP, BMP 10x10, bits 8, alpha"));
        out.add(bmp("bmp from the top", 40, 10, -10, 24, 0, 320, "BMP, BMP 10x10, bits 8"));
        out.add(bmp("bmp in runs", 40, 10, 10, 8, 1, 77, "BMP, BMP 10x10, bits 8"));
        out.add(bmp("bmp with more behind it", 40, 10, 10, 24, 0, 900, "BMP, BMP 10x10, bits 8"));
    }

    // ---- WebP

    private static Out riff(String name, byte[] data) {
        return new Out().text(name).le32(data.length).add(data).zeros(data.length & 1);
    }

    private static Sample webp(String name, List<Out> chunks, String facts) {
        Out inside = new Out().text("WEBP");
        chunks.forEach(inside::add);
        return Sample.of(name, new Out().text("RIFF").le32(inside.size()).add(inside).bytes(), facts);
    }

    private static Out lossy(int width, int height) {
        return riff("VP8 ", Out.of(0, 0, 0, 0x9d, 1, 0x2a).le16(width).le16(height).add(noise(301)).bytes());
    }

    private static Out lossless(int width, int height, boolean alpha) {
        return riff("VP8L", Out.of(0x2f).le32(width - 1L | (height - 1L) << 14 | (alpha ? 1L << 28 : 0)).add(noise(100)).bytes());
    }

    private static Out extended(int flags, int width, int height) {
        return riff("VP8X", Out.of(flags, 0, 0, 0).le24(width - 1).le24(height - 1).bytes());
    }

    private static Out part(int millis) {
        return riff("ANMF", new Out().zeros(12).le24(millis).u8(0).add(lossy(4, 4)).bytes());
    }

    private static void webp(List<Sample> out) {
        int[][] sizes = {{1, 1}, {2, 3}, {640, 360}, {1920, 1080}, {4000, 3000}, {16383, 16383}};
        for (int[] size : sizes) {
            String drawn = size[0] + "x" + size[1];
            out.add(webp("webp " + drawn, List.of(lossy(size[0], size[1])), "WebP, VP8 " + drawn + ", bits 8"));
            out.add(webp("lossless webp " + drawn, List.of(lossless(size[0], size[1], false)),
                    "WebP, WebP lossless " + drawn + ", bits 8"));
            out.add(webp("clear webp " + drawn, List.of(lossless(size[0], size[1], true)),
                    "WebP, WebP lossless " + drawn + ", bits 8, alpha"));
            out.add(webp("extended webp " + drawn,
                    List.of(extended(0x10, size[0], size[1]), riff("ALPH", noise(9)), lossy(size[0], size[1])),
                    "WebP, WebP " + drawn + ", bits 8, alpha"));
        }
        out.add(webp("moving webp", List.of(extended(2, 64, 48), riff("ANIM", noise(6)), part(40), part(40), part(40)),
                "WebP, WebP 64x48, rate 25, frames 3, bits 8, seconds 3/25"));
        out.add(webp("uneven webp", List.of(extended(2, 64, 48), riff("ANIM", noise(6)), part(40), part(80)),
                "WebP, WebP 64x48, varies, frames 2, bits 8, seconds 3/25"));
    }

    // ---- TIFF

    /** Fields are written as whole numbers of 32 bits. */
    private static Sample tiff(String name, boolean little, int orientation, int bits, int alpha, int strips, String facts) {
        java.util.function.BiFunction<Out, Integer, Out> two = (o, v) -> little ? o.le16(v) : o.u16(v);
        java.util.function.BiFunction<Out, Long, Out> four = (o, v) -> little ? o.le32(v) : o.u32(v);
        int[][] fields = {{256, 4, 1, 200}, {257, 4, 1, 100}, {258, 3, 1, bits}, {273, 4, strips, 0}, {274, 3, 1, orientation},
                {279, 4, strips, 0}, {338, 3, 1, alpha}};
        int tables = 8 + 2 + fields.length * 12 + 4;
        int data = tables + (strips > 1 ? strips * 8 : 0);
        Out out = four.apply(two.apply(new Out().text(little ? "II" : "MM"), 42), 8L);
        two.apply(out, fields.length);
        for (int[] field : fields) {
            four.apply(two.apply(two.apply(out, field[0]), field[1]), (long) field[2]);
            if (field[0] == 273) {
                four.apply(out, strips == 1 ? data : (long) tables);
            } else if (field[0] == 279) {
                four.apply(out, strips == 1 ? 50 : tables + strips * 4L);
            } else if (field[1] == 3) {
                two.apply(two.apply(out, field[3]), 0);
            } else {
                four.apply(out, (long) field[3]);
            }
        }
        four.apply(out, 0L);
        for (int i = 0; strips > 1 && i < strips; i++) {
            four.apply(out, data + i * 50L);
        }
        for (int i = 0; strips > 1 && i < strips; i++) {
            four.apply(out, 50L);
        }
        return Sample.of(name, out.add(noise(50 * strips)).bytes(), facts).cutAt(List.of(8, tables, data));
    }

    private static void tiff(List<Sample> out) {
        for (boolean little : new boolean[]{true, false}) {
            String order = little ? "little" : "big";
            for (int bits : new int[]{1, 8, 16, 32}) {
                out.add(tiff("tiff " + order + ", " + bits, little, 1, bits, 0, 1, "TIFF, TIFF 200x100, bits " + bits));
            }
            out.add(tiff("tiff " + order + " in strips", little, 1, 8, 0, 30, "TIFF, TIFF 200x100, bits 8"));
            out.add(tiff("tiff " + order + " in two strips", little, 1, 8, 0, 2, "TIFF, TIFF 200x100, bits 8"));
            out.add(tiff("tiff " + order + " turned", little, 6, 8, 0, 1, "TIFF, TIFF 200x100, turned 90, bits 8"));
            out.add(tiff("tiff " + order + " upside down", little, 3, 8, 0, 5, "TIFF, TIFF 200x100, turned 180, bits 8"));
            out.add(tiff("tiff " + order + " with alpha", little, 1, 8, 2, 1, "TIFF, TIFF 200x100, bits 8, alpha"));
            out.add(tiff("tiff " + order + " with alpha in it", little, 8, 16, 1, 3, "TIFF, TIFF 200x100, turned 270, bits 16, alpha"));
        }
    }
}
