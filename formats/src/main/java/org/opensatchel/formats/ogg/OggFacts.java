package org.opensatchel.formats.ogg;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.OptionalLong;
import org.opensatchel.formats.binary.Rational;
import org.opensatchel.formats.binary.Window;
import org.opensatchel.formats.media.MediaFacts;
import org.opensatchel.formats.media.MediaFacts.End;
import org.opensatchel.formats.media.MediaFacts.Picture;
import org.opensatchel.formats.media.MediaFacts.Sound;
import org.opensatchel.formats.media.MediaReader;

/** Ogg (RFC 3533) with Vorbis I, Opus (RFC 7845), FLAC, Speex and Theora. */
final class OggFacts implements MediaReader {

    private static final int HEADER = 27;
    private static final int MOST_STREAMS = 64;
    private static final int LONGEST_PAGE = HEADER + 255 + 255 * 255;
    private static final int OPUS_RATE = 48_000;
    private static final int BEGINS = 2;
    private static final int ENDS = 4;

    @Override
    public String container() {
        return "Ogg";
    }

    @Override
    public boolean recognises(Window head) throws IOException {
        return head.has(0, "OggS");
    }

    @Override
    public MediaFacts read(Window file) throws IOException {
        Streams streams = new Streams(file);
        streams.begin();
        Last last = streams.last();
        boolean known = !streams.pictures.isEmpty() || !streams.sounds.isEmpty();
        return new MediaFacts(container(), known ? last.end : End.UNREAD, last.seconds, streams.pictures, streams.sounds);
    }

    /** How it ends, and how long it is then. */
    private record Last(End end, Optional<Rational> seconds) {}

    private static final class Streams {
        private final Window file;
        private final List<Picture> pictures = new ArrayList<>();
        private final List<Sound> sounds = new ArrayList<>();
        private long counted = -1;
        private long skipped;
        private Rational tick = Rational.ZERO;
        private int keyShift = -1;

        Streams(Window file) {
            this.file = file;
        }

        /** All streams begin before anything else comes. */
        void begin() throws IOException {
            long at = 0;
            for (int i = 0; i < MOST_STREAMS && file.has(at, "OggS") && (file.u8(at + 5) & BEGINS) != 0; i++) {
                int segments = file.u8(at + 26);
                long body = at + HEADER + segments;
                stream(file.le32(at + 14), body);
                long next = body;
                for (int j = 0; j < segments; j++) {
                    next += file.u8(at + HEADER + j);
                }
                at = next;
            }
        }

        private void stream(long serial, long at) throws IOException {
            if (file.has(at, "\u0001vorbis")) {
                int rate = (int) Math.min(Integer.MAX_VALUE, file.le32(at + 12));
                sound(serial, new Sound("Vorbis", file.u8(at + 11), rate, OptionalInt.empty()), rate, 0);
            } else if (file.has(at, "OpusHead")) {
                sound(serial, new Sound("Opus", file.u8(at + 9), OPUS_RATE, OptionalInt.empty()), OPUS_RATE, file.le16(at + 10));
            } else if (file.has(at, "\u007fFLAC")) {
                long info = at + 17;
                int rate = file.u24(info + 10) >> 4;
                sound(serial, new Sound("FLAC", (file.u8(info + 12) >> 1 & 7) + 1, rate,
                        OptionalInt.of(((file.u8(info + 12) & 1) << 4 | file.u8(info + 13) >> 4) + 1)), rate, 0);
            } else if (file.has(at, "Speex   ")) {
                int rate = (int) Math.min(Integer.MAX_VALUE, file.le32(at + 36));
                sound(serial, new Sound("Speex", (int) file.le32(at + 48), rate, OptionalInt.empty()), rate, 0);
            } else if (file.has(at, "\u0080theora")) {
                theora(serial, at);
            }
        }

        private void sound(long serial, Sound sound, int rate, long before) {
            sounds.add(sound);
            if (counted < 0 && rate > 0) {
                counted = serial;
                tick = new Rational(1, rate);
                skipped = before;
            }
        }

        private void theora(long serial, long at) throws IOException {
            long over = file.u32(at + 22);
            long under = file.u32(at + 26);
            Picture picture = Picture.still("Theora", file.u24(at + 14), file.u24(at + 17)).of(8).transparent(false);
            if (file.u24(at + 30) > 0 && file.u24(at + 33) > 0) {
                picture = picture.shaped(new Rational(file.u24(at + 30), file.u24(at + 33)));
            }
            if (over > 0 && under > 0) {
                counted = serial;
                tick = new Rational(under, over);
                skipped = 0;
                keyShift = (file.u8(at + 40) & 3) << 3 | file.u8(at + 41) >> 5;
            }
            pictures.add(new Picture(picture.codec(), picture.width(), picture.height(), picture.pixelAspect(), 0,
                    over > 0 && under > 0 ? Optional.of(new Rational(over, under)) : Optional.empty(), Optional.of(true),
                    OptionalLong.empty(), picture.bits(), picture.alpha(), picture.colour()));
        }

        /** The last pages: one of what is counted says how long it is, the very last whether it is there to its end. */
        Last last() throws IOException {
            End end = null;
            Optional<Rational> seconds = Optional.empty();
            long low = Math.max(0, file.length() - 4L * LONGEST_PAGE);
            for (long at = file.length() - HEADER; at >= low && seconds.isEmpty(); at--) {
                if (file.u8(at) == 'O' && file.has(at, "OggS") && file.u8(at + 4) == 0) {
                    long behind = behind(at);
                    end = end == null ? behind > file.length() ? End.CUT : (file.u8(at + 5) & ENDS) != 0 ? End.WHOLE : End.OPEN : end;
                    seconds = seconds(at);
                }
            }
            return new Last(end == null ? End.UNREAD : end, seconds);
        }

        private Optional<Rational> seconds(long page) throws IOException {
            long place = file.le63(page + 6);
            if (counted < 0 || file.le32(page + 14) != counted || place == Long.MAX_VALUE) {
                return Optional.empty();
            }
            // Films count pictures from the last whole one.
            long units = keyShift < 0 ? Math.max(0, place - skipped) : (place >> keyShift) + (place & (1L << keyShift) - 1);
            return Optional.of(Rational.of(units).times(tick));
        }

        private long behind(long page) throws IOException {
            int segments = file.u8(page + 26);
            long next = page + HEADER + segments;
            for (int i = 0; i < segments; i++) {
                if (page + HEADER + i >= file.length()) {
                    return Long.MAX_VALUE;
                }
                next += file.u8(page + HEADER + i);
            }
            return next;
        }
    }
}
