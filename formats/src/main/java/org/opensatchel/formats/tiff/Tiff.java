package org.opensatchel.formats.tiff;

import java.util.Set;
import org.opensatchel.formats.format.ContentWording;
import org.opensatchel.formats.format.Format;
import org.opensatchel.formats.kind.FileKind;

/** TIFF pictures (revision 6.0). */
public final class Tiff {

    public static final Format FORMAT = Format.of("tiff")
            .endings(FileKind.PICTURE, "tif", "tiff")
            .begins(ContentWording.TIFF, Set.of("image/tiff"), "II*\0", "MM\0*", "II+\0", "MM\0+")
            .facts(new TiffFacts());

    private Tiff() {
    }
}
