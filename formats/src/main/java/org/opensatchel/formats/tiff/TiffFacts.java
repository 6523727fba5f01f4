package org.opensatchel.formats.tiff;

import java.io.IOException;
import java.util.Optional;
import org.opensatchel.formats.binary.Rational;
import org.opensatchel.formats.binary.Window;
import org.opensatchel.formats.media.Colour;
import org.opensatchel.formats.media.MediaFacts;
import org.opensatchel.formats.media.MediaFacts.End;
import org.opensatchel.formats.media.MediaFacts.Picture;
import org.opensatchel.formats.media.MediaReader;

/** TIFF (revision 6.0) and its form with 64-bit places; the first picture of a file counts. */
final class TiffFacts implements MediaReader {

    private static final int WIDTH = 256;
    private static final int HEIGHT = 257;
    private static final int BITS = 258;
    private static final int PACKED = 259;
    private static final int COLOURS = 262;
    private static final int STRIPS = 273;
    private static final int ROWS = 278;
    private static final int STRIP_BYTES = 279;
    private static final int ACROSS = 282;
    private static final int DOWN = 283;
    private static final int TILES = 324;
    private static final int TILE_BYTES = 325;
    private static final int MORE_SAMPLES = 338;
    private static final int MOST_PARTS = 100_000;
    private static final int BEGUN = 128;

    @Override
    public String container() {
        return "TIFF";
    }

    @Override
    public boolean recognises(Window head) throws IOException {
        return head.has(0, "II*\0") || head.has(0, "MM\0*") || head.has(0, "II+\0") || head.has(0, "MM\0+");
    }

    @Override
    public MediaFacts read(Window file) throws IOException {
        if (isCut(file)) {
            return MediaFacts.none(container(), End.CUT);
        }
        Directory first = Directory.read(file, 0, file.length());
        long width = first.number(WIDTH, 0, 0);
        long height = first.number(HEIGHT, 0, 0);
        if (width <= 0 || height <= 0 || width > Integer.MAX_VALUE || height > Integer.MAX_VALUE) {
            return MediaFacts.none(container(), End.UNREAD);
        }
        Picture picture = Picture.still("TIFF", (int) width, (int) height).of((int) first.number(BITS, 0, 1))
                .turnedBy(Directory.turned(first))
                .transparent(alpha(first)).shaped(aspect(first)).coloured(colour(first.number(COLOURS, 0, -1)));
        return MediaFacts.still(container(), end(first, file.length()), picture);
    }

    /** What its numbers mean (TIFF 6.0, sections 8 and 16, 21, 23). */
    private static Optional<String> colour(long meaning) {
        return switch ((int) meaning) {
            case 0, 1 -> Optional.of(Colour.GREY);
            case 2 -> Optional.of(Colour.RGB);
            case 3 -> Optional.of(Colour.PALETTE);
            case 5 -> Optional.of(Colour.CMYK);
            case 6 -> Optional.of(Colour.YCBCR);
            case 8 -> Optional.of(Colour.LAB);
            default -> Optional.empty();
        };
    }

    /** Whether the description should stand behind the end, and there is something before it. */
    private static boolean isCut(Window file) throws IOException {
        boolean small = file.u8(0) == 'I';
        boolean wide = (small ? file.u8(2) : file.u8(3)) == '+';
        long at = wide ? small ? file.le63(8) : file.u63(8) : small ? file.le32(4) : file.u32(4);
        if (at < file.length() || file.length() < BEGUN) {
            return false;
        }
        int some = 0;
        for (byte one : file.bytes(file.length() - BEGUN / 2, BEGUN / 2)) {
            some |= one;
        }
        return some != 0;
    }

    private static boolean alpha(Directory first) throws IOException {
        long kind = first.number(MORE_SAMPLES, 0, 0);
        return kind == 1 || kind == 2;
    }

    /** Both resolutions in the same unit. */
    private static Rational aspect(Directory first) throws IOException {
        Directory.Entry across = first.entries().get(ACROSS);
        Directory.Entry down = first.entries().get(DOWN);
        if (across == null || down == null) {
            return Rational.ONE;
        }
        long a = first.number32(across.at());
        long b = first.number32(across.at() + 4);
        long c = first.number32(down.at());
        long d = first.number32(down.at() + 4);
        return a > 0 && b > 0 && c > 0 && d > 0 ? new Rational(c, d).times(new Rational(b, a)) : Rational.ONE;
    }

    /** The last strip has fewer rows; of one that is not packed some write the length that it would have with all of them. */
    private static long ofLastStrip(Directory first, long bytes) throws IOException {
        long rows = first.number(ROWS, 0, 0);
        long height = first.number(HEIGHT, 0, 0);
        boolean fewer = first.number(PACKED, 0, 1) == 1 && rows > 0 && rows < Integer.MAX_VALUE && height % rows != 0;
        return fewer ? Math.min(bytes, bytes / rows * (height % rows)) : bytes;
    }

    private static End end(Directory first, long length) throws IOException {
        boolean tiled = first.has(TILES);
        int places = tiled ? TILES : STRIPS;
        int sizes = tiled ? TILE_BYTES : STRIP_BYTES;
        long parts = first.count(places);
        if (parts == 0 || first.count(sizes) != parts) {
            return End.OPEN;
        }
        if (parts > MOST_PARTS) {
            return End.UNREAD;
        }
        for (long i = 0; i < parts; i++) {
            long from = first.number(places, i, 0);
            long bytes = first.number(sizes, i, 0);
            if (i == parts - 1 && !tiled) {
                bytes = ofLastStrip(first, bytes);
            }
            if (bytes > 0 && from > length - bytes) {
                return End.CUT;
            }
        }
        return End.WHOLE;
    }
}
