package org.opensatchel.web.demo;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.Random;
import javax.imageio.ImageIO;

/** Small pictures, sounds and films, made by ourselves; the same seed makes the same bytes. */
final class DemoMedia {

    private DemoMedia() {
    }

    static byte[] png(int seed, int width, int height) {
        return image(seed, width, height, "png");
    }

    private static byte[] image(int seed, int width, int height, String format) {
        Random random = new Random(seed);
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        Graphics2D pen = image.createGraphics();
        pen.setColor(Color.getHSBColor(random.nextFloat(), 0.25f, 0.25f));
        pen.fillRect(0, 0, width, height);
        for (int i = 0; i < 14; i++) {
            pen.setColor(Color.getHSBColor(random.nextFloat(), 0.6f, 0.9f));
            int size = 4 + random.nextInt(Math.max(5, height / 4));
            pen.fillOval(random.nextInt(width), random.nextInt(height), size, size);
        }
        pen.dispose();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            ImageIO.write(image, format, out);
        } catch (IOException impossible) {
            throw new UncheckedIOException(impossible);
        }
        return out.toByteArray();
    }

    /** A second of a struck bell or a hum, 16 bit mono, as a RIFF WAVE file peaking near −6 dBFS. */
    static byte[] wav(int seed) {
        int rate = 16_000;
        int samples = rate;
        ByteBuffer out = ByteBuffer.allocate(44 + samples * 2).order(ByteOrder.LITTLE_ENDIAN);
        out.put(ascii("RIFF")).putInt(36 + samples * 2).put(ascii("WAVEfmt ")).putInt(16).putShort((short) 1).putShort((short) 1)
                .putInt(rate).putInt(rate * 2).putShort((short) 2).putShort((short) 16).put(ascii("data")).putInt(samples * 2);
        double pitch = 220 + (seed * 37) % 500;
        for (int i = 0; i < samples; i++) {
            double time = (double) i / rate;
            out.putShort((short) (16_000 * Math.exp(-3 * time) * Math.sin(2 * Math.PI * pitch * time)));
        }
        return out.array();
    }

    /** A film of still frames (ISO/IEC 14496-12), each a JPEG picture; a few pictures serve for all its frames. */
    static byte[] mp4(int seed, int width, int height, int seconds, int rate) {
        byte[][] pictures = {image(seed, width, height, "jpeg"), image(seed + 1_000, width, height, "jpeg")};
        int frames = seconds * rate;
        byte[] type = box("ftyp", concat(ascii("isom"), ints(512), ascii("isommp42")));
        byte[] media = box("mdat", concat(pictures));
        int[] offsets = {type.length + 8, type.length + 8 + pictures[0].length};
        ByteArrayOutputStream sizes = new ByteArrayOutputStream();
        ByteArrayOutputStream places = new ByteArrayOutputStream();
        for (int i = 0; i < frames; i++) {
            int which = i / Math.max(1, frames / 2) % 2;
            sizes.writeBytes(ints(pictures[which].length));
            places.writeBytes(ints(offsets[which]));
        }
        byte[] entry = box("jpeg", concat(new byte[6], shorts(1), new byte[16], shorts(width, height), ints(0x480000, 0x480000, 0),
                shorts(1), new byte[32], shorts(24, -1)));
        byte[] table = box("stbl", concat(
                box("stsd", concat(ints(0, 1), entry)), box("stts", ints(0, 1, frames, 1)), box("stsc", ints(0, 1, 1, 1, 1)),
                box("stsz", concat(ints(0, 0, frames), sizes.toByteArray())), box("stco", concat(ints(0, frames), places.toByteArray()))));
        byte[] information = box("minf", concat(box("vmhd", concat(ints(1), new byte[8])),
                box("dinf", box("dref", concat(ints(0, 1), box("url ", ints(1))))), table));
        byte[] handler = box("hdlr", concat(ints(0, 0), ascii("vide"), new byte[12], ascii("Picture\0")));
        byte[] mediaBox = box("mdia", concat(box("mdhd", concat(ints(0, 0, 0, rate, frames), shorts(0x55C4, 0))), handler, information));
        byte[] matrix = ints(0x10000, 0, 0, 0, 0x10000, 0, 0, 0, 0x40000000);
        byte[] track = box("trak", concat(
                box("tkhd", concat(ints(7, 0, 0, 1, 0, seconds * 1_000, 0, 0, 0, 0), matrix, ints(width << 16, height << 16))), mediaBox));
        byte[] header = box("mvhd",
                concat(ints(0, 0, 0, 1_000, seconds * 1_000, 0x10000), shorts(0x100, 0), ints(0, 0), matrix, new byte[24], ints(2)));
        return concat(type, media, box("moov", concat(header, track)));
    }

    private static byte[] box(String type, byte[] content) {
        return concat(ints(8 + content.length), ascii(type), content);
    }

    private static byte[] ascii(String text) {
        return text.getBytes(StandardCharsets.US_ASCII);
    }

    private static byte[] ints(int... values) {
        ByteBuffer out = ByteBuffer.allocate(values.length * 4);
        for (int value : values) {
            out.putInt(value);
        }
        return out.array();
    }

    private static byte[] shorts(int... values) {
        ByteBuffer out = ByteBuffer.allocate(values.length * 2);
        for (int value : values) {
            out.putShort((short) value);
        }
        return out.array();
    }

    private static byte[] concat(byte[]... parts) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        for (byte[] part : parts) {
            out.writeBytes(part);
        }
        return out.toByteArray();
    }
}
