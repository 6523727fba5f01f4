package org.opensatchel.web.job;

import java.util.function.BooleanSupplier;

/** How jobs of one kind are carried out. It may be begun again after a crash, so it leaves nothing half done. */
public interface JobWork {

    /** What such jobs are called in the queue; at most twenty letters. */
    String kind();

    /**
     * Does the work.
     *
     * @param asked what was asked
     * @param stopped whether it is to be ended: it was cancelled, or the server stops
     * @return the answer
     * @throws Failed when there is none, and trying again would not help
     */
    byte[] run(Asked asked, BooleanSupplier stopped) throws Failed;

    /** What was asked. */
    record Asked(long course, long account, byte[] work) {}

    /** That a job has no answer. */
    final class Failed extends Exception {
        private static final long serialVersionUID = 1L;

        private final Job.Trouble trouble;

        public Failed(Job.Trouble trouble) {
            super(trouble.name());
            this.trouble = trouble;
        }

        Job.Trouble trouble() {
            return trouble;
        }
    }
}
