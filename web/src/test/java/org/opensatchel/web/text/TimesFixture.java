package org.opensatchel.web.text;

import java.time.Clock;

/** Words for times and sizes, by a clock of one's own. */
public final class TimesFixture {

    private TimesFixture() {
    }

    public static Times at(Clock clock) {
        return new Times(clock);
    }
}
