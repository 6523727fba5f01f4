package org.opensatchel.formats.bmp;

import java.io.IOException;
import java.util.Optional;
import org.opensatchel.formats.binary.Window;
import org.opensatchel.formats.media.Colour;
import org.opensatchel.formats.media.MediaFacts;
import org.opensatchel.formats.media.MediaFacts.End;
import org.opensatchel.formats.media.MediaFacts.Picture;
import org.opensatchel.formats.media.MediaReader;

/** BMP, with the headers of 12, 40, 52, 56, 108 and 124 bytes (device-independent bitmaps). */
final class BmpFacts implements MediaReader {

    private static final int OLD = 12;
    private static final int INFO = 40;
    private static final int WITH_ALPHA = 56;
    private static final int LONGEST = 124;
    private static final int UNPACKED = 0;
    private static final int MASKS = 3;

    @Override
    public String container() {
        return "BMP";
    }

    @Override
    public boolean recognises(Window head) throws IOException {
        return head.has(0, "BM") && head.length() >= 26 && head.le32(14) <= LONGEST && head.le32(14) >= OLD;
    }

    @Override
    public MediaFacts read(Window file) throws IOException {
        long header = file.le32(14);
        long from = file.le32(10);
        boolean old = header < INFO;
        int width = old ? file.le16(18) : (int) file.le32(18);
        // Rows may stand from the top, which a negative height says.
        int height = old ? file.le16(20) : Math.abs((int) file.le32(22));
        int bits = file.le16(old ? 24 : 28);
        long packed = old ? UNPACKED : file.le32(30);
        if (width <= 0 || height <= 0 || bits <= 0 || bits > 64) {
            return MediaFacts.none(container(), End.UNREAD);
        }
        boolean alpha = header >= WITH_ALPHA && bits == 32 && file.le32(66) != 0;
        Picture picture = Picture.still("BMP", width, height).of(bits <= 8 ? 8 : bits == 16 ? 5 : 8).transparent(alpha)
                .coloured(Optional.of(bits <= 8 ? Colour.PALETTE : Colour.RGB));
        return MediaFacts.still(container(), end(file, from, old, packed, ((long) width * bits + 31) / 32 * 4 * height), picture);
    }

    private static End end(Window file, long from, boolean old, long packed, long plain) throws IOException {
        long bytes = packed == UNPACKED || packed == MASKS ? plain : old ? 0 : file.le32(34);
        if (bytes == 0) {
            return End.OPEN;
        }
        // Some leave out what fills up the last row.
        return from + bytes - 3 > file.length() ? End.CUT : End.WHOLE;
    }
}
