package org.opensatchel.formats.link;

import org.opensatchel.base.fact.Phrase;
import org.opensatchel.base.place.SourcePosition;

/**
 * Why a document could not be read to its end. The links before it are kept.
 *
 * @param what completes “The document …”
 */
public record ReadProblem(Kind kind, SourcePosition at, Phrase what) {

    /** The kinds of problems. */
    public enum Kind {
        BROKEN, TOO_LARGE, ENCRYPTED, UNSUPPORTED, BINARY
    }
}
