package org.opensatchel.formats.sfz;

import org.opensatchel.formats.format.Format;
import org.opensatchel.formats.kind.FileKind;

/** SFZ instruments (the format's published description, versions 1 and 2). */
public final class Sfz {

    public static final Format FORMAT = Format.of("sfz")
            .endings(FileKind.OTHER, "sfz", "sfzh")
            .links(new SfzLinks());

    private Sfz() {
    }
}
