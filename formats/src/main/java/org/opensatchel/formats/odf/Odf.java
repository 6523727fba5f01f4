package org.opensatchel.formats.odf;

import org.opensatchel.formats.format.Format;
import org.opensatchel.formats.kind.FileKind;

/** OpenDocument files (OASIS OpenDocument 1.3), packed and flat. */
public final class Odf {

    public static final Format FORMAT = Format.of("odf")
            .endings(FileKind.OTHER, "odt", "ods", "odp", "odg", "odc", "odf", "odm", "ott", "ots", "otp", "otg", "fodt", "fods", "fodp",
                    "fodg")
            .links(new OdfLinks());

    private Odf() {
    }
}
