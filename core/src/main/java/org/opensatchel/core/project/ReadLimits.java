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
 * @param sums what all documents together may come to
 */
public record ReadLimits(int entries, int files, long unpackedBytes, int ratio, int depth, long documentBytes, int linkText,
        int findingsPerCode, Sums sums) {

    /**
     * Sums over a whole project: each document may keep its own limits and all of them still be more than memory holds.
     *
     * @param links most links of all documents
     * @param linkText most characters of all links
     * @param documentBytes most bytes of documents that are read into memory, one after the other; documents read as streams do not count
     * @param findings most findings of all codes
     * @param candidates most candidates that are kept for broken links
     * @param hashedBytes most bytes that are hashed, and most that are listened to
     */
    public record Sums(int links, long linkText, long documentBytes, int findings, int candidates, long hashedBytes) {

        public static final Sums DEFAULT = new Sums(400_000, 64L << 20, 1L << 30, 20_000, 200_000, 256L << 30);
    }

    /** Bytes below which no archive is called a bomb for its ratio. */
    public static final long RATIO_FLOOR = 10L << 20;

    public static final ReadLimits DEFAULT = new ReadLimits(200_000, 1_000_000, 16L << 30, 200, 100, 64L << 20, 4096, 1_000, Sums.DEFAULT);

    /** The same with other sums. */
    public ReadLimits within(Sums other) {
        return new ReadLimits(entries, files, unpackedBytes, ratio, depth, documentBytes, linkText, findingsPerCode, other);
    }
}
