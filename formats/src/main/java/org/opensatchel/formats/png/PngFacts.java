package org.opensatchel.formats.png;

import java.io.IOException;
import java.util.List;
import java.util.Optional;
import org.opensatchel.formats.binary.Rational;
import org.opensatchel.formats.binary.Window;
import org.opensatchel.formats.media.Colour;
import org.opensatchel.formats.media.MediaFacts;
import org.opensatchel.formats.media.MediaFacts.End;
import org.opensatchel.formats.media.MediaFacts.Picture;
import org.opensatchel.formats.media.MediaReader;

/** PNG (W3C Portable Network Graphics, third edition, sections 5, 11 and 13), moving ones too. Colours are not decoded. */
final class PngFacts implements MediaReader {

    private static final String SIGN = "\u0089PNG\r\n\u001a\n";
    /** The last chunk, whole: no data, its name, and its checksum. */
    private static final String LAST = "\0\0\0\0IEND\u00aeB`\u0082";
    private static final int MOST_CHUNKS = 200_000;
    private static final int HEADER_BYTES = 13;
    private static final int AROUND = 12;
    private static final int ALPHA = 4;

    @Override
    public String container() {
        return "PNG";
    }

    @Override
    public boolean recognises(Window head) throws IOException {
        return head.has(0, SIGN);
    }

    @Override
    public MediaFacts read(Window file) throws IOException {
        long at = SIGN.length();
        if (!file.has(at + 4, "IHDR")) {
            return MediaFacts.none(container(), End.UNREAD);
        }
        long header = at + 8;
        int colour = file.u8(header + 9);
        Picture picture = Picture.still("PNG", size(file, header), size(file, header + 4)).of(file.u8(header + 8))
                .transparent((colour & ALPHA) != 0)
                .coloured(Optional.of((colour & 1) != 0 ? Colour.PALETTE : (colour & 2) != 0 ? Colour.RGB : Colour.GREY));
        if (picture.width() == 0 || picture.height() == 0) {
            return MediaFacts.none(container(), End.UNREAD);
        }
        Walk walk = new Walk(file, picture);
        End end = walk.to(at + AROUND + file.u32(at));
        return walk.moving ? new MediaFacts(container(), end, Optional.of(walk.seconds), List.of(walk.film()), List.of())
                : MediaFacts.still(container(), end, walk.picture);
    }

    private static int size(Window file, long at) throws IOException {
        return Math.max(0, file.i32(at));
    }

    /** From chunk to chunk. */
    private static final class Walk {
        private final Window file;
        private Picture picture;
        private boolean moving;
        private long frames;
        private Rational seconds = Rational.ZERO;
        private Rational first;
        private boolean even = true;
        private boolean begun;

        Walk(Window file, Picture picture) {
            this.file = file;
            this.picture = picture;
        }

        /** A still's data is passed over where its end is at once seen to be there. */
        End to(long from) throws IOException {
            long at = from;
            for (int i = 0; i < MOST_CHUNKS; i++) {
                if (at > file.length() - AROUND) {
                    return begun ? End.CUT : End.UNREAD;
                }
                long length = file.u32(at);
                String name = file.text(at + 4, 4);
                if (name.equals("IEND")) {
                    return End.WHOLE;
                }
                if (name.chars().anyMatch(letter -> letter < 'A' || letter > 'z') || length > Integer.MAX_VALUE) {
                    return End.UNREAD;
                }
                begun |= name.equals("IDAT");
                if (at + AROUND + length > file.length()) {
                    return begun ? End.CUT : End.UNREAD;
                }
                if (name.equals("IDAT") && !moving && file.has(file.length() - LAST.length(), LAST)) {
                    return End.WHOLE;
                }
                chunk(name, at + 8, length);
                at += AROUND + length;
            }
            return End.UNREAD;
        }

        private void chunk(String name, long at, long length) throws IOException {
            if (name.equals("acTL") && length >= 8) {
                moving = true;
                frames = file.u32(at);
            } else if (name.equals("fcTL") && moving && length >= 26) {
                int parts = file.u16(at + 22);
                Rational shown = new Rational(file.u16(at + 20), parts == 0 ? 100 : parts);
                even &= first == null || first.equals(shown);
                first = first == null ? shown : first;
                seconds = seconds.plus(shown);
            } else if (name.equals("tRNS")) {
                picture = picture.transparent(true);
            } else if (name.equals("pHYs") && length >= 9) {
                long across = file.u32(at);
                long down = file.u32(at + 4);
                // So many to a length: the fewer there are across, the wider each is.
                picture = across > 0 && down > 0 ? picture.shaped(new Rational(down, across)) : picture;
            }
        }

        Picture film() {
            Optional<Rational> rate = even && first != null && first.over() > 0 ? Optional.of(new Rational(first.under(), first.over()))
                    : Optional.empty();
            return picture.moving(frames, rate, even);
        }
    }
}
