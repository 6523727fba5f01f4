package org.opensatchel.formats.mp4;

import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import org.opensatchel.formats.binary.Rational;
import org.opensatchel.formats.binary.Window;
import org.opensatchel.formats.media.Colour;
import org.opensatchel.formats.media.MediaFacts.Picture;
import org.opensatchel.formats.media.MediaFacts.Sound;
import org.opensatchel.formats.media.SoundCodecs;

/** Sample entries of MP4 and MOV tracks (ISO/IEC 14496-12, section 8.5.2; MOV sound descriptions 0 to 2). */
final class Mp4Entries {

    private static final Map<String, String> PICTURES = Map.ofEntries(Map.entry("avc1", "H.264"), Map.entry("avc3", "H.264"),
            Map.entry("hvc1", "H.265"), Map.entry("hev1", "H.265"), Map.entry("vvc1", "H.266"), Map.entry("vvi1", "H.266"),
            Map.entry("av01", "AV1"), Map.entry("vp08", "VP8"), Map.entry("vp09", "VP9"), Map.entry("mp4v", "MPEG-4 Visual"),
            Map.entry("s263", "H.263"), Map.entry("h263", "H.263"), Map.entry("jpeg", "Motion JPEG"), Map.entry("mjpa", "Motion JPEG"),
            Map.entry("mjpb", "Motion JPEG"), Map.entry("png ", "PNG"), Map.entry("raw ", "uncompressed"),
            Map.entry("2vuy", "uncompressed"), Map.entry("yuv2", "uncompressed"), Map.entry("v210", "uncompressed"),
            Map.entry("v410", "uncompressed"), Map.entry("uncv", "uncompressed"), Map.entry("dvc ", "DV"), Map.entry("dvcp", "DV"));
    private static final Map<String, String> SOUNDS = Map.ofEntries(Map.entry("alac", "ALAC"), Map.entry("Opus", "Opus"),
            Map.entry("fLaC", "FLAC"), Map.entry("ac-3", "AC-3"), Map.entry("ec-3", "E-AC-3"), Map.entry(".mp3", "MPEG-1 Audio Layer III"),
            Map.entry("alaw", "A-law"), Map.entry("ulaw", "mu-law"), Map.entry("ima4", "IMA ADPCM"), Map.entry("samr", "AMR"),
            Map.entry("sowt", SoundCodecs.PCM), Map.entry("twos", SoundCodecs.PCM), Map.entry("raw ", SoundCodecs.PCM),
            Map.entry("NONE", SoundCodecs.PCM), Map.entry("in24", SoundCodecs.PCM), Map.entry("in32", SoundCodecs.PCM),
            Map.entry("ipcm", SoundCodecs.PCM), Map.entry("lpcm", SoundCodecs.PCM), Map.entry("fl32", SoundCodecs.FLOAT),
            Map.entry("fl64", SoundCodecs.FLOAT), Map.entry("fpcm", SoundCodecs.FLOAT));
    /** What an elementary stream is (ISO/IEC 14496-1, table 5). */
    private static final Map<Integer, String> STREAMS = Map.of(0x40, "AAC", 0x66, "AAC", 0x67, "AAC", 0x68, "AAC", 0x69,
            "MPEG-2 Audio Layer III", 0x6b, "MPEG-1 Audio Layer III", 0xa5, "AC-3", 0xa6, "E-AC-3", 0xdd, "Vorbis");
    private static final Map<String, Integer> BITS = Map.of("in24", 24, "in32", 32, "fl32", 32, "fl64", 64);
    private static final Set<String> SEVERAL = Set.of("mp4a", "ms\0\u0055");
    private static final int WITH_ALPHA = 32;
    private static final double SKEWED = 0.005;

    private Mp4Entries() {
    }

    static Picture picture(Window file, Box entry, Mp4Track.Shape shape) throws IOException {
        long at = entry.at();
        List<Box> parts = Box.between(file, at + 86, entry.end());
        int width = file.u16(at + 32);
        int height = file.u16(at + 34);
        Picture picture = Picture.still(PICTURES.getOrDefault(entry.type(), entry.type().strip()), width, height)
                .transparent(file.u16(at + 82) == WITH_ALPHA).turnedBy(shape.turned());
        picture = picture.shaped(aspect(file, parts, shape, width, height)).coloured(colour(file, parts));
        OptionalInt bits = bits(file, parts);
        Picture deep = bits.isPresent() ? picture.of(bits.getAsInt()) : picture;
        return cleaned(file, parts, deep);
    }

    /** Colour information (section 12.1.5), of MP4 and of MOV. */
    private static Optional<String> colour(Window file, List<Box> parts) throws IOException {
        Optional<Box> box = Box.first(parts, "colr").filter(one -> one.body() + 8 <= one.end());
        boolean said = box.isPresent() && (file.has(box.get().body(), "nclx") || file.has(box.get().body(), "nclc"));
        return said ? Colour.of(file.u16(box.get().body() + 4), file.u16(box.get().body() + 6)) : Optional.empty();
    }

    private static Rational aspect(Window file, List<Box> parts, Mp4Track.Shape shape, int width, int height) throws IOException {
        Optional<Box> said = Box.first(parts, "pasp");
        if (said.isPresent()) {
            long across = file.u32(said.get().body());
            long down = file.u32(said.get().body() + 4);
            return across > 0 && down > 0 ? new Rational(across, down) : Rational.ONE;
        }
        if (Box.first(parts, "clap").isPresent() || shape.width() < 1 || shape.height() < 1 || width == 0 || height == 0) {
            return Rational.ONE;
        }
        // Without a word about pixels the track's own size says how they are stretched.
        double skewed = shape.width() / width / (shape.height() / height);
        return Math.abs(skewed - 1) < SKEWED ? Rational.ONE
                : new Rational(Math.round(shape.width() * 100) * height, Math.max(1, Math.round(shape.height() * 100) * width));
    }

    /** Without what the clean aperture cuts off (section 12.1.4). */
    private static Picture cleaned(Window file, List<Box> parts, Picture picture) throws IOException {
        Optional<Box> clean = Box.first(parts, "clap");
        if (clean.isEmpty()) {
            return picture;
        }
        long body = clean.get().body();
        long wide = file.u32(body + 4) == 0 ? 0 : file.u32(body) / file.u32(body + 4);
        long high = file.u32(body + 12) == 0 ? 0 : file.u32(body + 8) / file.u32(body + 12);
        boolean sound = wide > 0 && high > 0 && wide <= picture.width() && high <= picture.height();
        return !sound ? picture
                : new Picture(picture.codec(), (int) wide, (int) high, picture.pixelAspect(), picture.turned(), picture.rate(),
                        picture.constant(), picture.frames(), picture.bits(), picture.alpha(), picture.colour());
    }

    private static OptionalInt bits(Window file, List<Box> parts) throws IOException {
        Optional<Box> hevc = Box.first(parts, "hvcC");
        if (hevc.isPresent()) {
            return OptionalInt.of((file.u8(hevc.get().body() + 17) & 7) + 8);
        }
        Optional<Box> av1 = Box.first(parts, "av1C");
        if (av1.isPresent()) {
            int flags = file.u8(av1.get().body() + 2);
            return OptionalInt.of((flags & 0x40) == 0 ? 8 : (flags & 0x20) == 0 ? 10 : 12);
        }
        Optional<Box> vp = Box.first(parts, "vpcC");
        return vp.isPresent() ? OptionalInt.of(file.u8(vp.get().body() + 6) >> 4) : OptionalInt.empty();
    }

    static Sound sound(Window file, Box entry, long perSecond) throws IOException {
        long at = entry.at();
        int version = file.u16(at + 16);
        int channels = file.u16(at + 24);
        int bits = BITS.getOrDefault(entry.type(), file.u16(at + 26));
        long rate = file.u32(at + 32) >> 16;
        long parts = at + (version == 1 ? 52 : 36);
        if (version == 2) {
            double said = Double.longBitsToDouble(file.u32(at + 40) << 32 | file.u32(at + 44));
            rate = said > 0 && said < Integer.MAX_VALUE ? Math.round(said) : 0;
            channels = (int) Math.min(Integer.MAX_VALUE, file.u32(at + 48));
            bits = (int) Math.min(1_024, file.u32(at + 56));
            parts = at + Math.max(72, file.u32(at + 36));
        }
        List<Box> inside = Box.between(file, parts, entry.end());
        String codec = codec(file, entry.type(), inside, version == 2 && (file.u32(at + 60) & 1) != 0);
        Optional<Box> plain = Box.first(inside, "pcmC");
        bits = plain.isPresent() ? file.u8(plain.get().body() + 5) : bits;
        if (codec.equals("AAC")) {
            channels = Aac.channels(file, inside).orElse(channels);
        }
        // Rates beyond 65,535 do not fit where they are said; time then runs in samples.
        long heard = rate > 0 ? rate : perSecond;
        return new Sound(codec, channels, (int) Math.min(Integer.MAX_VALUE, heard),
                SoundCodecs.isPlain(codec) && bits > 0 ? OptionalInt.of(bits) : OptionalInt.empty());
    }

    private static String codec(Window file, String type, List<Box> inside, boolean floats) throws IOException {
        if (type.equals("lpcm") && floats) {
            return SoundCodecs.FLOAT;
        }
        if (!SEVERAL.contains(type)) {
            return SOUNDS.getOrDefault(type, type.strip());
        }
        Optional<Box> stream = stream(file, inside);
        return stream.isEmpty() ? "AAC" : STREAMS.getOrDefault(objectType(file, stream.get()), "AAC");
    }

    private static Optional<Box> stream(Window file, List<Box> inside) throws IOException {
        Optional<Box> wave = Box.first(inside, "wave");
        return Box.first(wave.isPresent() ? wave.get().children(file) : inside, "esds");
    }

    /** What AAC says of itself (ISO/IEC 14496-3, section 1.6.2.1): the entry around it says two channels whatever there are. */
    private static final class Aac {
        private static final int STEREO_OF_ONE = 29;
        private static final int EIGHT = 7;

        static OptionalInt channels(Window file, List<Box> inside) throws IOException {
            Optional<Box> stream = stream(file, inside);
            long kind = stream.isEmpty() ? -1 : kind(file, stream.get());
            long at = kind < 0 || kind + 13 > stream.get().end() ? -1 : descriptor(file, kind + 13, 5);
            if (at < 0 || at + 2 > stream.get().end()) {
                return OptionalInt.empty();
            }
            int bits = file.u16(at);
            int type = bits >> 11;
            int rate = bits >> 7 & 15;
            // Rarer kinds say their number, and rarer rates theirs, in more bits than are looked at.
            int channels = bits >> 3 & 15;
            boolean said = type > 0 && type < 31 && rate < 13 && channels > 0 && channels <= EIGHT;
            return !said ? OptionalInt.empty()
                    : OptionalInt.of(channels == EIGHT ? EIGHT + 1 : type == STEREO_OF_ONE && channels == 1 ? 2 : channels);
        }
    }

    /** The kind of an elementary stream (ISO/IEC 14496-1, section 7.2.6); 0 where it is not said. */
    private static int objectType(Window file, Box stream) throws IOException {
        long kind = kind(file, stream);
        return kind < 0 ? 0 : file.u8(kind);
    }

    /** Where the kind of an elementary stream stands; -1 where it does not. */
    private static long kind(Window file, Box stream) throws IOException {
        long at = descriptor(file, stream.body() + 4, 3);
        if (at < 0) {
            return -1;
        }
        int flags = file.u8(at + 2);
        long next = at + 3 + ((flags & 0x80) != 0 ? 2 : 0) + ((flags & 0x20) != 0 ? 2 : 0);
        next += (flags & 0x40) != 0 ? 1 + file.u8(next) : 0;
        return descriptor(file, next, 4);
    }

    /** Where the content of a descriptor begins; -1 where another stands. */
    private static long descriptor(Window file, long at, int tag) throws IOException {
        if (file.u8(at) != tag) {
            return -1;
        }
        long next = at + 1;
        for (int i = 0; i < 4 && (file.u8(next) & 0x80) != 0; i++) {
            next++;
        }
        return next + 1;
    }
}
