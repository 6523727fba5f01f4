package org.opensatchel.web.decision;

import java.time.Instant;
import java.util.Optional;

/**
 * A decision, for pages and other features.
 *
 * @param due until when it has to come once more
 * @param dueBefore what the student's own date was before, where they had one
 */
public record DecisionView(long id, long handIn, Kind kind, String reason, Optional<Instant> due, Optional<Instant> dueBefore, long madeBy,
        Instant madeAt) {

    /** What is decided. */
    public enum Kind {
        ACCEPTED, RETURNED
    }

    public boolean isAccepted() {
        return kind == Kind.ACCEPTED;
    }
}
