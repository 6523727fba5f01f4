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
import java.util.Map;
import java.util.Random;
import java.util.concurrent.ConcurrentHashMap;
import javax.imageio.ImageIO;

/** Small pictures, sounds and films, made by ourselves; the same seed makes the same bytes. */
final class DemoMedia {

    /** A class makes many pictures, and several of its students the same. */
    private static final Map<String, byte[]> MADE = new ConcurrentHashMap<>();
    private static final int SOUND_RATE = 16_000;
    private static final byte[] MATRIX = ints(0x10000, 0, 0, 0, 0x10000, 0, 0, 0, 0x40000000);

    private DemoMedia() {
    }

    static byte[] png(int seed, int width, int height) {
        return image(seed, width, height, "png");
    }

    private static byte[] image(int seed, int width, int height, String format) {
        return MADE.computeIfAbsent(format + seed + " " + width + " " + height, key -> drawn(seed, width, height, format));
    }

    private static byte[] drawn(int seed, int width, int height, String format) {
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
        int samples = SOUND_RATE;
        ByteBuffer out = ByteBuffer.allocate(44 + samples * 2).order(ByteOrder.LITTLE_ENDIAN);
        out.put(ascii("RIFF")).putInt(36 + samples * 2).put(ascii("WAVEfmt ")).putInt(16).putShort((short) 1).putShort((short) 1)
                .putInt(SOUND_RATE).putInt(SOUND_RATE * 2).putShort((short) 2).putShort((short) 16).put(ascii("data")).putInt(samples * 2);
        double pitch = 220 + (seed * 37) % 500;
        for (int i = 0; i < samples; i++) {
            double time = (double) i / SOUND_RATE;
            out.putShort((short) (16_000 * Math.exp(-3 * time) * Math.sin(2 * Math.PI * pitch * time)));
        }
        return out.array();
    }

    /**
     * Bells over a hum, as the mix of a film.
     *
     * @param level how loud it is; from 2 on it is cut off at full scale, at 1 it peaks near −6 dBFS
     */
    static short[] mix(int seed, int seconds, double level) {
        short[] out = new short[seconds * SOUND_RATE];
        Random random = new Random(seed);
        double[] pitches = {220, 262, 294, 330, 392};
        double pitch = pitches[0];
        double struck = 0;
        for (int i = 0; i < out.length; i++) {
            double time = (double) i / SOUND_RATE;
            if (i % (SOUND_RATE * 3 / 4) == 0) {
                pitch = pitches[random.nextInt(pitches.length)] * (1 + random.nextInt(2));
                struck = time;
            }
            double bell = Math.exp(-4 * (time - struck)) * Math.sin(2 * Math.PI * pitch * (time - struck));
            double sound = level * (0.42 * bell + 0.08 * Math.sin(2 * Math.PI * 110 * time));
            out[i] = (short) Math.round(Math.max(-1, Math.min(1, sound)) * 32_767);
        }
        return out;
    }

    /** A film of still frames (ISO/IEC 14496-12), each a JPEG picture; a few pictures serve for all its frames. It is silent. */
    static byte[] mp4(int seed, int width, int height, int seconds, int rate) {
        return mp4(seed, width, height, seconds, rate, new short[0]);
    }

    /**
     * The same with sound, one channel stored as it is (ISO/IEC 23003-5).
     *
     * @param sound its samples; none for a silent film
     */
    static byte[] mp4(int seed, int width, int height, int seconds, int rate, short[] sound) {
        byte[][] pictures = {image(seed, width, height, "jpeg"), image(seed + 1_000, width, height, "jpeg")};
        int frames = seconds * rate;
        byte[] type = box("ftyp", concat(ascii("isom"), ints(512), ascii("isommp42")));
        int first = type.length + 8;
        int[] offsets = {first, first + pictures[0].length};
        ByteBuffer samples = ByteBuffer.allocate(sound.length * 2).order(ByteOrder.LITTLE_ENDIAN);
        for (short sample : sound) {
            samples.putShort(sample);
        }
        byte[] media = box("mdat", concat(concat(pictures), samples.array()));
        ByteArrayOutputStream sizes = new ByteArrayOutputStream();
        ByteArrayOutputStream places = new ByteArrayOutputStream();
        for (int i = 0; i < frames; i++) {
            int which = i / Math.max(1, frames / 2) % 2;
            sizes.writeBytes(ints(pictures[which].length));
            places.writeBytes(ints(offsets[which]));
        }
        byte[] entry = box("jpeg", concat(new byte[6], shorts(1), new byte[16], shorts(width, height), ints(0x480000, 0x480000, 0),
                shorts(1), new byte[32], shorts(24, -1)));
        byte[] table = table(entry, ints(0, 1, frames, 1), ints(0, 1, 1, 1, 1), concat(ints(0, 0, frames), sizes.toByteArray()),
                concat(ints(0, frames), places.toByteArray()));
        byte[] seen = track(1, seconds, width, height, 0, rate, frames, "vide", box("vmhd", concat(ints(1), new byte[8])), table);
        byte[] heard = sound.length == 0 ? new byte[0] : heard(sound.length, offsets[1] + pictures[1].length, seconds);
        byte[] header = box("mvhd",
                concat(ints(0, 0, 0, 1_000, seconds * 1_000, 0x10000), shorts(0x100, 0), ints(0, 0), MATRIX, new byte[24], ints(3)));
        return concat(type, media, box("moov", concat(header, seen, heard)));
    }

    private static byte[] heard(int samples, int at, int seconds) {
        byte[] order = box("pcmC", concat(ints(0), new byte[]{1, 16}));
        byte[] entry = box("ipcm", concat(new byte[6], shorts(1), new byte[8], shorts(1, 16), ints(0, SOUND_RATE << 16), order));
        byte[] table = table(entry, ints(0, 1, samples, 1), ints(0, 1, 1, samples, 1), ints(0, 2, samples), ints(0, 1, at));
        return track(2, seconds, 0, 0, 0x100, SOUND_RATE, samples, "soun", box("smhd", new byte[8]), table);
    }

    private static byte[] table(byte[] entry, byte[] times, byte[] chunks, byte[] sizes, byte[] places) {
        return box("stbl", concat(box("stsd", concat(ints(0, 1), entry)), box("stts", times), box("stsc", chunks), box("stsz", sizes),
                box("stco", places)));
    }

    private static byte[] track(int id, int seconds, int width, int height, int volume, int perSecond, int length, String kind,
            byte[] about, byte[] table) {
        byte[] information = box("minf",
                concat(about, box("dinf", box("dref", concat(ints(0, 1), box("url ", ints(1))))), table));
        byte[] handler = box("hdlr", concat(ints(0, 0), ascii(kind), new byte[12], ascii("Media\0")));
        byte[] media = box("mdia",
                concat(box("mdhd", concat(ints(0, 0, 0, perSecond, length), shorts(0x55C4, 0))), handler, information));
        return box("trak", concat(box("tkhd", concat(ints(7, 0, 0, id, 0, seconds * 1_000, 0, 0, 0), shorts(volume, 0), MATRIX,
                ints(width << 16, height << 16))), media));
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
