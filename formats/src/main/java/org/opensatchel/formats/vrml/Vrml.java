package org.opensatchel.formats.vrml;

import org.opensatchel.formats.format.Format;
import org.opensatchel.formats.kind.FileKind;

/** VRML97 worlds (ISO/IEC 14772-1) and X3D scenes in classic encoding (ISO/IEC 19776-2). */
public final class Vrml {

    public static final Format FORMAT = Format.of("vrml")
            .endings(FileKind.MODEL, "wrl")
            .endings(FileKind.OTHER, "wrz", "x3dv", "x3dvz")
            .links(new VrmlLinks());

    private Vrml() {
    }
}
