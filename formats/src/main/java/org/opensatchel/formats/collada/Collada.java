package org.opensatchel.formats.collada;

import org.opensatchel.formats.format.Format;
import org.opensatchel.formats.kind.FileKind;

/** COLLADA scenes (1.4.1 and 1.5, Khronos), alone and as archives. */
public final class Collada {

    public static final Format SCENE = Format.of("collada")
            .endings(FileKind.MODEL, "dae")
            .links(new ColladaLinks());
    public static final Format ARCHIVE = Format.of("zae")
            .endings(FileKind.OTHER, "zae")
            .links(new ZaeLinks());

    private Collada() {
    }
}
