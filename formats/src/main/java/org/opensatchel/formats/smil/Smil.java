package org.opensatchel.formats.smil;

import org.opensatchel.formats.format.Format;
import org.opensatchel.formats.kind.FileKind;

/** SMIL presentations (W3C SMIL 3.0). */
public final class Smil {

    public static final Format FORMAT = Format.of("smil")
            .endings(FileKind.OTHER, "smil", "smi")
            .links(new SmilLinks());

    private Smil() {
    }
}
