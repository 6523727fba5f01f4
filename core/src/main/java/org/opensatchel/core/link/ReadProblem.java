package org.opensatchel.core.link;

import org.opensatchel.core.fact.Phrase;
import org.opensatchel.core.finding.Place;

/**
 * Why a document could not be read to its end. The links before it are kept.
 *
 * @param what completes “The document …”
 */
public record ReadProblem(Kind kind, Place at, Phrase what) {

    /** The kinds of problems. */
    public enum Kind {
        BROKEN, TOO_LARGE, ENCRYPTED, UNSUPPORTED, BINARY
    }
}
