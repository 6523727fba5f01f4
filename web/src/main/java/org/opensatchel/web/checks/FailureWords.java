package org.opensatchel.web.checks;

import java.time.Duration;
import org.opensatchel.web.text.Speech;
import org.opensatchel.worker.WorkOutcome.Reason;
import org.springframework.stereotype.Component;

/** What is told of a check that could not be made: what it needed, and whose fault that is. */
@Component
public class FailureWords {

    private final CheckSettings settings;

    FailureWords(CheckSettings settings) {
        this.settings = settings;
    }

    /** Whether the project wants more than a check may take; everything else is our fault. */
    public boolean isOfSize(String failure) {
        return failure != null && Reason.valueOf(failure).isOfSize();
    }

    public String sentence(String failure) {
        return switch (Reason.valueOf(failure == null ? Reason.BROKE.name() : failure)) {
            case TIME -> Speech.say("trouble.time", spoken(settings.time()));
            case MEMORY -> Speech.say("trouble.memory", settings.heap().toMegabytes());
            case OUTPUT -> Speech.say("trouble.output", settings.output().toMegabytes());
            case DIED -> Speech.say("trouble.died");
            case BROKE, STOPPED -> Speech.say("trouble.broke");
            case STORE -> Speech.say("trouble.store");
        };
    }

    private static String spoken(Duration time) {
        long minutes = time.toMinutes();
        return Speech.say("trouble.span", minutes, time.toSeconds());
    }
}
