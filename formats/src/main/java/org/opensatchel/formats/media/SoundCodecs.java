package org.opensatchel.formats.media;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.formats.media.MediaFacts.Sound;
import org.opensatchel.formats.media.Samples.Run;
import org.opensatchel.formats.sound.PcmFormat;
import org.opensatchel.formats.sound.PcmFormat.Kind;

/** Ways of coding sound by the names of their standards: those that the WAVE formats number (RFC 2361). */
public final class SoundCodecs {

    public static final String PCM = "PCM";
    public static final String FLOAT = "PCM float";
    public static final int EXTENSIBLE = 0xfffe;

    private static final Map<Integer, String> NUMBERED = Map.ofEntries(Map.entry(1, PCM), Map.entry(2, "ADPCM"), Map.entry(3, FLOAT),
            Map.entry(6, "A-law"), Map.entry(7, "mu-law"), Map.entry(0x11, "IMA ADPCM"), Map.entry(0x50, "MPEG-1 Audio Layer II"),
            Map.entry(0x55, "MPEG-1 Audio Layer III"), Map.entry(0xff, "AAC"), Map.entry(0x1610, "AAC"), Map.entry(0x2000, "AC-3"),
            Map.entry(0x706d, "AAC"), Map.entry(0x704f, "Opus"), Map.entry(0xf1ac, "FLAC"), Map.entry(0x566f, "Vorbis"));

    private SoundCodecs() {
    }

    /** One without a name that is known is told by its number. */
    public static String numbered(int tag) {
        return NUMBERED.getOrDefault(tag, String.format(Locale.ROOT, "0x%04X", tag));
    }

    /** Whether samples are stored as they are. */
    public static boolean isPlain(String codec) {
        return codec.equals(PCM) || codec.equals(FLOAT);
    }

    /**
     * Where the samples lie of a sound that is stored as it is; empty of any other, and of one whose numbers nobody knows.
     *
     * @param bytes of one sample
     * @param unsigned whether whole numbers begin at zero
     */
    public static Optional<Samples> samples(String codec, int bytes, boolean little, boolean unsigned, Sound sound, List<Run> runs) {
        boolean fraction = codec.equals(FLOAT);
        boolean known = isPlain(codec) && (fraction ? bytes == 4 || bytes == 8 : bytes >= 1 && bytes <= 4);
        if (!known || runs.isEmpty() || sound.channels() < 1 || sound.rate() < 1) {
            return Optional.empty();
        }
        Kind kind = fraction ? Kind.FLOAT : unsigned ? Kind.UNSIGNED : Kind.SIGNED;
        return Optional.of(new Samples(new PcmFormat(kind, bytes, little, sound.channels(), sound.rate()), runs));
    }
}
