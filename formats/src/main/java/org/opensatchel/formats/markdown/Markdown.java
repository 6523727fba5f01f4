package org.opensatchel.formats.markdown;

import org.opensatchel.formats.format.Format;
import org.opensatchel.formats.kind.FileKind;

/** Markdown texts (CommonMark 0.31). */
public final class Markdown {

    public static final Format FORMAT = Format.of("markdown")
            .endings(FileKind.TEXT, "md")
            .looseEndings(FileKind.TEXT, "markdown")
            .looseEndings(FileKind.OTHER, "mdown", "mkd")
            .text()
            .links(new MarkdownLinks());

    private Markdown() {
    }
}
