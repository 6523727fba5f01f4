package org.opensatchel.formats.edl;

import org.opensatchel.formats.format.Format;
import org.opensatchel.formats.kind.FileKind;

/** CMX 3600 edit decision lists (SMPTE ST 258). */
public final class Edl {

    public static final Format FORMAT = Format.of("edl")
            .endings(FileKind.OTHER, "edl")
            .text()
            .links(new EdlLinks())
            .timelines(new EdlTimelines());

    private Edl() {
    }
}
