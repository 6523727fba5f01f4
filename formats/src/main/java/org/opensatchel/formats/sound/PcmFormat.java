package org.opensatchel.formats.sound;

/**
 * How samples are stored that are stored as they are.
 *
 * @param bytes of one sample: 1 to 4 of whole numbers, 4 or 8 of fractions
 * @param little whether the lowest byte comes first
 * @param rate moments a second
 */
public record PcmFormat(Kind kind, int bytes, boolean little, int channels, int rate) {

    /** What a sample's number is. */
    public enum Kind {
        /** A whole number, from the lowest to the highest there is. */
        SIGNED,
        /** A whole number from zero, the middle of which is silence. */
        UNSIGNED,
        /** A fraction (IEEE 754). */
        FLOAT
    }

    public PcmFormat {
        boolean sound = kind == Kind.FLOAT ? bytes == 4 || bytes == 8 : bytes >= 1 && bytes <= 4;
        if (!sound || channels < 1 || rate < 1) {
            throw new IllegalArgumentException("no sound has " + bytes + " bytes a sample, " + channels + " channels at " + rate);
        }
    }

    int frameBytes() {
        return bytes * channels;
    }
}
