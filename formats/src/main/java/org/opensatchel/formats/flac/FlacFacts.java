package org.opensatchel.formats.flac;

import java.io.IOException;
import java.util.Optional;
import java.util.OptionalInt;
import org.opensatchel.formats.binary.CutOff;
import org.opensatchel.formats.binary.Rational;
import org.opensatchel.formats.binary.Window;
import org.opensatchel.formats.media.MediaFacts;
import org.opensatchel.formats.media.MediaFacts.End;
import org.opensatchel.formats.media.MediaFacts.Sound;
import org.opensatchel.formats.media.MediaReader;
import org.opensatchel.formats.media.Tags;

/**
 * FLAC (RFC 9639). No header says how long the file is: whether its end is there shows in the last frame, which says by its number where
 * in the sound it stands.
 */
final class FlacFacts implements MediaReader {

    private static final int INFO = 34;
    private static final int MOST_BLOCKS = 200;
    private static final int PICTURES_AND_MORE = 1 << 17;
    private static final int LONGEST_FRAME = 1 << 20;
    private static final int SHORTEST_FRAME = 10;
    private static final int LONGEST_HEADER = 16;

    @Override
    public String container() {
        return "FLAC";
    }

    @Override
    public boolean recognises(Window head) throws IOException {
        return head.has(Tags.before(head), "fLaC");
    }

    @Override
    public MediaFacts read(Window file) throws IOException {
        long at = Tags.before(file) + 4;
        if ((file.u8(at) & 0x7f) != 0 || file.u24(at + 1) < INFO) {
            return MediaFacts.none(container(), End.UNREAD);
        }
        long info = at + 4;
        int rate = file.u24(info + 10) >> 4;
        if (rate == 0) {
            return MediaFacts.none(container(), End.UNREAD);
        }
        int channels = (file.u8(info + 12) >> 1 & 7) + 1;
        int bits = ((file.u8(info + 12) & 1) << 4 | file.u8(info + 13) >> 4) + 1;
        long samples = (file.u8(info + 13) & 15L) << 32 | file.u32(info + 14);
        Optional<Rational> seconds = samples > 0 && rate > 0 ? Optional.of(new Rational(samples, rate)) : Optional.empty();
        return MediaFacts.sound(container(), end(file, at, info, samples), seconds,
                new Sound("FLAC", channels, rate, OptionalInt.of(bits)));
    }

    private static End end(Window file, long blocks, long info, long samples) throws IOException {
        long at = blocks;
        boolean last = false;
        for (int i = 0; i < MOST_BLOCKS && !last; i++) {
            if (at + 4 > file.length()) {
                return End.CUT;
            }
            last = (file.u8(at) & 0x80) != 0;
            at += 4 + file.u24(at + 1);
        }
        if (at > file.length()) {
            return End.CUT;
        }
        if (samples == 0) {
            return End.OPEN;
        }
        int longest = file.u24(info + 7) > 0 ? file.u24(info + 7) : LONGEST_FRAME;
        return new Frames(file, at, file.u16(info + 2)).end(samples, longest);
    }

    /** The frames of a file from behind. */
    private static final class Frames {
        private final Window file;
        private final long first;
        private final int blockSize;

        Frames(Window file, long first, int blockSize) {
            this.file = file;
            this.first = first;
            this.blockSize = blockSize;
        }

        /**
         * The bytes of a frame may look like another frame by chance, and its number then says anything: the end is missing only where
         * none of those that look like one is the last, and whole.
         */
        End end(long samples, int longest) throws IOException {
            long end = Tags.behind(file);
            long low = Math.max(first, end - 2L * longest - PICTURES_AND_MORE);
            boolean any = low == first;
            for (long at = end - SHORTEST_FRAME; at >= low; at--) {
                if (file.u8(at) == 0xff && (file.u8(at + 1) & 0xfe) == 0xf8) {
                    long behind = behind(at);
                    if (behind == samples && isWhole(at, end, longest)) {
                        return End.WHOLE;
                    }
                    any |= behind >= 0;
                }
            }
            return any ? End.CUT : End.UNREAD;
        }

        /** Which sample comes after the frame at a place; -1 where there is no frame. */
        private long behind(long at) throws IOException {
            try {
                return numbered(at);
            } catch (CutOff tooShort) {
                return -1;
            }
        }

        private long numbered(long at) throws IOException {
            int sizes = file.u8(at + 2);
            int kind = file.u8(at + 3);
            if (sizes >> 4 == 0 || (sizes & 15) == 15 || kind >> 4 > 10 || (kind & 1) != 0) {
                return -1;
            }
            int[] number = new int[1];
            long coded = number(at + 4, number);
            if (coded < 0) {
                return -1;
            }
            long next = at + 4 + number[0];
            int count = blockSize(sizes >> 4, next);
            next += sizes >> 4 == 6 ? 1 : sizes >> 4 == 7 ? 2 : 0;
            int rate = sizes & 15;
            next += rate == 12 ? 1 : rate == 13 || rate == 14 ? 2 : 0;
            if (next - at > LONGEST_HEADER || next >= file.length() || crc8(at, next) != file.u8(next)) {
                return -1;
            }
            boolean varies = (file.u8(at + 1) & 1) != 0;
            return (varies ? coded : coded * blockSize) + count;
        }

        private int blockSize(int code, long at) throws IOException {
            if (code == 1) {
                return 192;
            } else if (code <= 5) {
                return 576 << code - 2;
            } else if (code == 6) {
                return file.u8(at) + 1;
            }
            return code == 7 ? file.u16(at) + 1 : 256 << code - 8;
        }

        /** A number as UTF-8 would code it, with up to 36 bits; how many bytes it takes is laid into {@code taken}. */
        private long number(long at, int[] taken) throws IOException {
            int head = file.u8(at);
            int ones = Integer.numberOfLeadingZeros(~(head << 24));
            if (ones == 1 || ones > 7) {
                return -1;
            }
            taken[0] = Math.max(1, ones);
            long value = ones == 0 ? head : head & (0x7f >> ones);
            for (int i = 1; i < ones; i++) {
                int next = file.u8(at + i);
                if ((next & 0xc0) != 0x80) {
                    return -1;
                }
                value = value << 6 | next & 0x3f;
            }
            return value;
        }

        private int crc8(long from, long to) throws IOException {
            int crc = 0;
            for (long at = from; at < to; at++) {
                crc ^= file.u8(at);
                for (int bit = 0; bit < 8; bit++) {
                    crc = (crc & 0x80) != 0 ? crc << 1 ^ 7 : crc << 1;
                }
                crc &= 0xff;
            }
            return crc;
        }

        /** Whether the frame that begins here ends before a place: with the checksum of all before it, its bytes come to nothing. */
        private boolean isWhole(long from, long end, int longest) throws IOException {
            int crc = 0;
            for (long at = from; at < Math.min(end, from + 2L * longest + PICTURES_AND_MORE); at++) {
                crc ^= file.u8(at) << 8;
                for (int bit = 0; bit < 8; bit++) {
                    crc = (crc & 0x8000) != 0 ? crc << 1 ^ 0x8005 : crc << 1;
                }
                crc &= 0xffff;
                if (crc == 0 && at - from >= SHORTEST_FRAME - 1) {
                    return true;
                }
            }
            return false;
        }
    }
}
