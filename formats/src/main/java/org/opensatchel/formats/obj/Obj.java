package org.opensatchel.formats.obj;

import org.opensatchel.formats.format.Format;
import org.opensatchel.formats.kind.FileKind;

/** Wavefront OBJ models and their material libraries (the formats' published descriptions, 1995). */
public final class Obj {

    public static final Format MODEL = Format.of("obj")
            .endings(FileKind.MODEL, "obj")
            .text()
            .links(new ObjLinks())
            .facts(new ObjFacts());
    public static final Format MATERIALS = Format.of("mtl")
            .endings(FileKind.MODEL, "mtl")
            .text()
            .links(new MtlLinks());

    private Obj() {
    }
}
