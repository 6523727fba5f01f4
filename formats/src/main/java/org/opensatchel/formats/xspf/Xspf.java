package org.opensatchel.formats.xspf;

import org.opensatchel.formats.format.Format;
import org.opensatchel.formats.kind.FileKind;

/** XSPF playlists (version 1). */
public final class Xspf {

    public static final Format FORMAT = Format.of("xspf")
            .endings(FileKind.OTHER, "xspf")
            .links(new XspfLinks());

    private Xspf() {
    }
}
