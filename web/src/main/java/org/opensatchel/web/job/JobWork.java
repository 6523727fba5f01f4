package org.opensatchel.web.job;

import org.opensatchel.web.errand.Errands;

/** How jobs of one kind are carried out. It may be begun again after a crash, so it leaves nothing half done. */
public interface JobWork {

    /** What such jobs are called in the queue; at most twenty letters. */
    String kind();

    /** Among which it waits for its turn. */
    default Lane lane() {
        return Lane.PAGES;
    }

    /**
     * Does the work.
     *
     * @param asked what was asked
     * @return the answer
     * @throws Failed when there is none, and trying again would not help
     * @throws Errands.NoAnswer when a worker brought none
     */
    byte[] run(Asked asked, Going going) throws Failed;

    /** Jobs that go on one after the other, so that who waits for a page does not wait for what takes minutes. */
    enum Lane {
        /** What a page needs. */
        PAGES,
        /** What is learned. */
        LESSONS,
        /** Whole classes. */
        CLASSES
    }

    /** A job while it goes on. */
    interface Going {

        /** Whether it is to be ended: it was cancelled, or the server stops. */
        boolean isStopped();

        /** Says how far it is. */
        void done(long done, long whole);
    }

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
