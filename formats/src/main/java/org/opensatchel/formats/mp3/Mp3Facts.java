package org.opensatchel.formats.mp3;

import java.io.IOException;
import java.util.Optional;
import java.util.OptionalInt;
import org.opensatchel.formats.binary.BytesNotAtHand;
import org.opensatchel.formats.binary.Rational;
import org.opensatchel.formats.binary.Window;
import org.opensatchel.formats.media.MediaFacts;
import org.opensatchel.formats.media.MediaFacts.End;
import org.opensatchel.formats.media.MediaFacts.Sound;
import org.opensatchel.formats.media.MediaReader;
import org.opensatchel.formats.media.Tags;

/**
 * MPEG audio (ISO/IEC 11172-3, ISO/IEC 13818-3, section 2.4.1) by its frames, with the counts that encoders lay into the first one. Only
 * such a count can say that the end is missing: frames may end anywhere.
 */
final class Mp3Facts implements MediaReader {

    private static final int LOOKED_FOR = 1 << 16;
    private static final int[] RATES = {44_100, 48_000, 32_000};
    private static final int[][] KILOBITS = {
            {0, 32, 64, 96, 128, 160, 192, 224, 256, 288, 320, 352, 384, 416, 448},
            {0, 32, 48, 56, 64, 80, 96, 112, 128, 160, 192, 224, 256, 320, 384},
            {0, 32, 40, 48, 56, 64, 80, 96, 112, 128, 160, 192, 224, 256, 320},
            {0, 32, 48, 56, 64, 80, 96, 112, 128, 144, 160, 176, 192, 224, 256},
            {0, 8, 16, 24, 32, 40, 48, 56, 64, 80, 96, 112, 128, 144, 160}};
    /** So much may be missing of what a count says, since not all count the same bytes. */
    private static final long AMISS = 8_192;
    private static final int MONO = 3;
    private static final long MOST_WALKED = 24L << 20;

    @Override
    public String container() {
        return "MPEG audio";
    }

    @Override
    public boolean recognises(Window head) throws IOException {
        return (head.has(0, "ID3") || Frame.at(head, 0).isPresent()) && !head.has(Tags.before(head), "fLaC");
    }

    /** A frame's header, and how long the frame is. */
    private record Frame(int version, int layer, int rate, int kilobits, boolean mono, long bytes) {

        static Optional<Frame> at(Window file, long at) throws IOException {
            if (at < 0 || at + 4 > file.length() || file.u8(at) != 0xff || (file.u8(at + 1) & 0xe0) != 0xe0) {
                return Optional.empty();
            }
            int version = file.u8(at + 1) >> 3 & 3;
            int layer = 4 - (file.u8(at + 1) >> 1 & 3);
            int bits = file.u8(at + 2) >> 4;
            int rates = file.u8(at + 2) >> 2 & 3;
            if (version == 1 || layer == 4 || bits == 0 || bits == 15 || rates == 3) {
                return Optional.empty();
            }
            int rate = RATES[rates] >> (version == 3 ? 0 : version == 2 ? 1 : 2);
            int kilobits = KILOBITS[version == 3 ? layer - 1 : layer == 1 ? 3 : 4][bits];
            int padding = file.u8(at + 2) >> 1 & 1;
            long bytes = layer == 1 ? (12_000L * kilobits / rate + padding) * 4
                    : (layer == 3 && version != 3 ? 72_000L : 144_000L) * kilobits / rate + padding;
            return Optional.of(new Frame(version, layer, rate, kilobits, file.u8(at + 3) >> 6 == MONO, bytes));
        }

        int samples() {
            return layer == 1 ? 384 : layer == 3 && version != 3 ? 576 : 1_152;
        }

        /** Where the counts stand, behind what describes the frame. */
        int side() {
            return version == 3 ? mono ? 21 : 36 : mono ? 13 : 21;
        }

        String codec() {
            return "MPEG-" + (version == 3 ? "1" : "2") + " Audio Layer " + "I".repeat(layer);
        }
    }

    @Override
    public MediaFacts read(Window file) throws IOException {
        long from = Tags.before(file);
        if (from > file.length()) {
            return MediaFacts.none(container(), End.UNREAD);
        }
        long at = from;
        Optional<Frame> first = Optional.empty();
        // Some leave room behind their notes.
        while (at < Math.min(from + LOOKED_FOR, file.length() - 4) && (first = frame(file, at)).isEmpty()) {
            at++;
        }
        if (first.isEmpty()) {
            return MediaFacts.none(container(), End.UNREAD);
        }
        Frame frame = first.get();
        long here = Tags.behind(file) - at;
        Counts counts = Counts.of(file, at, frame);
        Optional<Rational> seconds = counts.frames > 0
                ? Optional.of(new Rational(Math.max(0, counts.frames * frame.samples() - counts.added), frame.rate))
                : walked(file, at, here, frame);
        boolean cut = counts.bytes > 0 && here + Math.max(AMISS, counts.bytes / 100) < counts.bytes;
        return MediaFacts.sound(container(), cut ? End.CUT : counts.bytes > 0 ? End.WHOLE : End.OPEN, seconds,
                new Sound(frame.codec(), frame.mono ? 1 : 2, frame.rate, OptionalInt.empty()));
    }

    /** Four bytes may look like a frame by chance; with another behind it, or the end of the file, they are one. */
    private static Optional<Frame> frame(Window file, long at) throws IOException {
        Optional<Frame> frame = Frame.at(file, at);
        if (frame.isEmpty() || at + frame.get().bytes + 4 > file.length()) {
            return frame;
        }
        return Frame.at(file, at + frame.get().bytes).filter(next -> next.layer == frame.get().layer && next.rate == frame.get().rate)
                .isPresent() ? frame : Optional.empty();
    }

    /** The length of what says none: its frames are gone through, or where those cannot be had and all before were alike, concluded. */
    private static Optional<Rational> walked(Window file, long from, long length, Frame first) throws IOException {
        long end = from + length;
        long at = from;
        long samples = 0;
        boolean alike = true;
        try {
            Optional<Frame> frame = Optional.of(first);
            while (frame.isPresent() && frame.get().bytes > 0 && at < Math.min(end, from + MOST_WALKED)) {
                samples += frame.get().samples();
                alike &= frame.get().kilobits == first.kilobits;
                at += frame.get().bytes;
                frame = Frame.at(file, at);
            }
        } catch (BytesNotAtHand further) {
            // The middle of a long file that goes by.
            return concluded(length, first, alike);
        }
        return at >= end - AMISS ? Optional.of(new Rational(samples, first.rate)) : concluded(length, first, alike);
    }

    private static Optional<Rational> concluded(long length, Frame frame, boolean alike) {
        return alike && frame.kilobits > 0 ? Optional.of(new Rational(Math.max(0, length) * 8, frame.kilobits * 1_000L)) : Optional.empty();
    }

    /**
     * How many frames and bytes there are by the first frame; 0 where it does not say.
     *
     * @param added samples of them that the encoder put before and behind the sound
     */
    private record Counts(long frames, long bytes, long added) {

        /** Frames, bytes, a table of a hundred places and a quality may stand before what the encoder says of itself. */
        private static long added(Window file, long here, long flags) throws IOException {
            long at = here + 8 + ((flags & 1) != 0 ? 4 : 0) + ((flags & 2) != 0 ? 4 : 0) + ((flags & 4) != 0 ? 100 : 0)
                    + ((flags & 8) != 0 ? 4 : 0);
            boolean said = file.has(at, "LAME") || file.has(at, "Lav");
            int both = said ? file.u24(at + 21) : 0;
            return (both >> 12) + (both & 0xfff);
        }

        static Counts of(Window file, long at, Frame frame) throws IOException {
            long here = at + frame.side();
            if (file.has(here, "Xing") || file.has(here, "Info")) {
                long flags = file.u32(here + 4);
                long frames = (flags & 1) != 0 ? file.u32(here + 8) : 0;
                long bytes = (flags & 2) != 0 ? file.u32(here + 8 + ((flags & 1) != 0 ? 4 : 0)) : 0;
                return new Counts(frames, bytes, added(file, here, flags));
            }
            return file.has(at + 36, "VBRI") ? new Counts(file.u32(at + 50), file.u32(at + 46), 0) : new Counts(0, 0, 0);
        }
    }
}
