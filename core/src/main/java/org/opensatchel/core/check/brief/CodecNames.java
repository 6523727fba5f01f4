package org.opensatchel.core.check.brief;

import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** Ways of coding pictures and sound by the names of their standards, of which several stand for one; case and punctuation do not matter. */
final class CodecNames {

    /** What a way of coding is of. */
    enum Kind {
        PICTURE, SOUND
    }

    private static final Map<String, String> SAME = new HashMap<>();
    private static final Map<String, Kind> KINDS = new HashMap<>();

    static {
        known(Kind.PICTURE, "h264", "avc", "avc1", "mpeg4avc", "h264avc", "h264mpeg4avc", "mpeg4part10", "isoiec1449610");
        known(Kind.PICTURE, "h265", "hevc", "h265hevc", "mpeghpart2", "isoiec230082");
        known(Kind.PICTURE, "h266", "vvc", "h266vvc");
        known(Kind.PICTURE, "av1");
        known(Kind.PICTURE, "vp8");
        known(Kind.PICTURE, "vp9");
        known(Kind.PICTURE, "theora");
        known(Kind.PICTURE, "ffv1");
        known(Kind.PICTURE, "dv");
        known(Kind.PICTURE, "h263");
        known(Kind.PICTURE, "mpeg4visual", "mpeg4", "mpeg4part2", "mpeg4video", "isoiec144962");
        known(Kind.PICTURE, "mpeg2video", "mpeg2", "h262", "isoiec138182");
        known(Kind.PICTURE, "mpeg1video", "mpeg1", "isoiec111722");
        known(Kind.PICTURE, "motionjpeg", "mjpeg");
        known(Kind.PICTURE, "uncompressed", "raw");
        known(Kind.PICTURE, "png");
        known(Kind.PICTURE, "jpeg", "jpg");
        known(Kind.PICTURE, "gif");
        known(Kind.PICTURE, "bmp");
        known(Kind.PICTURE, "tiff", "tif");
        known(Kind.PICTURE, "webp");
        known(Kind.PICTURE, "webplossless");
        known(Kind.SOUND, "pcm", "lpcm", "linearpcm");
        known(Kind.SOUND, "pcmfloat", "floatpcm", "floatingpointpcm");
        known(Kind.SOUND, "aac", "mpeg4aac", "mpeg2aac", "aaclc", "isoiec144963");
        known(Kind.SOUND, "mpeg1audiolayeriii", "mp3", "mpegaudiolayeriii", "mpegaudiolayer3", "mpeg1audiolayer3", "mpeg2audiolayeriii",
                "mpeg25audiolayeriii", "mpeg1layer3", "mpeglayer3");
        known(Kind.SOUND, "mpeg1audiolayerii", "mp2", "mpegaudiolayerii", "mpegaudiolayer2", "mpeg2audiolayerii", "mpeg1audiolayer2");
        known(Kind.SOUND, "mpeg1audiolayeri", "mpeg2audiolayeri");
        known(Kind.SOUND, "opus");
        known(Kind.SOUND, "vorbis");
        known(Kind.SOUND, "flac");
        known(Kind.SOUND, "alac");
        known(Kind.SOUND, "speex");
        known(Kind.SOUND, "ac3", "ac3audio");
        known(Kind.SOUND, "eac3");
        known(Kind.SOUND, "alaw");
        known(Kind.SOUND, "mulaw", "ulaw");
        known(Kind.SOUND, "adpcm");
        known(Kind.SOUND, "imaadpcm");
        known(Kind.SOUND, "amr");
    }

    private CodecNames() {
    }

    private static void known(Kind kind, String name, String... others) {
        SAME.put(name, name);
        KINDS.put(name, kind);
        for (String other : others) {
            SAME.put(other, name);
        }
    }

    private static String plain(String name) {
        return name.toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}\\p{N}]", "");
    }

    static String key(String name) {
        String plain = plain(name);
        return SAME.getOrDefault(plain, plain);
    }

    /** What a name is of; empty where nobody knows it. */
    static Optional<Kind> kind(String name) {
        return Optional.ofNullable(KINDS.get(key(name)));
    }

    /** Whether what is asked for is what is there; samples stored as fractions are stored as they are, too. */
    static boolean isMeant(String asked, String found) {
        String key = key(found);
        return key(asked).equals(key) || key(asked).equals("pcm") && key.equals("pcmfloat") || key(asked).equals("webp")
                && key.equals("webplossless");
    }
}
