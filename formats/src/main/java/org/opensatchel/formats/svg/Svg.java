package org.opensatchel.formats.svg;

import org.opensatchel.formats.format.Format;
import org.opensatchel.formats.kind.FileKind;

/** SVG pictures (W3C SVG 1.1 and 2). */
public final class Svg {

    public static final Format FORMAT = Format.of("svg")
            .endings(FileKind.OTHER, "svg")
            .looseEndings(FileKind.OTHER, "svgz")
            .text()
            .links(new SvgLinks());

    private Svg() {
    }
}
