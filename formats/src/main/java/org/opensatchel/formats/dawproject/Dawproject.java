package org.opensatchel.formats.dawproject;

import org.opensatchel.formats.format.Format;
import org.opensatchel.formats.kind.FileKind;

/** DAWproject exchange packages (version 1.0). */
public final class Dawproject {

    public static final Format FORMAT = Format.of("dawproject")
            .endings(FileKind.OTHER, "dawproject")
            .links(new DawprojectLinks())
            .timelines(new DawTimelines());

    private Dawproject() {
    }
}
