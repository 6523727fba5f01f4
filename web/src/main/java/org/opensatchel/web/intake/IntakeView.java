package org.opensatchel.web.intake;

import java.time.Instant;
import java.util.Optional;

/**
 * An intake, for pages.
 *
 * @param sha256 the stored archive; absent for a folder of the server
 * @param items how many are to be taken in
 * @param taken how many are
 * @param failed how many could not be
 */
record IntakeView(long id, long assignment, String name, Optional<String> sha256, Optional<String> folder, String scheme, State state,
        long madeBy,
        Instant madeAt, int items, int taken, int failed) {

    /** Stands for the folder where it is not one, but the drives that are plugged in. */
    static final String DRIVES = "drives:";

    /** How far it is. */
    enum State {
        LOOKED, RUNNING, DONE, CANCELLED, UNDONE
    }

    public boolean isOfDrives() {
        return folder.filter(DRIVES::equals).isPresent();
    }

    public boolean isRunning() {
        return state == State.RUNNING;
    }

    public boolean mayBeUndone() {
        return (state == State.DONE || state == State.CANCELLED) && taken > 0;
    }
}
