package org.opensatchel.formats.pdf;

import java.util.Set;
import org.opensatchel.formats.format.ContentWording;
import org.opensatchel.formats.format.Format;
import org.opensatchel.formats.kind.FileKind;

/** PDF documents (ISO 32000-2). */
public final class Pdf {

    public static final Format FORMAT = Format.of("pdf")
            .endings(FileKind.OTHER, "pdf")
            .begins(ContentWording.PDF, Set.of("application/pdf"), "%PDF")
            .links(new PdfLinks());

    private Pdf() {
    }
}
