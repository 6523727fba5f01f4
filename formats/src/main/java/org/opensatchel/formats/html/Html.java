package org.opensatchel.formats.html;

import org.opensatchel.formats.format.Format;
import org.opensatchel.formats.kind.FileKind;

/** Web pages (WHATWG HTML Living Standard). */
public final class Html {

    public static final Format FORMAT = Format.of("html")
            .endings(FileKind.TEXT, "html", "htm")
            .looseEndings(FileKind.TEXT, "xhtml")
            .looseEndings(FileKind.OTHER, "xht")
            .text()
            .links(new HtmlLinks());

    private Html() {
    }
}
