package org.opensatchel.worker;

import org.opensatchel.worker.WorkOutcome.Reason;

/** How an errand ended. */
public sealed interface ErrandOutcome {

    /** It was carried out. */
    record Answered(byte[] answer) implements ErrandOutcome {}

    /**
     * It was not.
     *
     * @param detail for the log, never for a page
     */
    record Failed(Reason reason, String detail) implements ErrandOutcome {}
}
