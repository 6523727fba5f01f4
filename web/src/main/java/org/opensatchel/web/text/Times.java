package org.opensatchel.web.text;

import java.time.Clock;
import java.time.Instant;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import org.springframework.stereotype.Component;

/** Times and sizes as pages show them. */
@Component
public class Times {

    private static final DateTimeFormatter BRIEF = DateTimeFormatter.ofPattern("EEE HH:mm", Locale.ENGLISH);
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM HH:mm", Locale.ENGLISH);
    private static final DateTimeFormatter LONG = DateTimeFormatter.ofPattern("EEEE, d MMMM yyyy, HH:mm", Locale.ENGLISH);
    private static final long WEEK = 7L * 24 * 3600;

    private final Clock clock;

    Times(Clock clock) {
        this.clock = clock;
    }

    /** Weekday and time within a week, else the date. */
    public String brief(Instant time) {
        boolean near = Math.abs(time.getEpochSecond() - clock.instant().getEpochSecond()) < WEEK;
        return (near ? BRIEF : DAY).format(time.atZone(clock.getZone()));
    }

    public String full(Instant time) {
        return LONG.format(time.atZone(clock.getZone()));
    }

    /** Bytes in the unit a person would use. */
    public String size(long bytes) {
        if (bytes < 1_000) {
            return bytes + " bytes";
        }
        String[] units = {"kB", "MB", "GB", "TB"};
        double value = bytes / 1_000.0;
        int unit = 0;
        while (value >= 999.5 && unit < units.length - 1) {
            value /= 1_000;
            unit++;
        }
        return String.format(Locale.ROOT, value < 10 ? "%.1f %s" : "%.0f %s", value, units[unit]);
    }
}
