package org.opensatchel.web.text;

import java.time.Clock;
import java.time.Instant;
import java.time.format.DateTimeFormatter;
import org.opensatchel.core.words.Words;
import org.springframework.stereotype.Component;

/** Times and sizes as pages show them. */
@Component
public class Times {

    private static final long WEEK = 7L * 24 * 3600;

    private final Clock clock;

    Times(Clock clock) {
        this.clock = clock;
    }

    /** Weekday and time within a week, else the date. */
    public String brief(Instant time) {
        boolean near = Math.abs(time.getEpochSecond() - clock.instant().getEpochSecond()) < WEEK;
        return written(near ? "time.near" : "time.day", time);
    }

    public String full(Instant time) {
        return written("time.full", time);
    }

    /** By the pattern that the language has for it. */
    private String written(String pattern, Instant time) {
        Words words = Speech.words();
        return DateTimeFormatter.ofPattern(words.plain(pattern), words.locale()).format(time.atZone(clock.getZone()));
    }

    /** Bytes in the unit a person would use. */
    public String size(long bytes) {
        return Speech.words().size(bytes);
    }
}
