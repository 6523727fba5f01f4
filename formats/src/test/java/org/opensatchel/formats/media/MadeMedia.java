package org.opensatchel.formats.media;

import java.util.function.IntToDoubleFunction;
import java.util.zip.CRC32;

/** Pictures, sounds and films of any size, rate and level, written by construction. */
public final class MadeMedia {

    private MadeMedia() {
    }

    /** A picture whose data are noise. */
    public static byte[] png(int width, int height, boolean alpha) {
        return new Out().text("\u0089PNG\r\n\u001a\n")
                .add(chunk("IHDR", new Out().u32(width).u32(height).u8(8).u8(alpha ? 6 : 2).zeros(3).bytes()))
                .add(chunk("IDAT", SoundSamples.noise(64))).add(chunk("IEND", new byte[0])).bytes();
    }

    private static Out chunk(String name, byte[] data) {
        CRC32 crc = new CRC32();
        crc.update(new Out().text(name).add(data).bytes());
        return new Out().u32(data.length).text(name).add(data).u32(crc.getValue());
    }

    /** Samples of 16 bits, the same in all channels. */
    public static byte[] wav(int channels, int rate, double seconds, IntToDoubleFunction sample) {
        return SoundSamples.riff("RIFF", new Out().add(SoundSamples.chunk("fmt ", SoundSamples.format(1, channels, rate, 16)))
                .add(SoundSamples.chunk("data", samples(channels, (int) Math.round(rate * seconds), sample))));
    }

    private static byte[] samples(int channels, int moments, IntToDoubleFunction sample) {
        Out out = new Out();
        for (int i = 0; i < moments; i++) {
            int value = (int) Math.max(-32_768, Math.min(32_767, Math.round(sample.applyAsDouble(i) * 32_768)));
            for (int channel = 0; channel < channels; channel++) {
                out.le16(value);
            }
        }
        return out.bytes();
    }

    /** A tone with its highest peak at a level in dBFS; over zero it is cut off. */
    public static IntToDoubleFunction tone(int rate, double decibels) {
        double height = Math.pow(10, decibels / 20);
        return i -> height * Math.sin(2 * Math.PI * 440 * i / rate + Math.PI / 2);
    }

    /** A film of one track of pictures. */
    public static byte[] film(String code, int width, int height, int over, int under, int frames) {
        return new Film(code, width, height, over, under, frames).bytes();
    }

    /** A film, with what may be different about it. */
    public static final class Film {
        private final Out entry;
        private final Out times = new Out();
        private int runs;
        private final int over;
        private int length;
        private byte[] sound = {};
        private int rate;
        private String soundCode = "sowt";
        private int chunks = 1;

        public Film(String code, int width, int height, int over, int under, int frames) {
            this.entry = FilmSamples.pictureEntry(code, width, height, 24);
            this.over = over;
            then(frames, under);
        }

        /** More pictures, each shown for so many units of time. */
        public Film then(int frames, int units) {
            times.u32(frames).u32(units);
            length += frames * units;
            runs++;
            return this;
        }

        /** Sound of one channel in so many chunks, with pictures between them. */
        public Film heard(int samplesASecond, double seconds, int inChunks, IntToDoubleFunction sample) {
            sound = samples(1, (int) Math.round(samplesASecond * seconds), sample);
            rate = samplesASecond;
            chunks = inChunks;
            return this;
        }

        /** The same without anything that could be read of it. */
        public Film coded(String code, int samplesASecond, double seconds) {
            heard(samplesASecond, seconds, 1, i -> 0);
            soundCode = code;
            return this;
        }

        public byte[] bytes() {
            Out type = FilmSamples.type("isom");
            Out data = new Out();
            Out places = new Out().u32(0).u32(sound.length == 0 ? 0 : chunks);
            Out groups = new Out().u32(0);
            int moments = sound.length / 2;
            int each = Math.max(1, moments / chunks);
            for (int i = 0; i < chunks && sound.length > 0; i++) {
                data.add(SoundSamples.noise(50));
                places.u32(type.size() + 8 + data.size());
                int from = i * each * 2;
                int to = i == chunks - 1 ? sound.length : from + each * 2;
                data.add(java.util.Arrays.copyOfRange(sound, from, to));
            }
            data.add(SoundSamples.noise(50));
            groups.u32(chunks > 1 ? 2 : 1).u32(1).u32(each).u32(1);
            if (chunks > 1) {
                groups.u32(chunks).u32(moments - each * (chunks - 1)).u32(1);
            }
            Out pictures = FilmSamples.box("stbl", table("stsd", new Out().u32(0).u32(1).add(entry)),
                    table("stts", new Out().u32(0).u32(runs).add(times)), table("stsc", new Out().u32(0).u32(0)),
                    table("stsz", new Out().u32(0).u32(0).u32(0)), table("stco", new Out().u32(0).u32(0)));
            Out movie = FilmSamples.box("moov", FilmSamples.box("mvhd", new Out().zeros(12).u32(over).u32(length).zeros(80)),
                    track("vide", over, length, pictures), sound.length == 0 ? new Out()
                            : track("soun", rate, moments, FilmSamples.box("stbl",
                                    table("stsd", new Out().u32(0).u32(1).add(soundEntry())),
                                    table("stts", new Out().u32(0).u32(1).u32(moments).u32(1)), table("stsc", groups),
                                    table("stsz", new Out().u32(0).u32(2).u32(moments)), table("stco", places))));
            return new Out().add(type).add(FilmSamples.box("mdat", data)).add(movie).bytes();
        }

        private Out soundEntry() {
            return FilmSamples.box(soundCode,
                    new Out().zeros(6).u16(1).zeros(8).u16(1).u16(16).u32(0).u32((long) rate << 16));
        }

        private static Out table(String name, Out inside) {
            return FilmSamples.box(name, inside);
        }

        private static Out track(String kind, int perSecond, int length, Out table) {
            return FilmSamples.box("trak", FilmSamples.box("tkhd", new Out().zeros(12).u32(1).zeros(68)),
                    FilmSamples.box("mdia", FilmSamples.box("mdhd", new Out().zeros(12).u32(perSecond).u32(length).u32(0)),
                            FilmSamples.box("hdlr", new Out().zeros(8).text(kind).zeros(13)),
                            FilmSamples.box("minf", FilmSamples.box("dinf",
                                    FilmSamples.box("dref", new Out().u32(0).u32(1).u32(12).text("url ").u8(0).u24(1))), table)));
        }
    }
}
