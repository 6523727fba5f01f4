package org.opensatchel.core.project;

/**
 * How much is read before a package is refused; everything handed in is hostile until it has been read.
 *
 * @param entries most entries of an archive
 * @param files most files of a folder or listing
 * @param unpackedBytes most bytes an archive may unpack to
 * @param ratio most times an archive may grow when unpacked, looked at above {@link #RATIO_FLOOR}
 * @param depth most folders inside one another
 * @param documentBytes longest document that is read
 * @param linkText longest link text in characters; longer ones are shortened
 * @param findingsPerCode most findings of one code; the rest is counted in one
 */
public record ReadLimits(int entries, int files, long unpackedBytes, int ratio, int depth, long documentBytes, int linkText, int findingsPerCode) {

    /** Bytes below which no archive is called a bomb for its ratio. */
    public static final long RATIO_FLOOR = 10L << 20;

    public static final ReadLimits DEFAULT = new ReadLimits(200_000, 1_000_000, 16L << 30, 200, 100, 64L << 20, 4096, 1_000);
}
