package org.opensatchel.formats.gif;

import java.io.IOException;
import java.util.List;
import java.util.Optional;
import org.opensatchel.formats.binary.CutOff;
import org.opensatchel.formats.binary.Rational;
import org.opensatchel.formats.binary.Window;
import org.opensatchel.formats.media.Colour;
import org.opensatchel.formats.media.MediaFacts;
import org.opensatchel.formats.media.MediaFacts.End;
import org.opensatchel.formats.media.MediaFacts.Picture;
import org.opensatchel.formats.media.MediaReader;

/** GIF (version 89a, sections 17 to 27), moving ones too. */
final class GifFacts implements MediaReader {

    private static final int MOST_BLOCKS = 2_000_000;
    private static final int EXTENSION = 0x21;
    private static final int IMAGE = 0x2c;
    private static final int TRAILER = 0x3b;
    private static final int CONTROL = 0xf9;
    private static final int HUNDREDTHS = 100;

    @Override
    public String container() {
        return "GIF";
    }

    @Override
    public boolean recognises(Window head) throws IOException {
        return head.has(0, "GIF87a") || head.has(0, "GIF89a");
    }

    @Override
    public MediaFacts read(Window file) throws IOException {
        Picture picture = Picture.still("GIF", file.le16(6), file.le16(8)).of(8).coloured(Optional.of(Colour.PALETTE));
        int shape = file.u8(12);
        picture = shape == 0 ? picture : picture.shaped(new Rational(shape + 15, 64));
        Walk walk = new Walk(file);
        End end = walk.from(13 + table(file.u8(10)));
        picture = picture.transparent(walk.clear);
        if (walk.images < 2) {
            return MediaFacts.still(container(), end, picture);
        }
        boolean even = walk.shortest == walk.longest;
        Optional<Rational> rate = even && walk.longest > 0 ? Optional.of(new Rational(HUNDREDTHS, walk.longest)) : Optional.empty();
        return new MediaFacts(container(), end, Optional.of(new Rational(walk.time, HUNDREDTHS)),
                List.of(picture.moving(walk.images, rate, even)), List.of());
    }

    /** How long a table of colours is. */
    private static int table(int flags) {
        return (flags & 0x80) == 0 ? 0 : 3 << ((flags & 7) + 1);
    }

    /** From block to block. */
    private static final class Walk {
        private final Window file;
        private long images;
        private long time;
        private int delay;
        private int shortest = Integer.MAX_VALUE;
        private int longest;
        private boolean clear;
        private int steps;

        Walk(Window file) {
            this.file = file;
        }

        End from(long first) throws IOException {
            long at = first;
            while (steps++ < MOST_BLOCKS) {
                if (at == file.length() && images > 0) {
                    // Some write no last byte; all pictures are there.
                    return End.OPEN;
                }
                if (at >= file.length()) {
                    return images > 0 ? End.CUT : End.UNREAD;
                }
                int sign = file.u8(at);
                try {
                    if (sign == TRAILER) {
                        return End.WHOLE;
                    } else if (sign == EXTENSION) {
                        at = extension(at);
                    } else if (sign == IMAGE) {
                        at = image(at);
                    } else {
                        return End.UNREAD;
                    }
                } catch (CutOff within) {
                    return images > 0 || sign == IMAGE ? End.CUT : End.UNREAD;
                }
            }
            return End.UNREAD;
        }

        private long extension(long at) throws IOException {
            if (file.u8(at + 1) == CONTROL && file.u8(at + 2) >= 4) {
                clear |= (file.u8(at + 3) & 1) != 0;
                delay = file.le16(at + 4);
            }
            return blocks(at + 2);
        }

        private long image(long at) throws IOException {
            long next = blocks(at + 11 + table(file.u8(at + 9)));
            images++;
            time += delay;
            shortest = Math.min(shortest, delay);
            longest = Math.max(longest, delay);
            delay = 0;
            return next;
        }

        /** Behind a row of blocks, each with its length before it, the last of which is empty. */
        private long blocks(long from) throws IOException {
            long at = from;
            for (int size = file.u8(at); size > 0 && steps++ < MOST_BLOCKS; size = file.u8(at)) {
                at += 1 + size;
            }
            return at + 1;
        }
    }
}
