package org.opensatchel.formats.css;

import org.opensatchel.formats.format.Format;
import org.opensatchel.formats.kind.FileKind;

/** Style sheets (W3C CSS Syntax Level 3), and the sources they are made of. */
public final class Css {

    public static final Format SHEET = Format.of("css")
            .endings(FileKind.TEXT, "css")
            .text()
            .links(new CssLinks());
    public static final Format SOURCE = Format.of("sass")
            .endings(FileKind.OTHER, "scss", "sass", "less", "styl")
            .written()
            .links(new StyleSourceLinks());

    private Css() {
    }
}
