package org.opensatchel.formats.cue;

import org.opensatchel.formats.format.Format;
import org.opensatchel.formats.kind.FileKind;

/** Cue sheets (the format's published description). */
public final class Cue {

    public static final Format FORMAT = Format.of("cue")
            .endings(FileKind.OTHER, "cue")
            .links(new CueLinks());

    private Cue() {
    }
}
