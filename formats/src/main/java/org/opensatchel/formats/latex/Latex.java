package org.opensatchel.formats.latex;

import org.opensatchel.formats.format.Format;
import org.opensatchel.formats.kind.FileKind;

/** LaTeX texts (the LaTeX2e reference manual). */
public final class Latex {

    public static final Format FORMAT = Format.of("latex")
            .endings(FileKind.OTHER, "tex", "ltx")
            .written()
            .links(new LatexLinks());

    private Latex() {
    }
}
