package org.opensatchel.formats.bmp;

import java.util.Set;
import org.opensatchel.formats.format.ContentWording;
import org.opensatchel.formats.format.Format;
import org.opensatchel.formats.kind.FileKind;

/** BMP pictures (device-independent bitmaps). */
public final class Bmp {

    public static final Format FORMAT = Format.of("bmp")
            .endings(FileKind.PICTURE, "bmp")
            .looseEndings(FileKind.OTHER, "dib")
            .begins(ContentWording.BMP, Set.of("image/bmp", "image/x-ms-bmp"), "BM")
            .facts(new BmpFacts());

    private Bmp() {
    }
}
