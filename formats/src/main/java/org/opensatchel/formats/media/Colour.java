package org.opensatchel.formats.media;

import java.util.Map;
import java.util.Optional;

/** How the colours of a picture are written, by the names that standards have for it. */
public final class Colour {

    public static final String GREY = "grey";
    public static final String RGB = "RGB";
    public static final String PALETTE = "palette";
    public static final String CMYK = "CMYK";
    public static final String YCBCR = "YCbCr";
    public static final String LAB = "CIELAB";

    /** Colour primaries (ITU-T H.273, table 2). */
    private static final Map<Integer, String> PRIMARIES = Map.of(1, "BT.709", 4, "BT.470 M", 5, "BT.601 625", 6, "BT.601 525", 7,
            "SMPTE 240M", 9,
            "BT.2020", 11, "SMPTE RP 431-2", 12, "SMPTE EG 432-1");
    /** Transfer characteristics of high dynamic range (ITU-T H.273, table 3). */
    private static final Map<Integer, String> HIGH_RANGE = Map.of(16, "SMPTE ST 2084", 18, "ARIB STD-B67");

    private Colour() {
    }

    /** Of films: by the numbers that containers write; absent where they are those that say nothing. */
    public static Optional<String> of(int primaries, int transfer) {
        String high = HIGH_RANGE.containsKey(transfer) ? ", " + HIGH_RANGE.get(transfer) : "";
        return Optional.ofNullable(PRIMARIES.get(primaries)).map(name -> name + high);
    }
}
