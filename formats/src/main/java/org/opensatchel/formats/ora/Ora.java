package org.opensatchel.formats.ora;

import org.opensatchel.formats.format.Format;
import org.opensatchel.formats.kind.FileKind;

/** OpenRaster pictures (specification 0.0.6). */
public final class Ora {

    public static final Format FORMAT = Format.of("ora")
            .endings(FileKind.OTHER, "ora")
            .links(new OraLinks());

    private Ora() {
    }
}
