package org.opensatchel.formats.dash;

import org.opensatchel.formats.format.Format;
import org.opensatchel.formats.kind.FileKind;

/** MPEG-DASH presentations (ISO/IEC 23009-1). */
public final class Dash {

    public static final Format FORMAT = Format.of("dash")
            .endings(FileKind.OTHER, "mpd")
            .links(new DashLinks());

    private Dash() {
    }
}
