package org.opensatchel.formats.usd;

import org.opensatchel.formats.format.Format;
import org.opensatchel.formats.kind.FileKind;

/** Universal Scene Description (the AOUSD core specification), as text and packed. */
public final class Usd {

    public static final Format TEXT = Format.of("usda")
            .endings(FileKind.MODEL, "usda")
            .links(new UsdaLinks());
    public static final Format PACKAGE = Format.of("usdz")
            .endings(FileKind.MODEL, "usdz")
            .compressed()
            .links(new UsdzLinks());

    private Usd() {
    }
}
