package org.opensatchel.formats.materialx;

import org.opensatchel.formats.format.Format;
import org.opensatchel.formats.kind.FileKind;

/** MaterialX documents (specification 1.38 and 1.39). */
public final class Materialx {

    public static final Format FORMAT = Format.of("materialx")
            .endings(FileKind.OTHER, "mtlx")
            .links(new MaterialxLinks());

    private Materialx() {
    }
}
