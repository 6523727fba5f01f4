package org.opensatchel.formats.x3d;

import org.opensatchel.formats.format.Format;
import org.opensatchel.formats.kind.FileKind;

/** X3D scenes, XML encoding (ISO/IEC 19776-1). */
public final class X3d {

    public static final Format FORMAT = Format.of("x3d")
            .endings(FileKind.MODEL, "x3d")
            .endings(FileKind.OTHER, "x3dz")
            .links(new X3dLinks());

    private X3d() {
    }
}
