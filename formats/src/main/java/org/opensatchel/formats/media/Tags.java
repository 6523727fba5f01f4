package org.opensatchel.formats.media;

import java.io.IOException;
import org.opensatchel.formats.binary.Window;

/** Notes that programs lay before and behind sounds of any format: ID3 (versions 1 and 2), and APE. */
public final class Tags {

    private static final int ID3_1 = 128;
    private static final int APE_FOOTER = 32;
    private static final int MOST = 4;

    private Tags() {
    }

    /** Where the sound begins. */
    public static long before(Window file) throws IOException {
        long at = 0;
        for (int i = 0; i < MOST && file.has(at, "ID3") && at + 10 <= file.length(); i++) {
            long size = (file.u8(at + 6) & 0x7fL) << 21 | (file.u8(at + 7) & 0x7f) << 14 | (file.u8(at + 8) & 0x7f) << 7
                    | file.u8(at + 9) & 0x7f;
            at += 10 + size + ((file.u8(at + 5) & 0x10) != 0 ? 10 : 0);
        }
        return at;
    }

    /** Where it ends. */
    public static long behind(Window file) throws IOException {
        long end = file.length();
        for (int i = 0; i < MOST; i++) {
            long before = end;
            if (end >= ID3_1 && file.has(end - ID3_1, "TAG")) {
                end -= ID3_1;
            } else if (end >= APE_FOOTER && file.has(end - APE_FOOTER, "APETAGEX")) {
                boolean headed = (file.le32(end - 12) & 0x80000000L) != 0;
                end -= Math.min(end, file.le32(end - 20) + (headed ? APE_FOOTER : 0));
            }
            if (end == before) {
                break;
            }
        }
        return end;
    }
}
