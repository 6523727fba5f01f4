package org.opensatchel.formats.wav;

import java.io.IOException;
import java.util.List;
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

/**
 * WAVE (Multimedia Programming Interface 1.0, chapter 3; extensible formats as WAVEFORMATEXTENSIBLE), with its 64-bit
 * forms RF64 and BW64 (EBU Tech 3306, ITU-R BS.2088). The size of the data is what counts: programs that write while they record leave
 * it at zero, or as large as can be.
 */
final class WavFacts implements MediaReader {

    private static final int MOST_CHUNKS = 4_096;
    /** Sizes from here on say that nobody knew how long it would become. */
    private static final long UNKNOWN_FROM = 0x7ffff000L;
    private static final long IN_DS64 = 0xffffffffL;

    @Override
    public String container() {
        return "WAVE";
    }

    @Override
    public boolean recognises(Window head) throws IOException {
        return (head.has(0, "RIFF") || head.has(0, "RF64") || head.has(0, "BW64")) && head.has(8, "WAVE");
    }

    @Override
    public MediaFacts read(Window file) throws IOException {
        Parts parts = new Parts(file);
        parts.find();
        Optional<Sound> sound = sound(file, parts);
        return sound.isEmpty() ? MediaFacts.none(container(), End.UNREAD)
                : MediaFacts.sound(container(), parts.end(), seconds(file, parts, sound.get().codec(), sound.get()), sound.get());
    }

    @Override
    public Optional<Samples> samples(Window file) throws IOException {
        Parts parts = new Parts(file);
        parts.find();
        Optional<Sound> sound = sound(file, parts);
        if (sound.isEmpty() || parts.data < 0) {
            return Optional.empty();
        }
        int bytes = file.le16(parts.format + 12) / sound.get().channels();
        return SoundCodecs.samples(sound.get().codec(), bytes, true, bytes == 1, sound.get(),
                List.of(new Samples.Run(parts.data, parts.dataHere())));
    }

    private static Optional<Sound> sound(Window file, Parts parts) throws IOException {
        if (parts.format < 0 || file.le16(parts.format + 2) == 0 || file.le32(parts.format + 4) == 0) {
            return Optional.empty();
        }
        int tag = file.le16(parts.format);
        boolean extended = tag == SoundCodecs.EXTENSIBLE && parts.formatBytes >= 40;
        String codec = SoundCodecs.numbered(extended ? file.le16(parts.format + 24) : tag);
        int bits = extended && file.le16(parts.format + 18) > 0 ? file.le16(parts.format + 18) : file.le16(parts.format + 14);
        return Optional.of(new Sound(codec, file.le16(parts.format + 2), (int) Math.min(Integer.MAX_VALUE, file.le32(parts.format + 4)),
                SoundCodecs.isPlain(codec) && bits > 0 ? OptionalInt.of(bits) : OptionalInt.empty()));
    }

    private static Optional<Rational> seconds(Window file, Parts parts, String codec, Sound sound) throws IOException {
        if (parts.data < 0 || sound.rate() <= 0) {
            return Optional.empty();
        }
        int block = file.le16(parts.format + 12);
        if (SoundCodecs.isPlain(codec) && block > 0) {
            return Optional.of(new Rational(parts.dataHere() / block, sound.rate()));
        }
        long perSecond = file.le32(parts.format + 8);
        return parts.samples > 0 ? Optional.of(new Rational(parts.samples, sound.rate()))
                : perSecond > 0 ? Optional.of(new Rational(parts.dataHere(), perSecond)) : Optional.empty();
    }

    /** Where the chunks are that matter. */
    private static final class Parts {
        private final Window file;
        private long format = -1;
        private long formatBytes;
        private long data = -1;
        private long dataBytes;
        private long wide = -1;
        private long samples;

        Parts(Window file) {
            this.file = file;
        }

        void find() throws IOException {
            long at = 12;
            for (int i = 0; i < MOST_CHUNKS && at + 8 <= file.length(); i++) {
                String name = file.text(at, 4);
                long size = file.le32(at + 4);
                if (name.equals("data")) {
                    data = at + 8;
                    dataBytes = size == IN_DS64 && wide >= 0 ? file.le63(wide + 8) : size;
                    if (isOpen() || data + dataBytes > file.length() || format >= 0 && isPlain()) {
                        return;
                    }
                    size = dataBytes;
                } else if (at + 8 + size > file.length()) {
                    return;
                }
                note(name, at + 8, size);
                at += 8 + size + (size & 1);
            }
        }

        private void note(String name, long at, long size) throws IOException {
            if (name.equals("fmt ") && size >= 16) {
                format = at;
                formatBytes = size;
            } else if (name.equals("ds64") && size >= 24) {
                wide = at;
            } else if (name.equals("fact") && size >= 4) {
                samples = file.le32(at);
            }
        }

        /** Nothing behind the sound is needed to tell how long it is. */
        private boolean isPlain() throws IOException {
            int tag = file.le16(format);
            return tag == 1 || tag == 3 || tag == SoundCodecs.EXTENSIBLE || samples > 0;
        }

        private boolean isOpen() {
            return dataBytes == 0 || dataBytes >= UNKNOWN_FROM && wide < 0 && data + dataBytes > file.length();
        }

        long dataHere() {
            long there = file.length() - data;
            return isOpen() ? there : Math.min(dataBytes, there);
        }

        End end() {
            // Without any sound it may never have had one; what breaks off behind it is nothing but a note.
            return data < 0 ? End.UNREAD
                    // What fills up an odd length may be counted, and is left out by some.
                    : isOpen() ? End.OPEN : data + dataBytes - 1 > file.length() ? End.CUT : End.WHOLE;
        }
    }
}
