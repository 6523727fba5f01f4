package org.opensatchel.formats.aiff;

import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import org.opensatchel.formats.binary.Rational;
import org.opensatchel.formats.binary.Window;
import org.opensatchel.formats.media.MediaFacts;
import org.opensatchel.formats.media.MediaFacts.End;
import org.opensatchel.formats.media.MediaFacts.Sound;
import org.opensatchel.formats.media.MediaReader;
import org.opensatchel.formats.media.Samples;
import org.opensatchel.formats.media.SoundCodecs;

/** AIFF 1.3 and AIFF-C (draft of 1991-08-26). */
final class AiffFacts implements MediaReader {

    private static final int MOST_CHUNKS = 4_096;
    private static final Map<String, String> CODECS = Map.ofEntries(Map.entry("NONE", SoundCodecs.PCM), Map.entry("twos", SoundCodecs.PCM),
            Map.entry("sowt", SoundCodecs.PCM), Map.entry("in24", SoundCodecs.PCM), Map.entry("in32", SoundCodecs.PCM),
            Map.entry("fl32", SoundCodecs.FLOAT), Map.entry("FL32", SoundCodecs.FLOAT), Map.entry("fl64", SoundCodecs.FLOAT),
            Map.entry("FL64", SoundCodecs.FLOAT), Map.entry("alaw", "A-law"), Map.entry("ALAW", "A-law"), Map.entry("ulaw", "mu-law"),
            Map.entry("ULAW", "mu-law"), Map.entry("ima4", "IMA ADPCM"));

    @Override
    public String container() {
        return "AIFF";
    }

    @Override
    public boolean recognises(Window head) throws IOException {
        return head.has(0, "FORM") && (head.has(8, "AIFF") || head.has(8, "AIFC"));
    }

    @Override
    public MediaFacts read(Window file) throws IOException {
        Chunks chunks = Chunks.of(file);
        if (chunks.common < 0) {
            return MediaFacts.none(container(), End.UNREAD);
        }
        Sound sound = sound(file, chunks.common, file.has(8, "AIFC"));
        long frames = file.u32(chunks.common + 2);
        Optional<Rational> seconds = sound.rate() > 0 ? Optional.of(new Rational(frames, sound.rate())) : Optional.empty();
        // A file of no sound needs no chunk for it.
        return MediaFacts.sound(container(), chunks.data < 0 ? frames == 0 ? End.WHOLE : End.UNREAD : chunks.end(file), seconds, sound);
    }

    @Override
    public Optional<Samples> samples(Window file) throws IOException {
        Chunks chunks = Chunks.of(file);
        if (chunks.common < 0 || chunks.data < 0 || chunks.data + 8 > file.length()) {
            return Optional.empty();
        }
        Sound sound = sound(file, chunks.common, file.has(8, "AIFC"));
        // Behind two numbers, the first of which says how far on the samples begin.
        long begins = chunks.data + 8 + file.u32(chunks.data);
        long ends = chunks.dataBytes == 0 ? file.length() : Math.min(file.length(), chunks.data + chunks.dataBytes);
        boolean little = file.has(8, "AIFC") && file.has(chunks.common + 18, "sowt");
        return begins >= ends ? Optional.empty()
                : SoundCodecs.samples(sound.codec(), (sound.bits().orElse(0) + 7) / 8, little, false, sound,
                        List.of(new Samples.Run(begins, ends - begins)));
    }

    /**
     * Where the chunks are that matter; -1 for one that is not there.
     *
     * @param common what describes the sound
     */
    private record Chunks(long common, long data, long dataBytes) {

        static Chunks of(Window file) throws IOException {
            long common = -1;
            long data = -1;
            long dataBytes = 0;
            long at = 12;
            for (int i = 0; i < MOST_CHUNKS && at + 8 <= file.length() && (common < 0 || data < 0); i++) {
                String name = file.text(at, 4);
                long size = file.u32(at + 4);
                if (name.equals("COMM") && size >= 18) {
                    common = at + 8;
                } else if (name.equals("SSND")) {
                    data = at + 8;
                    dataBytes = size;
                }
                at += 8 + size + (size & 1);
            }
            return new Chunks(common, data, dataBytes);
        }

        End end(Window file) {
            // What fills up an odd length may be counted, and is left out by some.
            return dataBytes == 0 ? End.OPEN : data + dataBytes - 1 > file.length() ? End.CUT : End.WHOLE;
        }
    }

    private static Sound sound(Window file, long common, boolean coded) throws IOException {
        String word = coded ? file.text(common + 18, 4) : "NONE";
        String codec = CODECS.getOrDefault(word, word.strip());
        int bits = file.u16(common + 6);
        return new Sound(codec, file.u16(common), rate(file, common + 8),
                SoundCodecs.isPlain(codec) && bits > 0 ? OptionalInt.of(bits) : OptionalInt.empty());
    }

    /** A number of 80 bits (IEEE 754, extended precision); rates are whole numbers, and no rate is larger than those that fit. */
    private static int rate(Window file, long at) throws IOException {
        int shift = 16_383 + 63 - (file.u16(at) & 0x7fff);
        long mantissa = file.u32(at + 2) << 32 | file.u32(at + 6);
        if (shift < 33 || shift > 63) {
            return 0;
        }
        return (int) ((mantissa >>> shift - 1) + 1 >>> 1);
    }
}
