package org.opensatchel.formats.jpeg;

import java.io.IOException;
import java.util.Optional;
import org.opensatchel.formats.binary.CutOff;
import org.opensatchel.formats.binary.Window;
import org.opensatchel.formats.media.Colour;
import org.opensatchel.formats.media.MediaFacts;
import org.opensatchel.formats.media.MediaFacts.End;
import org.opensatchel.formats.media.MediaFacts.Picture;
import org.opensatchel.formats.media.MediaReader;
import org.opensatchel.formats.tiff.Directory;

/** JPEG (ISO/IEC 10918-1, annex B), turned as its EXIF says (JEITA CP-3451, section 4.6.4). */
final class JpegFacts implements MediaReader {

    private static final int MOST_SEGMENTS = 4_000;
    /** How far back from its end the end of the pictures is looked for. */
    private static final long MOST_LOOKED_BACK = 64L << 20;
    private static final int BLOCK = 1 << 16;
    private static final int APP1 = 0xe1;
    private static final int SCAN = 0xda;
    private static final int LAST = 0xd9;
    private static final int MARK = 0xff;

    @Override
    public String container() {
        return "JPEG";
    }

    @Override
    public boolean recognises(Window head) throws IOException {
        return head.has(0, "\u00ff\u00d8\u00ff");
    }

    @Override
    public MediaFacts read(Window file) throws IOException {
        Picture picture = null;
        int turned = 0;
        long at = 2;
        for (int i = 0; i < MOST_SEGMENTS; i++) {
            while (file.u8(at) == MARK && file.u8(at + 1) == MARK) {
                at++;
            }
            int marker = file.u8(at + 1);
            if (file.u8(at) != MARK) {
                break;
            }
            if (isAlone(marker)) {
                at += 2;
                continue;
            }
            int length = file.u16(at + 2);
            if (marker == SCAN && picture != null) {
                return MediaFacts.still(container(), end(file, at), picture.turnedBy(turned));
            }
            if (length < 2 || marker == SCAN || marker == LAST) {
                break;
            }
            if (isFrame(marker)) {
                picture = Picture.still("JPEG", file.u16(at + 7), file.u16(at + 5)).of(file.u8(at + 4)).transparent(false)
                        .coloured(colour(file.u8(at + 9)));
            } else if (marker == APP1 && file.has(at + 4, "Exif\0\0")) {
                turned = turned(file, at + 10, at + 2 + length);
            }
            at += 2 + length;
        }
        return picture == null ? MediaFacts.none(container(), End.UNREAD)
                : MediaFacts.still(container(), End.UNREAD, picture.turnedBy(turned));
    }

    /** By the number of its components (JFIF, section 3.2; four are those of print, which no standard says and all programs mean). */
    private static Optional<String> colour(int components) {
        return switch (components) {
            case 1 -> Optional.of(Colour.GREY);
            case 3 -> Optional.of(Colour.YCBCR);
            case 4 -> Optional.of(Colour.CMYK);
            default -> Optional.empty();
        };
    }

    /** Markers that have no length after them. */
    private static boolean isAlone(int marker) {
        return marker == 1 || marker >= 0xd0 && marker <= 0xd8;
    }

    /** Those that begin a picture, in any of the ways of coding one. */
    private static boolean isFrame(int marker) {
        return marker >= 0xc0 && marker <= 0xcf && marker != 0xc4 && marker != 0xc8 && marker != 0xcc;
    }

    private static int turned(Window file, long from, long to) throws IOException {
        try {
            return Directory.turned(Directory.read(file, from, to));
        } catch (CutOff damaged) {
            // What a camera noted beside the picture may be damaged without harm to the picture.
            return 0;
        }
    }

    /**
     * Within the coded picture the mark of its end never stands, so that one behind its beginning is the end, whatever follows: cameras
     * and telephones lay smaller pictures and films behind it.
     */
    private static End end(Window file, long scan) throws IOException {
        long low = Math.max(scan, file.length() - MOST_LOOKED_BACK);
        int next = 0;
        for (long to = file.length(); to > low;) {
            long from = Math.max(low, to - BLOCK);
            byte[] block = file.bytes(from, (int) (to - from));
            for (int i = block.length - 1; i >= 0; i--) {
                int here = block[i] & 0xff;
                if (here == MARK && next == LAST) {
                    return End.WHOLE;
                }
                next = here;
            }
            to = from;
        }
        return low == scan ? End.CUT : End.UNREAD;
    }
}
