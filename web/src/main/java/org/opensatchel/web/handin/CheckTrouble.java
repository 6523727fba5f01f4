package org.opensatchel.web.handin;

import java.time.Duration;
import org.opensatchel.worker.WorkOutcome.Reason;
import org.springframework.stereotype.Component;

/** What is told of a check that could not be made: what it needed, and whose fault that is. */
@Component
class CheckTrouble {

    private final CheckSettings settings;

    CheckTrouble(CheckSettings settings) {
        this.settings = settings;
    }

    /** Whether the project wants more than a check may take; everything else is our fault. */
    boolean isOfSize(String failure) {
        return failure != null && Reason.valueOf(failure).isOfSize();
    }

    String sentence(String failure) {
        return switch (Reason.valueOf(failure == null ? Reason.BROKE.name() : failure)) {
            case TIME -> "It could not be checked: it needs more than the " + spoken(settings.time()) + " that a check may take.";
            case MEMORY -> "It could not be checked: it needs more than the " + settings.heap().toMegabytes() + " MB of memory that a check may take.";
            case OUTPUT -> "It could not be checked: its report needs more than the " + settings.output().toMegabytes() + " MB that can be kept.";
            case DIED -> "It could not be checked: the check ended before it was done, more than once.";
            case BROKE -> "Our check broke on this project.";
            case STORE -> "We cannot read what was handed in at the moment.";
        };
    }

    private static String spoken(Duration time) {
        long minutes = time.toMinutes();
        return minutes == 1 ? "minute" : minutes > 1 ? minutes + " minutes" : time.toSeconds() + " seconds";
    }
}
