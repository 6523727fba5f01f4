package org.opensatchel.web.checks;

import java.time.Duration;
import org.springframework.stereotype.Component;

/** How checks are going on this server, in seconds. */
@Component
public class CheckHealth {

    /** A place gives a sign of life every few seconds, whether it has something to do or not. */
    private static final Duration SILENT = Duration.ofSeconds(60);

    private final CheckQueue queue;
    private final CheckRunner runner;

    CheckHealth(CheckQueue queue, CheckRunner runner) {
        this.queue = queue;
        this.runner = runner;
    }

    public boolean isAlive() {
        return runner.silence().compareTo(SILENT) < 0;
    }

    public long silentSeconds() {
        return runner.silence().toSeconds();
    }

    /** How long the check that waits longest has waited; -1 when the database does not tell. */
    public long oldestWaitingSeconds() {
        try {
            return queue.longestWait().toSeconds();
        } catch (RuntimeException away) {
            return -1;
        }
    }
}
