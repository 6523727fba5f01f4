package org.opensatchel.web.job;

import java.util.Optional;

/**
 * A job as pages show it.
 *
 * @param before how many are begun before it
 * @param done how much is done of {@code whole}; 0 of 0 where that is not known
 * @param trouble what became of it instead of an answer
 */
public record Job(long id, State state, long before, long done, long whole, Optional<Trouble> trouble) {

    /** Where it stands. */
    public enum State {
        WAITING, RUNNING, DONE, FAILED, CANCELLED
    }

    /** Why it has no answer. */
    public enum Trouble {
        /** It wanted more time or memory than it may take. */
        SIZE,
        /** What it was about is gone. */
        GONE,
        /** There is no room for what it makes. */
        ROOM,
        /** A fault of ours. */
        FAULT
    }

    /** Whether it still goes on, so that it is worth looking again. */
    public boolean isOpen() {
        return state == State.WAITING || state == State.RUNNING;
    }

    /** How much is done, of a hundred; 0 where that is not known. */
    public long percent() {
        return whole == 0 ? 0 : Math.min(100, done * 100 / whole);
    }

    public boolean isDone() {
        return state == State.DONE;
    }
}
