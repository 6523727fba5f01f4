package org.opensatchel.formats.media;

import java.util.ArrayList;
import java.util.List;
import org.opensatchel.formats.binary.Rational;

/** Films of every kind, written by construction: boxes as the standards have them, the data noise. */
final class FilmSamples {

    private static final long HEADER = 0x1a45dfa3L;
    private static final int[] UPRIGHT = {1, 0, 0, 1};

    private FilmSamples() {
    }

    static List<Sample> all() {
        List<Sample> out = new ArrayList<>();
        plain(out);
        pictures(out);
        sounds(out);
        times(out);
        parts(out);
        oddities(out);
        matroska(out);
        avi(out);
        return out;
    }

    static Out box(String type, Out... inside) {
        Out body = new Out();
        for (Out one : inside) {
            body.add(one);
        }
        return new Out().u32(8 + body.size()).text(type).add(body);
    }

    private static Out full(String type, int version, Out... inside) {
        Out body = new Out().u8(version).u24(0);
        for (Out one : inside) {
            body.add(one);
        }
        return box(type, body);
    }

    static Out type(String brand) {
        return box("ftyp", new Out().text(brand).u32(512).text("isom"));
    }

    /** What a track is made of; changed for what a test is about. */
    private static final class Track {
        private int id = 1;
        private String kind = "vide";
        private int perSecond = 12_800;
        private Out entry = pictureEntry("avc1", 1280, 720, 24);
        private Out stretches = new Out().u32(1).u32(50).u32(512);
        private long length = 50 * 512;
        private Out edits;
        private int[] matrix = UPRIGHT;
        private int width = 1280;
        private int height = 720;
        private boolean large;
        private List<Long> chunks = List.of();
        /** How long each sample is. */
        private int bytes = 100;

        Out box() {
            Out header = large ? new Out().u64(0).u64(0).u32(id).u32(0).u64(0) : new Out().u32(0).u32(0).u32(id).u32(0).u32(0);
            header.zeros(8).u16(0).u16(0).u16(0).u16(0);
            header.u32(matrix[0] * 65_536L).u32(matrix[1] * 65_536L).u32(0).u32(matrix[2] * 65_536L).u32(matrix[3] * 65_536L).u32(0).u32(0)
                    .u32(0).u32(0x40000000L).u32((long) width << 16).u32((long) height << 16);
            Out time = large ? new Out().u64(0).u64(0).u32(perSecond).u64(length) : new Out().u32(0).u32(0).u32(perSecond).u32(length);
            Out places = new Out().u32(chunks.size());
            chunks.forEach(place -> {
                if (large) {
                    places.u64(place);
                } else {
                    places.u32(place);
                }
            });
            Out table = FilmSamples.box("stbl", full("stsd", 0, new Out().u32(1).add(entry)), full("stts", 0, stretches),
                    full("stsc", 0, new Out().u32(1).u32(1).u32(1).u32(1)),
                    full("stsz", 0, sizes()), full(large ? "co64" : "stco", 0, places));
            Out media = FilmSamples.box("mdia", full("mdhd", large ? 1 : 0, time.u32(0)),
                    full("hdlr", 0, new Out().u32(0).text(kind).zeros(13)),
                    FilmSamples.box("minf", FilmSamples.box("dinf", full("dref", 0, new Out().u32(1).u32(12).text("url ").u8(0).u24(1))),
                            table));
            return FilmSamples.box("trak", full("tkhd", large ? 1 : 0, header), edits == null ? new Out() : FilmSamples.box("edts", edits),
                    media);
        }

        private Out sizes() {
            Out out = new Out().u32(0).u32(chunks.size());
            chunks.forEach(place -> out.u32(bytes));
            return out;
        }
    }

    static Out pictureEntry(String code, int width, int height, int depth, Out... more) {
        Out out = new Out().zeros(6).u16(1).zeros(16).u16(width).u16(height).u32(0x480000).u32(0x480000).u32(0).u16(1).zeros(32).u16(depth)
                .u16(0xffff);
        for (Out one : more) {
            out.add(one);
        }
        return box(code, out);
    }

    private static Out soundEntry(String code, int channels, int bits, int rate, Out... more) {
        Out out = new Out().zeros(6).u16(1).zeros(8).u16(channels).u16(bits).u32(0).u32((long) rate << 16);
        for (Out one : more) {
            out.add(one);
        }
        return box(code, out);
    }

    private static Out movie(int perSecond, long length, Out... tracks) {
        Out inside = full("mvhd", 0, new Out().u32(0).u32(0).u32(perSecond).u32(length).zeros(80));
        for (Out track : tracks) {
            inside.add(track);
        }
        return box("moov", inside);
    }

    /** A film whose pictures are described like this. */
    static byte[] of(Out entry) {
        Track track = new Track();
        track.entry = entry;
        return track("film", "", track).bytes();
    }

    /** A usual movie's description. */
    static Out described() {
        return movie(1_000, 2_000, new Track().box());
    }

    private static Out data(int bytes) {
        return box("mdat", new Out().add(SoundSamples.noise(bytes)));
    }

    /** What it is made of one after the other; where each ends it may be cut. */
    private static Sample film(String name, String facts, Out... boxes) {
        Out out = new Out();
        List<Integer> borders = new ArrayList<>();
        for (Out box : boxes) {
            out.add(box);
            borders.add(out.size());
        }
        borders.remove(borders.size() - 1);
        return Sample.of(name, out.bytes(), facts).cutAt(borders);
    }

    private static Sample track(String name, String facts, Track track) {
        return film(name, facts, type("isom"), before(1_000, 0, 500, track), data(500));
    }

    /** A movie described before its data, which is one sample as long as all of it. */
    private static Out before(int perSecond, long length, int bytes, Track... tracks) {
        for (Track track : tracks) {
            track.chunks = List.of(0L);
            track.bytes = bytes;
        }
        long data = type("isom").size() + movie(perSecond, length, boxes(tracks)).size() + 8;
        for (Track track : tracks) {
            track.chunks = List.of(data);
        }
        return movie(perSecond, length, boxes(tracks));
    }

    private static Out[] boxes(Track... tracks) {
        return java.util.Arrays.stream(tracks).map(Track::box).toArray(Out[]::new);
    }

    private static void plain(List<Sample> out) {
        String facts = "MP4, H.264 1280x720, rate 25, frames 50, seconds 2";
        Track track = new Track();
        out.add(film("film described before", facts, type("isom"), before(1_000, 2_000, 3_000, track), data(3_000)));
        track.chunks = List.of();
        out.add(film("film described behind", facts, type("isom"), data(3_000), movie(1_000, 2_000, track.box())));
        track.large = true;
        out.add(film("film of large numbers", facts, type("isom"), before(1_000, 2_000, 3_000, track), data(3_000)));
        Out wide = new Out().u32(1).text("mdat").u64(16 + 300).add(SoundSamples.noise(300));
        out.add(film("film with a large box", facts, type("isom"), wide, movie(1_000, 2_000, new Track().box())));
        Out open = new Out().u32(0).text("mdat").add(SoundSamples.noise(300));
        out.add(film("film to the end", facts, type("isom"), before(1_000, 2_000, 300, new Track()), open));
        out.add(film("movie of the older kind", "MOV, H.264 1280x720, rate 25, frames 50, seconds 2", type("qt  "),
                box("wide"), data(300), movie(600, 1_200, new Track().box())));
        out.add(film("movie without a type", "MOV, H.264 1280x720, rate 25, frames 50, seconds 2", data(300),
                movie(600, 1_200, new Track().box())));
    }

    private static void pictures(List<Sample> out) {
        String[][] codecs = {{"avc3", "H.264"}, {"hvc1", "H.265"}, {"hev1", "H.265"}, {"av01", "AV1"}, {"vp09", "VP9"},
                {"mp4v", "MPEG-4 Visual"}, {"jpeg", "Motion JPEG"}, {"zzzz", "zzzz"}};
        for (String[] codec : codecs) {
            Track track = new Track();
            track.entry = pictureEntry(codec[0], 640, 360, 24);
            track.width = 640;
            track.height = 360;
            out.add(track("film in " + codec[0], "MP4, " + codec[1] + " 640x360, rate 25, frames 50, seconds 2", track));
        }
        int[][] turns = {{0, 1, -1, 0, 90}, {-1, 0, 0, -1, 180}, {0, -1, 1, 0, 270}};
        for (int[] turn : turns) {
            Track track = new Track();
            track.matrix = turn;
            out.add(track("film turned " + turn[4], "MP4, H.264 1280x720, turned " + turn[4] + ", rate 25, frames 50, seconds 2", track));
        }
        Track wide = new Track();
        wide.entry = pictureEntry("avc1", 720, 576, 24, box("pasp", new Out().u32(64).u32(45)));
        out.add(track("film of wide pixels", "MP4, H.264 720x576, pixels 64/45, rate 25, frames 50, seconds 2", wide));
        Track shown = new Track();
        shown.entry = pictureEntry("avc1", 1440, 1080, 24);
        shown.width = 1920;
        shown.height = 1080;
        out.add(track("film shown wider", "MP4, H.264 1440x1080, pixels 4/3, rate 25, frames 50, seconds 2", shown));
        Track clean = new Track();
        clean.entry = pictureEntry("avc1", 1920, 1088, 24,
                box("clap", new Out().u32(1920).u32(1).u32(1080).u32(1).u32(0).u32(1).u32(0).u32(1)));
        out.add(track("film with a clean aperture", "MP4, H.264 1920x1080, rate 25, frames 50, seconds 2", clean));
        Track clear = new Track();
        clear.entry = pictureEntry("png ", 1280, 720, 32);
        out.add(track("film with alpha", "MP4, PNG 1280x720, rate 25, frames 50, alpha, seconds 2", clear));
        Track deep = new Track();
        deep.entry = pictureEntry("hvc1", 1280, 720, 24, box("hvcC", new Out().zeros(17).u8(0xfa).zeros(6)));
        out.add(track("film of ten bits", "MP4, H.265 1280x720, rate 25, frames 50, bits 10, seconds 2", deep));
        Track av1 = new Track();
        av1.entry = pictureEntry("av01", 1280, 720, 24, box("av1C", Out.of(0x81, 0, 0x40, 0)));
        out.add(track("film of ten bits in av01", "MP4, AV1 1280x720, rate 25, frames 50, bits 10, seconds 2", av1));
    }

    private static Track sound(Out entry, int rate) {
        Track track = new Track();
        track.kind = "soun";
        track.perSecond = rate;
        track.length = 2L * rate;
        track.stretches = new Out().u32(1).u32(100).u32(2L * rate / 100);
        track.entry = entry;
        return track;
    }

    private static Out stream(int kind) {
        Out decoder = Out.of(4, 0x80, 0x80, 0x80, 15, kind).zeros(14);
        return full("esds", 0, Out.of(3, 0x80, 0x80, 0x80, 3 + decoder.size()).u16(1).u8(0).add(decoder));
    }

    /** AAC, with what it says of itself in its first two bytes. */
    private static Out aac(int config) {
        Out decoder = Out.of(4, 17, 0x40).zeros(12).u8(5).u8(2).u16(config);
        return full("esds", 0, Out.of(3, 3 + decoder.size()).u16(1).u8(0).add(decoder));
    }

    private static void sounds(List<Sample> out) {
        // Of low complexity at 48,000 Hz with 1, 2, 6 and 8 channels; one channel that becomes two; channels said elsewhere.
        int[][] configs = {{0x1188, 1}, {0x1190, 2}, {0x11b0, 6}, {0x11b8, 8}, {0xe988, 2}, {0x1180, 2}};
        for (int[] one : configs) {
            out.add(track("aac " + one[0], "MP4, AAC " + one[1] + " at 48000, seconds 2",
                    sound(soundEntry("mp4a", 2, 16, 48_000, aac(one[0])), 48_000)));
        }
        String[][] plain = {{"sowt", "PCM", "16"}, {"twos", "PCM", "8"}, {"in24", "PCM", "24"}, {"in32", "PCM", "32"},
                {"fl32", "PCM float", "32"}};
        for (String[] one : plain) {
            out.add(track("sound " + one[0], "MP4, " + one[1] + " 2 at 48000, bits " + one[2] + ", seconds 2",
                    sound(soundEntry(one[0], 2, Integer.parseInt(one[2]), 48_000), 48_000)));
        }
        String[][] coded = {{"alac", "ALAC"}, {"Opus", "Opus"}, {"fLaC", "FLAC"}, {"ac-3", "AC-3"}, {"ulaw", "mu-law"}};
        for (String[] one : coded) {
            out.add(track("sound " + one[0], "MP4, " + one[1] + " 2 at 44100, seconds 2",
                    sound(soundEntry(one[0], 2, 16, 44_100), 44_100)));
        }
        out.add(track("sound of AAC", "MP4, AAC 2 at 44100, seconds 2", sound(soundEntry("mp4a", 2, 16, 44_100, stream(0x40)), 44_100)));
        out.add(track("sound of layer III", "MP4, MPEG-1 Audio Layer III 2 at 44100, seconds 2",
                sound(soundEntry("mp4a", 2, 16, 44_100, stream(0x6b)), 44_100)));
        Out older = new Out().zeros(6).u16(1).u16(1).zeros(6).u16(2).u16(16).u32(0).u32(44_100L << 16).zeros(16)
                .add(box("wave", box("frma", new Out().text("mp4a")), stream(0x40)));
        out.add(track("sound described again", "MP4, AAC 2 at 44100, seconds 2", sound(box("mp4a", older), 44_100)));
        Out large = new Out().zeros(6).u16(1).u16(2).zeros(6).u16(3).u16(16).u16(0xfffe).u16(0).u32(65_536).u32(72)
                .u64(Double.doubleToLongBits(96_000)).u32(6).u32(0x7f000000).u32(24).u32(12).u32(18).u32(1);
        out.add(track("sound of large numbers", "MP4, PCM 6 at 96000, bits 24, seconds 2", sound(box("lpcm", large), 96_000)));
        Track heard = sound(soundEntry("mp4a", 1, 16, 0, stream(0x40)), 96_000);
        out.add(track("sound whose rate does not fit", "MP4, AAC 1 at 96000, seconds 2", heard));
        Track second = sound(soundEntry("mp4a", 2, 16, 48_000, stream(0x40)), 48_000);
        second.id = 2;
        out.add(film("film with sounds", "MP4, H.264 1280x720, rate 25, frames 50, AAC 2 at 48000, AAC 2 at 48000, seconds 2", type("mp42"),
                before(1_000, 2_000, 900, new Track(), second, second), data(900)));
    }

    private static void times(List<Sample> out) {
        Track ntsc = new Track();
        ntsc.perSecond = 30_000;
        ntsc.stretches = new Out().u32(1).u32(60).u32(1_001);
        ntsc.length = 60_060;
        out.add(track("film of 30000/1001", "MP4, H.264 1280x720, rate 30000/1001, frames 60, seconds 1001/500", ntsc));
        Track rounded = new Track();
        rounded.perSecond = 1_000;
        Out stretches = new Out().u32(60);
        for (int i = 0; i < 20; i++) {
            stretches.u32(1).u32(33).u32(1).u32(33).u32(1).u32(34);
        }
        rounded.stretches = stretches;
        rounded.length = 2_000;
        out.add(track("film in thousandths", "MP4, H.264 1280x720, rate 30, frames 60, seconds 2", rounded));
        Track varies = new Track();
        varies.stretches = new Out().u32(2).u32(25).u32(512).u32(25).u32(1_024);
        varies.length = 25 * 512 + 25 * 1_024;
        out.add(track("film whose rate varies", "MP4, H.264 1280x720, rate 50/3, varies, frames 50, seconds 3", varies));
        Track last = new Track();
        last.stretches = new Out().u32(2).u32(49).u32(512).u32(1).u32(5_000);
        last.length = 49 * 512 + 5_000;
        out.add(track("film whose last picture stays",
                "MP4, H.264 1280x720, rate 25, frames 50, seconds " + new Rational(last.length, 12_800), last));
        Track edited = new Track();
        edited.edits = full("elst", 0, new Out().u32(1).u32(1_500).u32(512).u32(0x10000));
        out.add(track("film of which a part is shown", "MP4, H.264 1280x720, rate 25, frames 50, seconds 3/2", edited));
        Track late = new Track();
        late.edits = full("elst", 0, new Out().u32(2).u32(500).u32(0xffffffffL).u32(0x10000).u32(2_000).u32(0).u32(0x10000));
        out.add(track("film that begins late", "MP4, H.264 1280x720, rate 25, frames 50, seconds 5/2", late));
        Track toTheEnd = new Track();
        toTheEnd.edits = full("elst", 1, new Out().u32(1).u64(0).u64(1_280).u32(0x10000));
        out.add(track("film shown to its end", "MP4, H.264 1280x720, rate 25, frames 50, seconds 19/10", toTheEnd));
    }

    private static void parts(List<Sample> out) {
        Track empty = new Track();
        empty.stretches = new Out().u32(0);
        empty.length = 0;
        Out usual = box("mvex", full("trex", 0, new Out().u32(1).u32(1).u32(512).u32(0).u32(0)));
        Out first = box("moof", full("mfhd", 0, new Out().u32(1)), box("traf", box("tfhd", new Out().u8(0).u24(0x20000).u32(1)),
                box("trun", new Out().u8(0).u24(1).u32(25).u32(0))));
        Out second = box("moof", full("mfhd", 0, new Out().u32(2)), box("traf", box("tfhd", new Out().u8(0).u24(0x20008).u32(1).u32(512)),
                box("trun", new Out().u8(0).u24(0x301).u32(2).u32(0).u32(512).u32(9).u32(512).u32(9))));
        String facts = "MP4, H.264 1280x720, rate 25, frames 27, seconds 27/25, OPEN";
        Out described = movie(1_000, 0, empty.box(), usual);
        out.add(Sample.of("film in fragments",
                new Out().add(type("iso5")).add(described).add(first).add(data(90)).add(second).add(data(40)).bytes(),
                facts));
        out.add(Sample.of("film in fragments with a table behind them",
                new Out().add(type("iso5")).add(described).add(first).add(data(90)).add(second)
                        .add(data(40)).add(box("mfra", new Out().zeros(16))).bytes(),
                facts.replace(", OPEN", "")));
        out.add(Sample.of("a part of a stream", new Out().add(box("styp", new Out().text("msdh").u32(0))).add(first).add(data(90)).bytes(),
                "MP4, OPEN"));
    }

    private static void oddities(List<Sample> out) {
        String facts = "MP4, H.264 1280x720, rate 25, frames 50, seconds 2";
        Out described = movie(1_000, 2_000, new Track().box());
        Out whole = new Out().add(type("isom")).add(described).add(data(300));
        out.add(Sample.of("film with room behind it", new Out().add(whole).add(box("free", new Out().zeros(900))).bytes(), facts));
        out.add(Sample.of("film with half the room behind it", new Out().add(whole).u32(5_000).text("free").zeros(40).bytes(), facts));
        out.add(Sample.of("film with a few zeros behind it", new Out().add(whole).zeros(5).bytes(), facts));
        out.add(Sample.of("film with many zeros behind it", new Out().add(whole).zeros(64).bytes(), facts));
        out.add(Sample.of("film with something unknown behind it", new Out().add(whole).add(box("zzzz", new Out().zeros(9))).bytes(),
                facts));
        Track placed = new Track();
        int from = type("isom").size();
        placed.chunks = List.of((long) from + 8, (long) from + 108);
        Out data = data(208);
        out.add(film("film whose samples are there", facts, type("isom"), data, movie(1_000, 2_000, placed.box())));
        Track beyond = new Track();
        beyond.chunks = List.of((long) from + 8, 90_000L);
        out.add(Sample.of("film whose samples are not there",
                new Out().add(type("isom")).add(data).add(movie(1_000, 2_000, beyond.box())).bytes(), facts + ", CUT"));
        out.add(Sample.of("film that was never described", new Out().add(type("isom")).add(data(300)).bytes(), "MP4, UNREAD"));
    }

    // ---- Matroska

    static Out element(long id, Out... inside) {
        Out body = new Out();
        for (Out one : inside) {
            body.add(one);
        }
        return id(id).u64(0x0100000000000000L | body.size()).add(body);
    }

    private static Out id(long id) {
        Out out = new Out();
        for (int shift = 24; shift >= 0; shift -= 8) {
            if (id >> shift != 0) {
                out.u8((int) (id >> shift));
            }
        }
        return out;
    }

    static Out number(long id, long value) {
        return element(id, new Out().u64(value));
    }

    private static Out real(long id, double value) {
        return element(id, new Out().u64(Double.doubleToLongBits(value)));
    }

    static Out words(long id, String text) {
        return element(id, new Out().text(text));
    }

    static Out video(String codec, long each, int width, int height, Out... more) {
        Out shape = new Out().add(number(0xb0, width)).add(number(0xba, height));
        for (Out one : more) {
            shape.add(one);
        }
        return element(0xae, number(0x83, 1), words(0x86, codec), each == 0 ? new Out() : number(0x23e383, each), element(0xe0, shape));
    }

    static Out audio(String codec, int channels, double rate, int bits) {
        return element(0xae, number(0x83, 2), words(0x86, codec),
                element(0xe1, real(0xb5, rate), number(0x9f, channels), bits == 0 ? new Out() : number(0x6264, bits)));
    }

    private static Sample matroska(String name, String type, double length, boolean open, String facts, Out... tracks) {
        Out inside = element(0x1549a966L, number(0x2ad7b1, 1_000_000), real(0x4489, length));
        inside.add(element(0x1654ae6bL, tracks));
        for (int i = 0; i < 5; i++) {
            inside.add(element(0x1f43b675L, new Out().add(SoundSamples.noise(400))));
        }
        Out head = element(HEADER, words(0x4282, type));
        Out whole = new Out().add(head).add(open ? id(0x18538067L).u64(0x01ffffffffffffffL).add(inside) : element(0x18538067L, inside));
        return Sample.of(name, whole.bytes(), facts).cutAt(open ? List.of() : List.of(head.size(), head.size() + 12, whole.size() - 412));
    }

    private static void matroska(List<Sample> out) {
        String[][] codecs = {{"V_MPEG4/ISO/AVC", "H.264"}, {"V_MPEGH/ISO/HEVC", "H.265"}, {"V_VP8", "VP8"}, {"V_VP9", "VP9"},
                {"V_AV1", "AV1"}, {"V_THEORA", "Theora"}, {"V_MJPEG", "Motion JPEG"}, {"V_SOMETHING", "V_SOMETHING"}};
        for (String[] codec : codecs) {
            for (String type : new String[]{"matroska", "webm"}) {
                out.add(matroska(type + " of " + codec[0], type, 2_000, false,
                        (type.equals("webm") ? "WebM" : "Matroska") + ", " + codec[1] + " 1280x720, rate 25, seconds 2",
                        video(codec[0], 40_000_000, 1280, 720)));
            }
        }
        String[][] sounds = {{"A_OPUS", "Opus"}, {"A_VORBIS", "Vorbis"}, {"A_AAC", "AAC"}, {"A_AAC/MPEG4/LC", "AAC"}, {"A_FLAC", "FLAC"},
                {"A_MPEG/L3", "MPEG-1 Audio Layer III"}};
        for (String[] codec : sounds) {
            for (String type : new String[]{"matroska", "webm"}) {
                out.add(matroska(type + " of " + codec[0], type, 1_500, false,
                        (type.equals("webm") ? "WebM" : "Matroska") + ", " + codec[1] + " 2 at 48000, seconds 3/2",
                        audio(codec[0], 2, 48_000, 0)));
            }
        }
        out.add(matroska("matroska of samples", "matroska", 1_000, false, "Matroska, PCM 6 at 96000, bits 24, seconds 1",
                audio("A_PCM/INT/LIT", 6, 96_000, 24)));
        out.add(matroska("matroska that was streamed", "matroska", 1_000, true, "Matroska, VP9 1280x720, rate 25, seconds 1, OPEN",
                video("V_VP9", 40_000_000, 1280, 720)));
        out.add(matroska("webm that was streamed", "webm", 0, true, "WebM, VP9 1280x720, OPEN", video("V_VP9", 0, 1280, 720)));
        out.add(matroska("matroska of 30000/1001", "matroska", 1_000, false, "Matroska, VP9 1280x720, rate 30000/1001, seconds 1",
                video("V_VP9", 33_366_667, 1280, 720)));
        out.add(matroska("matroska of wide pixels", "matroska", 1_000, false, "Matroska, VP9 720x576, pixels 64/45, rate 25, seconds 1",
                video("V_VP9", 40_000_000, 720, 576, number(0x54b0, 1024), number(0x54ba, 576))));
        out.add(matroska("matroska of a shape", "matroska", 1_000, false, "Matroska, VP9 1440x1080, pixels 4/3, rate 25, seconds 1",
                video("V_VP9", 40_000_000, 1440, 1080, number(0x54b2, 3), number(0x54b0, 16), number(0x54ba, 9))));
        out.add(matroska("matroska with alpha", "matroska", 1_000, false, "Matroska, VP9 64x48, rate 25, alpha, seconds 1",
                video("V_VP9", 40_000_000, 64, 48, number(0x53c0, 1))));
        for (String type : new String[]{"matroska", "webm"}) {
            for (int rate : new int[]{15, 24, 30, 50, 60}) {
                out.add(matroska(type + " at " + rate, type, 3_000, false, (type.equals("webm") ? "WebM" : "Matroska")
                        + ", VP9 640x360, rate " + rate + ", Opus 2 at 48000, seconds 3", video("V_VP9", 1_000_000_000L / rate, 640, 360),
                        audio("A_OPUS", 2, 48_000, 0)));
            }
        }
    }

    // ---- AVI

    static Out list(String name, Out... inside) {
        Out body = new Out().text(name);
        for (Out one : inside) {
            body.add(one);
        }
        return SoundSamples.chunk("LIST", body.bytes());
    }

    static Out aviVideo(String code, int width, int height, int depth, int over, int under, int frames) {
        Out header = new Out().text("vids").text(code).zeros(12).le32(under).le32(over).le32(0).le32(frames).zeros(20);
        Out format = new Out().le32(40).le32(width).le32(height).le16(1).le16(depth).text(code).zeros(20);
        return list("strl", SoundSamples.chunk("strh", header.bytes()), SoundSamples.chunk("strf", format.bytes()));
    }

    static Out aviSound(int tag, int channels, int rate, int bits, int seconds) {
        Out header = new Out().text("auds").zeros(16).le32(1).le32(rate).le32(0).le32((long) rate * seconds).zeros(20);
        return list("strl", SoundSamples.chunk("strh", header.bytes()),
                SoundSamples.chunk("strf", SoundSamples.format(tag, channels, rate, bits)));
    }

    private static Out form(String name, Out... inside) {
        Out body = new Out().text(name);
        for (Out one : inside) {
            body.add(one);
        }
        return SoundSamples.chunk("RIFF", body.bytes());
    }

    private static Sample avi(String name, String facts, Out... streams) {
        Out header = list("hdrl", streams);
        Out whole = form("AVI ", header, SoundSamples.chunk("JUNK", new byte[40]), list("movi", new Out().add(SoundSamples.noise(900))),
                SoundSamples.chunk("idx1", new byte[64]));
        return Sample.of(name, whole.bytes(), facts).cutAt(List.of(12, 12 + header.size(), whole.size() - 73, whole.size() - 40));
    }

    private static void avi(List<Sample> out) {
        String[][] codecs = {{"H264", "H.264"}, {"MJPG", "Motion JPEG"}, {"FMP4", "MPEG-4 Visual"}, {"\0\0\0\0", "uncompressed"},
                {"DIB ", "uncompressed"}, {"zzzz", "zzzz"}};
        int[][] rates = {{25, 1}, {30_000, 1_001}, {15, 1}, {24_000, 1_001}};
        for (String[] codec : codecs) {
            for (int[] rate : rates) {
                Rational each = new Rational(rate[0], rate[1]);
                out.add(avi("avi of " + codec[0].replace('\0', '0') + " at " + each, "AVI, " + codec[1] + " 640x480, rate " + each
                        + ", frames 50, bits 8, seconds " + Rational.of(50).times(new Rational(rate[1], rate[0])),
                        aviVideo(codec[0], 640, 480, 24, rate[0], rate[1], 50)));
            }
        }
        out.add(avi("avi with sound", "AVI, H.264 640x480, rate 25, frames 50, bits 8, PCM 2 at 48000, bits 16, seconds 3",
                aviVideo("H264", 640, 480, 24, 25, 1, 50), aviSound(1, 2, 48_000, 16, 3)));
        out.add(avi("avi with coded sound", "AVI, H.264 640x480, rate 25, frames 50, bits 8, MPEG-1 Audio Layer III 2 at 44100, seconds 2",
                aviVideo("H264", 640, 480, 24, 25, 1, 50), aviSound(0x55, 2, 44_100, 0, 1)));
        Out longer = list("hdrl", aviVideo("H264", 640, 480, 24, 25, 1, 50),
                list("odml", SoundSamples.chunk("dmlh", new Out().le32(100).bytes())));
        out.add(Sample.of("avi of two forms", new Out().add(form("AVI ", longer, list("movi", new Out().add(SoundSamples.noise(900)))))
                .add(form("AVIX", list("movi", new Out().add(SoundSamples.noise(900))))).bytes(),
                "AVI, H.264 640x480, rate 25, frames 100, bits 8, seconds 4"));
        Out open = new Out().text("LIST").le32(0).text("movi").add(SoundSamples.noise(800));
        out.add(Sample.of("avi that was streamed", new Out().text("RIFF").le32(0).text("AVI ")
                .add(list("hdrl", aviVideo("MJPG", 64, 48, 24, 25, 1, 0))).add(open).bytes(),
                "AVI, Motion JPEG 64x48, rate 25, frames 0, bits 8, OPEN"));
    }
}
