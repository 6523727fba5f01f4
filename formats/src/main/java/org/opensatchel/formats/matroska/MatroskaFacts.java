package org.opensatchel.formats.matroska;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.OptionalLong;
import org.opensatchel.formats.avi.AviFacts;
import org.opensatchel.formats.binary.Rational;
import org.opensatchel.formats.binary.Window;
import org.opensatchel.formats.media.Colour;
import org.opensatchel.formats.media.MediaFacts;
import org.opensatchel.formats.media.MediaFacts.End;
import org.opensatchel.formats.media.MediaFacts.Picture;
import org.opensatchel.formats.media.MediaFacts.Sound;
import org.opensatchel.formats.media.MediaReader;
import org.opensatchel.formats.media.Samples;
import org.opensatchel.formats.media.SoundCodecs;

/** Matroska (RFC 9559) and WebM. Clusters are stepped over. */
final class MatroskaFacts implements MediaReader {

    private static final long HEADER = 0x1a45dfa3L;
    private static final long DOC_TYPE = 0x4282;
    private static final long SEGMENT = 0x18538067L;
    private static final long INFO = 0x1549a966L;
    private static final long SCALE = 0x2ad7b1;
    private static final long DURATION = 0x4489;
    static final long TRACKS = 0x1654ae6bL;
    static final long TRACK = 0xae;
    static final long CODEC = 0x86;
    private static final long SETTING = 0x63a2;
    private static final long EACH = 0x23e383;
    private static final long VIDEO = 0xe0;
    static final long AUDIO = 0xe1;
    private static final long NANOS = 1_000_000_000L;
    private static final int PIXELS = 0;
    private static final int RATIO = 3;
    /** How near a time in nanoseconds lies to the rate that is meant. */
    private static final double ROUNDED = 0.00001;
    private static final List<Rational> FINE = List.of(new Rational(24_000, 1_001), new Rational(30_000, 1_001),
            new Rational(48_000, 1_001), new Rational(60_000, 1_001), new Rational(120_000, 1_001), Rational.of(12), Rational.of(15),
            Rational.of(24), Rational.of(25), Rational.of(30), Rational.of(48), Rational.of(50), Rational.of(60), Rational.of(120));
    private static final Map<String, String> CODECS = Map.ofEntries(Map.entry("V_MPEG4/ISO/AVC", "H.264"),
            Map.entry("V_MPEGH/ISO/HEVC", "H.265"), Map.entry("V_MPEGI/ISO/VVC", "H.266"), Map.entry("V_VP8", "VP8"),
            Map.entry("V_VP9", "VP9"), Map.entry("V_AV1", "AV1"), Map.entry("V_THEORA", "Theora"), Map.entry("V_MPEG2", "MPEG-2 Video"),
            Map.entry("V_MPEG4/ISO/ASP", "MPEG-4 Visual"), Map.entry("V_MJPEG", "Motion JPEG"), Map.entry("V_UNCOMPRESSED", "uncompressed"),
            Map.entry("V_FFV1", "FFV1"), Map.entry("A_OPUS", "Opus"), Map.entry("A_VORBIS", "Vorbis"), Map.entry("A_FLAC", "FLAC"),
            Map.entry("A_AC3", "AC-3"), Map.entry("A_EAC3", "E-AC-3"), Map.entry("A_ALAC", "ALAC"),
            Map.entry("A_MPEG/L3", "MPEG-1 Audio Layer III"), Map.entry("A_MPEG/L2", "MPEG-1 Audio Layer II"),
            Map.entry("A_PCM/INT/LIT", SoundCodecs.PCM), Map.entry("A_PCM/INT/BIG", SoundCodecs.PCM),
            Map.entry("A_PCM/FLOAT/IEEE", SoundCodecs.FLOAT));

    @Override
    public String container() {
        return "Matroska";
    }

    @Override
    public boolean recognises(Window head) throws IOException {
        return head.has(0, "\u001aE\u00df\u00a3");
    }

    @Override
    public MediaFacts read(Window file) throws IOException {
        Optional<Element> header = Element.at(file, 0, file.length());
        if (header.isEmpty() || header.get().id() != HEADER || header.get().isOpen()) {
            return MediaFacts.none(container(), End.UNREAD);
        }
        String name = container();
        for (Element one : header.get().children(file)) {
            name = one.id() == DOC_TYPE && one.text(file).equals("webm") ? "WebM" : name;
        }
        Optional<Element> segment = Element.at(file, header.get().end(), file.length());
        if (segment.isEmpty() || segment.get().id() != SEGMENT) {
            return MediaFacts.none(name, End.UNREAD);
        }
        Segment inside = new Segment(file);
        for (Element part : segment.get().children(file)) {
            inside.part(part);
        }
        End end = segment.get().isOpen() ? End.OPEN : segment.get().end() > file.length() ? End.CUT : End.WHOLE;
        boolean known = !inside.pictures.isEmpty() || !inside.sounds.isEmpty();
        return new MediaFacts(name, known ? end : End.UNREAD, inside.seconds(), inside.pictures, inside.sounds);
    }

    @Override
    public Optional<Samples> samples(Window file) throws IOException {
        List<Sound> sounds = read(file).sounds();
        Optional<Element> header = Element.at(file, 0, file.length());
        Optional<Element> segment = header.isEmpty() ? header : Element.at(file, header.get().end(), file.length());
        return sounds.isEmpty() || segment.isEmpty() ? Optional.empty() : MatroskaSamples.of(file, segment.get(), sounds.get(0));
    }

    /** What is in a segment that matters here. */
    private static final class Segment {
        private final Window file;
        private final List<Picture> pictures = new ArrayList<>();
        private final List<Sound> sounds = new ArrayList<>();
        private long scale = 1_000_000;
        private double duration;

        Segment(Window file) {
            this.file = file;
        }

        void part(Element part) throws IOException {
            if (part.id() == INFO) {
                for (Element one : part.children(file)) {
                    scale = one.id() == SCALE ? one.number(file) : scale;
                    duration = one.id() == DURATION ? one.real(file) : duration;
                }
            } else if (part.id() == TRACKS) {
                for (Element one : part.children(file)) {
                    if (one.id() == TRACK) {
                        track(one);
                    }
                }
            }
        }

        Optional<Rational> seconds() {
            double nanos = duration * scale;
            return nanos > 0 && nanos < Long.MAX_VALUE ? Optional.of(new Rational(Math.round(nanos), NANOS)) : Optional.empty();
        }

        private void track(Element track) throws IOException {
            String codec = "";
            long each = 0;
            Element video = null;
            Element audio = null;
            Element setting = null;
            for (Element one : track.children(file)) {
                if (one.id() == CODEC) {
                    codec = one.text(file);
                } else if (one.id() == SETTING) {
                    setting = one;
                } else if (one.id() == EACH) {
                    each = one.number(file);
                } else if (one.id() == VIDEO) {
                    video = one;
                } else if (one.id() == AUDIO) {
                    audio = one;
                }
            }
            if (video != null) {
                pictures.add(picture(name(codec, setting), video, each));
            } else if (audio != null) {
                sounds.add(sound(name(codec, setting), audio));
            }
        }

        /** @param setting what a codec says of itself; those of older containers are named by the structures of those, or null */
        private String name(String codec, Element setting) throws IOException {
            if (codec.equals("V_MS/VFW/FOURCC") && setting != null && setting.end() - setting.body() >= 20) {
                return AviFacts.named(file.text(setting.body() + 16, 4));
            }
            if (codec.equals("A_MS/ACM") && setting != null && setting.end() - setting.body() >= 2) {
                return SoundCodecs.numbered(file.le16(setting.body()));
            }
            return codec.startsWith("A_AAC") ? "AAC" : CODECS.getOrDefault(codec, codec);
        }

        private Picture picture(String codec, Element video, long each) throws IOException {
            long width = 0;
            long height = 0;
            long shownWidth = 0;
            long shownHeight = 0;
            long unit = PIXELS;
            boolean alpha = false;
            Optional<String> colour = Optional.empty();
            for (Element one : video.children(file)) {
                long value = one.end() - one.body() > 8 ? 0 : one.number(file);
                switch ((int) one.id()) {
                    case 0xb0 -> width = value;
                    case 0xba -> height = value;
                    case 0x54b0 -> shownWidth = value;
                    case 0x54ba -> shownHeight = value;
                    case 0x54b2 -> unit = value;
                    case 0x53c0 -> alpha = value == 1;
                    case 0x55b0 -> colour = colour(one);
                    default -> {
                    }
                }
            }
            Picture picture = Picture.still(codec, pixels(width), pixels(height)).transparent(alpha);
            boolean shaped = (unit == PIXELS || unit == RATIO) && width > 0 && height > 0 && pixels(shownWidth) > 0
                    && pixels(shownHeight) > 0;
            Rational aspect = shaped
                    ? new Rational(pixels(shownWidth), pixels(shownHeight)).times(new Rational(pixels(height), pixels(width)))
                    : Rational.ONE;
            // Whole pixels are shown: by less than one of them nothing is stretched.
            boolean square = Math.abs(aspect.value() - 1) * Math.max(width, height) < 1;
            return new Picture(codec, picture.width(), picture.height(), square ? Rational.ONE : aspect, 0, rate(each),
                    each > 0 ? Optional.of(true) : Optional.empty(), OptionalLong.empty(), OptionalInt.empty(), picture.alpha(), colour);
        }

        private Optional<String> colour(Element element) throws IOException {
            long primaries = 0;
            long transfer = 0;
            for (Element one : element.children(file)) {
                primaries = one.id() == 0x55bb ? one.number(file) : primaries;
                transfer = one.id() == 0x55ba ? one.number(file) : transfer;
            }
            return Colour.of((int) primaries, (int) transfer);
        }

        private static int pixels(long value) {
            return (int) Math.min(Integer.MAX_VALUE, value);
        }

        private static Optional<Rational> rate(long each) {
            if (each <= 0) {
                return Optional.empty();
            }
            Rational said = new Rational(NANOS, each);
            return Optional.of(FINE.stream().filter(fine -> Math.abs(fine.value() / said.value() - 1) < ROUNDED).findFirst().orElse(said));
        }

        private Sound sound(String codec, Element audio) throws IOException {
            double rate = 8_000;
            long channels = 1;
            long bits = 0;
            for (Element one : audio.children(file)) {
                switch ((int) one.id()) {
                    case 0xb5 -> rate = one.real(file);
                    case 0x9f -> channels = one.number(file);
                    case 0x6264 -> bits = one.number(file);
                    default -> {
                    }
                }
            }
            boolean plain = SoundCodecs.isPlain(codec) && bits > 0 && bits <= 64;
            return new Sound(codec, pixels(channels), (int) Math.round(Math.max(0, Math.min(Integer.MAX_VALUE, rate))),
                    plain ? OptionalInt.of((int) bits) : OptionalInt.empty());
        }
    }
}
