package org.opensatchel.core.link;

import org.opensatchel.core.finding.Place;

/**
 * Why a document could not be read to its end. The links before it are kept.
 *
 * @param phrase completes “The document …”
 */
public record ReadProblem(Kind kind, Place at, String phrase) {

    /** The kinds of problems. */
    public enum Kind { BROKEN, TOO_LARGE, ENCRYPTED, UNSUPPORTED, BINARY }
}
