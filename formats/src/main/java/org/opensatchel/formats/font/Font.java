package org.opensatchel.formats.font;

import java.util.Set;
import org.opensatchel.formats.format.ContentWording;
import org.opensatchel.formats.format.Format;
import org.opensatchel.formats.kind.FileKind;

/** Fonts: OpenType (ISO/IEC 14496-22), WOFF and WOFF2 (W3C). */
public final class Font {

    public static final Format OPENTYPE = Format.of("opentype")
            .endings(FileKind.FONT, "ttf", "otf")
            .looseEndings(FileKind.OTHER, "ttc", "otc")
            .begins(ContentWording.FONT, Set.of("application/x-font-ttf", "application/x-font-otf", "font/ttf", "font/otf", "font/sfnt"),
                    "\0\1\0\0", "OTTO", "true", "ttcf")
            .facts(new FontFacts());
    public static final Format WOFF = Format.of("woff")
            .endings(FileKind.FONT, "woff")
            .begins(ContentWording.WOFF, Set.of("font/woff", "font/woff2", "application/font-woff", "application/font-woff2"), "wOFF",
                    "wOF2")
            .facts(new WoffFacts());
    public static final Format WOFF2 = Format.of("woff2")
            .endings(FileKind.FONT, "woff2")
            .compressed()
            .begins(ContentWording.WOFF, Set.of("font/woff", "font/woff2", "application/font-woff", "application/font-woff2"), "wOFF",
                    "wOF2")
            .facts(new Woff2Facts());

    private Font() {
    }
}
