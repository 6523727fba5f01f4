package org.opensatchel.formats.webp;

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

/** WebP (RFC 9649), moving ones too. */
final class WebpFacts implements MediaReader {

    private static final int MOST_CHUNKS = 100_000;
    private static final int ALPHA = 0x10;
    private static final int MILLIS = 1_000;
    private static final int FOURTEEN_BITS = 0x3fff;

    @Override
    public String container() {
        return "WebP";
    }

    @Override
    public boolean recognises(Window head) throws IOException {
        return head.has(0, "RIFF") && head.has(8, "WEBP");
    }

    @Override
    public MediaFacts read(Window file) throws IOException {
        long size = 8 + file.le32(4);
        // A last chunk of an odd length should be followed by an empty byte, which some leave out.
        End end = size > file.length() + 1 ? End.CUT : End.WHOLE;
        Walk walk = new Walk(file);
        walk.chunks(Math.min(size, file.length()));
        if (walk.picture == null || walk.picture.width() == 0 || walk.picture.height() == 0) {
            return MediaFacts.none(container(), End.UNREAD);
        }
        if (walk.frames == 0) {
            return MediaFacts.still(container(), end, walk.picture);
        }
        boolean even = walk.shortest == walk.longest;
        Optional<Rational> rate = even && walk.longest > 0 ? Optional.of(new Rational(MILLIS, walk.longest)) : Optional.empty();
        return new MediaFacts(container(), end, Optional.of(new Rational(walk.time, MILLIS)),
                List.of(walk.picture.moving(walk.frames, rate, even)), List.of());
    }

    /** From chunk to chunk. */
    private static final class Walk {
        private final Window file;
        private Picture picture;
        private long frames;
        private long time;
        private int shortest = Integer.MAX_VALUE;
        private int longest;

        Walk(Window file) {
            this.file = file;
        }

        void chunks(long end) throws IOException {
            long at = 12;
            boolean more = true;
            for (int i = 0; more && i < MOST_CHUNKS && at + 8 <= end; i++) {
                long size = file.le32(at + 4);
                try {
                    more = chunk(file.text(at, 4), at + 8);
                } catch (CutOff within) {
                    return;
                }
                at += 8 + size + (size & 1);
            }
        }

        /** Whether anything that is needed may follow. */
        private boolean chunk(String name, long at) throws IOException {
            if (name.equals("VP8X") && file.le32(at - 4) >= 10) {
                picture = Picture.still("WebP", file.le24(at + 4) + 1, file.le24(at + 7) + 1).of(8)
                        .transparent((file.u8(at) & ALPHA) != 0);
                return (file.u8(at) & 2) != 0;
            }
            if (name.equals("ANMF")) {
                int shown = file.le24(at + 12);
                frames++;
                time += shown;
                shortest = Math.min(shortest, shown);
                longest = Math.max(longest, shown);
            } else if (name.equals("VP8 ") && picture == null && file.has(at + 3, "\u009d\u0001*")) {
                picture = Picture.still("VP8", file.le16(at + 6) & FOURTEEN_BITS, file.le16(at + 8) & FOURTEEN_BITS).of(8)
                        .transparent(false).coloured(Optional.of(Colour.YCBCR));
                return false;
            } else if (name.equals("VP8L") && picture == null && file.u8(at) == 0x2f) {
                long bits = file.le32(at + 1);
                picture = Picture.still("WebP lossless", (int) (bits & FOURTEEN_BITS) + 1, (int) (bits >> 14 & FOURTEEN_BITS) + 1).of(8)
                        .transparent((bits >> 28 & 1) != 0).coloured(Optional.of(Colour.RGB));
                return false;
            }
            return true;
        }
    }
}
