package org.opensatchel.formats.kml;

import org.opensatchel.formats.format.Format;
import org.opensatchel.formats.kind.FileKind;

/** KML maps (OGC 12-007r2), alone and packed as KMZ. */
public final class Kml {

    public static final Format FORMAT = Format.of("kml")
            .endings(FileKind.OTHER, "kml", "kmz")
            .links(new KmlLinks());

    private Kml() {
    }
}
