package org.opensatchel.formats.epub;

import org.opensatchel.formats.format.Format;
import org.opensatchel.formats.kind.FileKind;

/** EPUB books (W3C EPUB 3.3). */
public final class Epub {

    public static final Format FORMAT = Format.of("epub")
            .endings(FileKind.OTHER, "epub")
            .links(new EpubLinks());

    private Epub() {
    }
}
