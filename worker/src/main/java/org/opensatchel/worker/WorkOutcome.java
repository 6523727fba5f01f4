package org.opensatchel.worker;

/** How an order ended. */
public sealed interface WorkOutcome {

    /** It was checked. */
    record Done(WorkResult result) implements WorkOutcome {}

    /**
     * It was not.
     *
     * @param detail for the log, never for a page
     */
    record Failed(Reason reason, String detail) implements WorkOutcome {}

    /** Why an order failed. */
    enum Reason {
        /** It took longer than a check may. */
        TIME,
        /** It took more memory than a check may. */
        MEMORY,
        /** Its report was longer than is kept. */
        OUTPUT,
        /** The worker ended by itself, for no reason that is known. */
        DIED,
        /** A fault in our code. */
        BROKE,
        /** Nobody wants it any more. */
        STOPPED,
        /** The archive could not be read where it is kept, or no worker could be started. */
        STORE;

        /** Whether the project wanted more than a check may take; then the same with less at once may do. */
        public boolean isOfSize() {
            return this == TIME || this == MEMORY || this == OUTPUT || this == DIED;
        }
    }
}
