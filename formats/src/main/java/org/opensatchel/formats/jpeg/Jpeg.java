package org.opensatchel.formats.jpeg;

import java.util.Set;
import org.opensatchel.formats.format.ContentWording;
import org.opensatchel.formats.format.Format;
import org.opensatchel.formats.kind.FileKind;

/** JPEG pictures (ISO/IEC 10918-1). */
public final class Jpeg {

    public static final Format FORMAT = Format.of("jpeg")
            .endings(FileKind.PICTURE, "jpg", "jpeg")
            .endings(FileKind.OTHER, "jpe", "jfif")
            .compressed()
            .begins(ContentWording.JPEG, Set.of("image/jpeg"), "\u00ff\u00d8\u00ff")
            .facts(new JpegFacts());

    private Jpeg() {
    }
}
