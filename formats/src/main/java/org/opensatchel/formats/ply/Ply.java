package org.opensatchel.formats.ply;

import org.opensatchel.formats.format.Format;
import org.opensatchel.formats.kind.FileKind;

/** PLY models (the format's published description, 1994). */
public final class Ply {

    public static final Format FORMAT = Format.of("ply")
            .endings(FileKind.MODEL, "ply")
            .links(new PlyLinks());

    private Ply() {
    }
}
