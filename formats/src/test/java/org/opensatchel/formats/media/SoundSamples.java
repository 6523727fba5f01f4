package org.opensatchel.formats.media;

import java.util.ArrayList;
import java.util.List;
import org.opensatchel.formats.binary.Rational;

/** Sounds of every kind, written by construction. */
final class SoundSamples {

    private static final int BLOCK = 4_096;

    private SoundSamples() {
    }

    static List<Sample> all() {
        List<Sample> out = new ArrayList<>();
        wave(out);
        aiff(out);
        flac(out);
        ogg(out);
        mpeg(out);
        return out;
    }

    static byte[] noise(int count) {
        byte[] out = new byte[count];
        for (int i = 0; i < count; i++) {
            out[i] = (byte) (i * 29 + 3 & 0x7f);
        }
        return out;
    }

    // ---- WAVE

    static Out chunk(String name, byte[] data) {
        return new Out().text(name).le32(data.length).add(data).zeros(data.length & 1);
    }

    static byte[] format(int tag, int channels, int rate, int bits) {
        int block = channels * bits / 8;
        return new Out().le16(tag).le16(channels).le32(rate).le32((long) rate * block).le16(block).le16(bits).bytes();
    }

    static byte[] riff(String form, Out inside) {
        return new Out().text(form).le32(4 + inside.size()).text("WAVE").add(inside).bytes();
    }

    /** The data chunk with a size that may be another than its own. */
    private static Out data(long said, byte[] data) {
        return new Out().text("data").le32(said).add(data).zeros(data.length & 1);
    }

    private static void wave(List<Sample> out) {
        for (int channels : new int[]{1, 2, 6}) {
            for (int bits : new int[]{8, 16, 24, 32}) {
                for (int rate : new int[]{44_100, 48_000}) {
                    byte[] sound = noise(channels * bits / 8 * rate / 100);
                    out.add(Sample.of("wave " + channels + " at " + rate + ", " + bits,
                            riff("RIFF", new Out().add(chunk("fmt ", format(1, channels, rate, bits))).add(chunk("data", sound))),
                            "WAVE, PCM " + channels + " at " + rate + ", bits " + bits + ", seconds 1/100").cutAt(List.of(12, 36, 44)));
                }
            }
        }
        byte[] plain = format(1, 1, 48_000, 16);
        byte[] sound = noise(9_600);
        String facts = "WAVE, PCM 1 at 48000, bits 16, seconds 1/10";
        out.add(Sample.of("wave of floats", riff("RIFF", new Out().add(chunk("fmt ", format(3, 1, 48_000, 32))).add(chunk("data", sound))),
                "WAVE, PCM float 1 at 48000, bits 32, seconds 1/20"));
        byte[] wide = new Out().add(format(0xfffe, 2, 48_000, 24)).le16(22).le16(20).le32(3).le16(1).zeros(14).bytes();
        out.add(Sample.of("extensible wave", riff("RIFF", new Out().add(chunk("fmt ", wide)).add(chunk("data", noise(2_880)))),
                "WAVE, PCM 2 at 48000, bits 20, seconds 1/100"));
        for (String form : new String[]{"RF64", "BW64"}) {
            Out sizes = new Out().le64(9_700).le64(9_600).le64(4_800).le32(0);
            out.add(Sample.of(form + " wave",
                    riff(form, new Out().add(chunk("ds64", sizes.bytes())).add(chunk("fmt ", plain)).add(data(0xffffffffL, sound))),
                    facts));
        }
        out.add(Sample.of("wave that was streamed", riff("RIFF", new Out().add(chunk("fmt ", plain)).add(data(0, sound))),
                facts + ", OPEN"));
        out.add(Sample.of("wave of unknown length", riff("RIFF", new Out().add(chunk("fmt ", plain)).add(data(0xffffffffL, sound))),
                facts + ", OPEN"));
        out.add(Sample.of("wave of the largest length", riff("RIFF", new Out().add(chunk("fmt ", plain)).add(data(0x7ffff000L, sound))),
                facts + ", OPEN"));
        out.add(Sample.of("wave with notes before it", riff("RIFF",
                new Out().add(chunk("bext", noise(603))).add(chunk("JUNK", noise(28))).add(chunk("fmt ", plain)).add(chunk("data", sound))),
                facts));
        Out behind = new Out().add(chunk("fmt ", plain)).add(chunk("data", sound)).add(chunk("LIST", noise(50)))
                .add(chunk("id3 ", noise(9)));
        out.add(Sample.of("wave with notes behind it", riff("RIFF", behind), facts));
        out.add(Sample.of("wave with a broken note behind it", Bytes.cut(riff("RIFF", behind), 9_680), facts));
        out.add(Sample.of("wave of an odd length", new Out().text("RIFF").le32(37 + 4).text("WAVE")
                .add(chunk("fmt ", format(1, 1, 8_000, 8))).text("data").le32(5).add(noise(5)).bytes(),
                "WAVE, PCM 1 at 8000, bits 8, seconds 1/1600"));
        out.add(Sample.of("A-law wave", riff("RIFF", new Out().add(chunk("fmt ", format(6, 1, 8_000, 8))).add(chunk("data", noise(800)))),
                "WAVE, A-law 1 at 8000, seconds 1/10"));
        byte[] adpcm = new Out().le16(0x11).le16(1).le32(22_050).le32(11_100).le16(512).le16(4).le16(2).le16(1_017).bytes();
        out.add(Sample.of("ADPCM wave", riff("RIFF", new Out().add(chunk("fmt ", adpcm)).add(chunk("fact", new Out().le32(2_205).bytes()))
                .add(chunk("data", noise(1_536)))), "WAVE, IMA ADPCM 1 at 22050, seconds 1/10"));
    }

    // ---- AIFF

    private static Out part(String name, byte[] data) {
        return new Out().text(name).u32(data.length).add(data).zeros(data.length & 1);
    }

    private static byte[] common(int channels, long frames, int bits, int rate, String coded) {
        int top = 31 - Integer.numberOfLeadingZeros(rate);
        Out out = new Out().u16(channels).u32(frames).u16(bits).u16(16_383 + top).u64((long) rate << 63 - top);
        return coded.isEmpty() ? out.bytes() : out.text(coded).u8(0).u8(0).bytes();
    }

    private static Sample aiff(String name, String coded, int channels, int bits, int rate, String facts) {
        int frames = rate / 100;
        byte[] sound = new Out().u32(0).u32(0).add(noise(frames * channels * bits / 8)).bytes();
        Out inside = new Out();
        if (!coded.isEmpty()) {
            inside.add(part("FVER", new Out().u32(0xa2805140L).bytes()));
        }
        inside.add(part("COMM", common(channels, frames, bits, rate, coded))).add(part("SSND", sound));
        return Sample.of(name,
                new Out().text("FORM").u32(4 + inside.size()).text(coded.isEmpty() ? "AIFF" : "AIFC").add(inside).bytes(), facts);
    }

    private static void aiff(List<Sample> out) {
        for (int channels : new int[]{1, 2}) {
            for (int bits : new int[]{8, 16, 24, 32}) {
                for (int rate : new int[]{8_000, 44_100, 48_000, 192_000}) {
                    out.add(aiff("aiff " + channels + " at " + rate + ", " + bits, "", channels, bits, rate,
                            "AIFF, PCM " + channels + " at " + rate + ", bits " + bits + ", seconds 1/100"));
                }
            }
        }
        out.add(aiff("aifc turned", "sowt", 2, 16, 44_100, "AIFF, PCM 2 at 44100, bits 16, seconds 1/100"));
        out.add(aiff("aifc of floats", "fl32", 2, 32, 44_100, "AIFF, PCM float 2 at 44100, bits 32, seconds 1/100"));
        out.add(aiff("aifc in mu-law", "ulaw", 1, 16, 8_000, "AIFF, mu-law 1 at 8000, seconds 1/100"));
    }

    // ---- FLAC

    private static int crc(byte[] bytes, int width, int poly) {
        int crc = 0;
        int mask = (1 << width) - 1;
        for (byte one : bytes) {
            crc ^= (one & 0xff) << width - 8;
            for (int bit = 0; bit < 8; bit++) {
                crc = ((crc >> width - 1 & 1) != 0 ? crc << 1 ^ poly : crc << 1) & mask;
            }
        }
        return crc;
    }

    private static Out flacFrame(int number, int samples) {
        return flacFrame(number, samples, noise(600 + number));
    }

    private static Out flacHeader(int number, int samples) {
        Out header = Out.of(0xff, 0xf8, samples == BLOCK ? 0xc9 : 0x79, 0x18, number);
        if (samples != BLOCK) {
            header.u16(samples - 1);
        }
        return header.u8(crc(header.bytes(), 8, 7));
    }

    private static Out flacFrame(int number, int samples, byte[] coded) {
        Out whole = new Out().add(flacHeader(number, samples)).add(coded);
        return whole.u16(crc(whole.bytes(), 16, 0x8005));
    }

    /** Three frames and a short last one, in each of which stands what looks like the beginnings of others. */
    static byte[] flacFullOfBeginnings(java.util.Random random) {
        Out out = flac(2, 48_000, 16, 0, 3L * BLOCK + 100, 0);
        for (int i = 0; i < 4; i++) {
            Out coded = new Out();
            for (int j = 0; j < 40; j++) {
                byte[] any = new byte[random.nextInt(300)];
                random.nextBytes(any);
                coded.add(any).add(flacHeader(random.nextInt(128), random.nextBoolean() ? BLOCK : 1 + random.nextInt(4_000)));
            }
            out.add(flacFrame(i, i == 3 ? 100 : BLOCK, coded.bytes()));
        }
        return out.bytes();
    }

    /** @param said how many samples the header says, of as many as there are */
    private static Out flac(int channels, int rate, int bits, int samples, long said, int blocks) {
        Out info = new Out().u16(BLOCK).u16(BLOCK).u24(0).u24(0).u32((long) rate << 12 | channels - 1 << 9 | bits - 1 << 4 | said >> 32)
                .u32(said).zeros(16);
        Out out = new Out().text("fLaC").u8(blocks == 0 ? 0x80 : 0).u24(34).add(info);
        for (int i = 0; i < blocks; i++) {
            out.u8(i == blocks - 1 ? 0x84 : 4).u24(200).add(noise(200));
        }
        for (int i = 0, left = samples; left > 0; i++, left -= BLOCK) {
            out.add(flacFrame(i, Math.min(BLOCK, left)));
        }
        return out;
    }

    private static void flac(List<Sample> out) {
        for (int channels : new int[]{1, 2, 8}) {
            for (int bits : new int[]{8, 16, 24}) {
                for (int samples : new int[]{4_096, 8_192, 10_000}) {
                    out.add(Sample.of("flac " + channels + ", " + bits + ", " + samples,
                            flac(channels, 48_000, bits, samples, samples, channels % 3).bytes(),
                            "FLAC, FLAC " + channels + " at 48000, bits " + bits + ", seconds " + new Rational(samples, 48_000)));
                }
            }
        }
        Out plain = flac(2, 44_100, 16, 44_100, 44_100, 2);
        out.add(Sample.of("flac streamed", flac(2, 44_100, 16, 44_100, 0, 0).bytes(), "FLAC, FLAC 2 at 44100, bits 16, OPEN"));
        out.add(Sample.of("flac with notes before it", new Out().add(id3(3_000)).add(plain).bytes(),
                "FLAC, FLAC 2 at 44100, bits 16, seconds 1"));
        out.add(Sample.of("flac with notes behind it", new Out().add(plain).text("TAG").zeros(125).bytes(),
                "FLAC, FLAC 2 at 44100, bits 16, seconds 1"));
        out.add(Sample.of("flac with zeros behind it", new Out().add(plain).zeros(500).bytes(),
                "FLAC, FLAC 2 at 44100, bits 16, seconds 1"));
    }

    private static Out id3(int bytes) {
        return new Out().text("ID3").u8(4).u8(0).u8(0).u8(bytes >> 21 & 0x7f).u8(bytes >> 14 & 0x7f).u8(bytes >> 7 & 0x7f).u8(bytes & 0x7f)
                .zeros(bytes);
    }

    // ---- Ogg

    private static Out page(int flags, long place, int serial, byte[] body) {
        Out out = new Out().text("OggS").u8(0).u8(flags).le64(place).le32(serial).le32(0).le32(0);
        int segments = body.length / 255 + 1;
        out.u8(segments);
        for (int i = 0; i < segments; i++) {
            out.u8(i < segments - 1 ? 255 : body.length % 255);
        }
        return out.add(body);
    }

    private static byte[] vorbis(int channels, int rate) {
        return new Out().text("\u0001vorbis").le32(0).u8(channels).le32(rate).zeros(14).bytes();
    }

    private static byte[] opus(int channels, int skip) {
        return new Out().text("OpusHead").u8(1).u8(channels).le16(skip).le32(44_100).le16(0).u8(0).bytes();
    }

    private static void ogg(List<Sample> out) {
        for (int channels : new int[]{1, 2, 6}) {
            for (int rate : new int[]{22_050, 44_100, 48_000}) {
                out.add(Sample.of("vorbis " + channels + " at " + rate, new Out().add(page(2, 0, 7, vorbis(channels, rate)))
                        .add(page(0, 0, 7, noise(3_000))).add(page(0, rate, 7, noise(9_000))).add(page(4, 2L * rate, 7, noise(4_000)))
                        .bytes(),
                        "Ogg, Vorbis " + channels + " at " + rate + ", seconds 2"));
            }
            for (int skip : new int[]{0, 312, 3_840}) {
                out.add(Sample.of("opus " + channels + ", " + skip, new Out().add(page(2, 0, 9, opus(channels, skip)))
                        .add(page(0, 0, 9, noise(60))).add(page(4, 48_000 + skip, 9, noise(4_000))).bytes(),
                        "Ogg, Opus " + channels + " at 48000, seconds 1"));
            }
        }
        out.add(Sample.of("vorbis without an end",
                new Out().add(page(2, 0, 7, vorbis(1, 8_000))).add(page(0, 8_000, 7, noise(900))).bytes(),
                "Ogg, Vorbis 1 at 8000, seconds 1, OPEN"));
        Out theora = new Out().text("\u0080theora").u8(3).u8(2).u8(1).u16(20).u16(15).u24(320).u24(240).u16(0).u32(30).u32(1).u24(1).u24(1)
                .u8(0).u24(0).u8(0).u8(0xc0);
        out.add(Sample.of("theora with vorbis", new Out().add(page(2, 0, 1, theora.bytes())).add(page(2, 0, 2, vorbis(2, 44_100)))
                .add(page(0, 44_100, 2, noise(900))).add(page(4, 2L << 6 | 28, 1, noise(900))).bytes(),
                "Ogg, Theora 320x240, rate 30, bits 8, Vorbis 2 at 44100, seconds 1"));
    }

    // ---- MPEG audio

    /** A frame of layer III at 128 kilobits and 44,100 samples: 417 bytes. */
    private static Out mpegFrame(boolean mono, byte[] inside) {
        Out out = Out.of(0xff, 0xfb, 0x90, mono ? 0xc0 : 0x40).zeros(mono ? 17 : 32).add(inside);
        return out.zeros(417 - out.size());
    }

    private static Out frames(int count, boolean mono) {
        Out out = new Out();
        for (int i = 0; i < count; i++) {
            out.add(mpegFrame(mono, new byte[0]));
        }
        return out;
    }

    static Out counted(String word, int frames, int bytes, boolean mono) {
        return mpegFrame(mono, new Out().text(word).u32(3).u32(frames).u32(bytes).bytes());
    }

    private static void mpeg(List<Sample> out) {
        for (boolean mono : new boolean[]{true, false}) {
            String channels = mono ? "1" : "2";
            String sound = "MPEG audio, MPEG-1 Audio Layer III " + channels + " at 44100";
            for (int count : new int[]{2, 10, 100}) {
                out.add(Sample.of("mp3 " + channels + ", " + count, frames(count, mono).bytes(),
                        sound + ", seconds " + new Rational(1_152L * count, 44_100) + ", OPEN"));
                for (String word : new String[]{"Xing", "Info"}) {
                    Out whole = new Out().add(counted(word, count, 417 * (count + 1), mono)).add(frames(count, mono));
                    String facts = sound + ", seconds " + new Rational(1_152L * count, 44_100);
                    out.add(Sample.of("mp3 " + word + " " + channels + ", " + count, whole.bytes(), facts));
                    out.add(Sample.of("mp3 with notes, " + word + " " + channels + ", " + count,
                            new Out().add(id3(2_500)).add(whole).text("TAG").zeros(125).bytes(), facts));
                }
            }
        }
        // What the encoder put before and behind the sound is none of it.
        Out padded = mpegFrame(false, new Out().text("Xing").u32(15).u32(50).u32(417 * 51).zeros(100).u32(0).text("LAME3.100").zeros(12)
                .u24(576 << 12 | 1_000).bytes());
        out.add(Sample.of("mp3 with padding", new Out().add(padded).add(frames(50, false)).bytes(),
                "MPEG audio, MPEG-1 Audio Layer III 2 at 44100, seconds " + new Rational(1_152L * 50 - 1_576, 44_100)));
        Out varying = frames(1, false);
        for (int i = 0; i < 30; i++) {
            // 64 and 256 kilobits by turns.
            Out frame = Out.of(0xff, 0xfb, i % 2 == 0 ? 0x50 : 0xd0, 0x40);
            varying.add(frame).zeros((i % 2 == 0 ? 208 : 835) - frame.size());
        }
        out.add(Sample.of("mp3 that varies and counts nothing", varying.bytes(),
                "MPEG audio, MPEG-1 Audio Layer III 2 at 44100, seconds " + new Rational(1_152L * 31, 44_100) + ", OPEN"));
        Out vbri = Out.of(0xff, 0xfb, 0x90, 0x40).zeros(32).text("VBRI").u16(1).u16(0).u16(75).u32(417 * 51).u32(50);
        out.add(Sample.of("mp3 VBRI", new Out().add(vbri).zeros(417 - vbri.size()).add(frames(50, false)).bytes(),
                "MPEG audio, MPEG-1 Audio Layer III 2 at 44100, seconds " + new Rational(1_152L * 50, 44_100)));
    }
}
