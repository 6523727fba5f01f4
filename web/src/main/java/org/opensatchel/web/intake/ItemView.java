package org.opensatchel.web.intake;

import java.util.Optional;

/** One person's work of an intake, for pages. */
record ItemView(int ordinal, String name, long enrolment, State state, Optional<String> trouble, Optional<Long> handIn) {

    /** What became of it. */
    enum State {
        OPEN, TAKEN, FAILED
    }
}
