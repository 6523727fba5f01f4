package org.opensatchel.formats.png;

import java.util.Set;
import org.opensatchel.formats.format.ContentWording;
import org.opensatchel.formats.format.Format;
import org.opensatchel.formats.kind.FileKind;

/** PNG pictures (W3C Portable Network Graphics, third edition). */
public final class Png {

    public static final Format FORMAT = Format.of("png")
            .compressed()
            .endings(FileKind.PICTURE, "png")
            .looseEndings(FileKind.OTHER, "apng")
            .begins(ContentWording.PNG, Set.of("image/png", "image/apng"), "\u0089PNG")
            .facts(new PngFacts());

    private Png() {
    }
}
