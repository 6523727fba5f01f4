package org.opensatchel.web.text;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.TimeZone;
import org.opensatchel.core.words.Words;
import org.springframework.context.i18n.LocaleContextHolder;
import org.springframework.context.i18n.TimeZoneAwareLocaleContext;
import org.springframework.stereotype.Component;

/** Times and sizes as pages show them. */
@Component
public class Times {

    private static final long WEEK = 7L * 24 * 3600;
    private static final Duration DAYS_FROM = Duration.ofHours(36);
    private static final Duration HOURS_FROM = Duration.ofMinutes(100);

    private final Clock clock;

    Times(Clock clock) {
        this.clock = clock;
    }

    /** The zone that the times of a page are in: that of its course, where it has one. */
    public ZoneId zone() {
        return LocaleContextHolder.getLocaleContext() instanceof TimeZoneAwareLocaleContext page && page.getTimeZone() != null
                ? page.getTimeZone().toZoneId()
                : clock.getZone();
    }

    /** What people call the zone of a page. */
    public String zoneName() {
        return name(zone());
    }

    /** A zone as people write it: the place it is named by, or UTC. */
    private static String name(ZoneId zone) {
        return zone.normalized().equals(ZoneOffset.UTC) ? "UTC" : zone.getId().replace('_', ' ');
    }

    /** Has the times of the page that is being made said in a zone. */
    public static void in(ZoneId zone) {
        LocaleContextHolder.setTimeZone(TimeZone.getTimeZone(zone));
    }

    /** Weekday and time within a week, else the date. */
    public String brief(Instant time) {
        boolean near = Math.abs(time.getEpochSecond() - clock.instant().getEpochSecond()) < WEEK;
        return written(near ? "time.near" : "time.day", time);
    }

    public String full(Instant time) {
        return full(time, zone());
    }

    /** A time as it is in a zone, which is said where it is not that of the page. */
    public String full(Instant time, ZoneId zone) {
        return written("time.full", time, zone) + (zone.equals(zone()) ? "" : " (" + name(zone) + ")");
    }

    /** The same in a language that is not that of the page, for what may be read elsewhere: the zone is always said. */
    public static String full(Instant time, ZoneId zone, Words words) {
        return DateTimeFormatter.ofPattern(words.plain("time.full"), words.locale()).format(time.atZone(zone)) + " (" + name(zone) + ")";
    }

    /** How far off a time is, in the largest unit that says enough: in 3 days, 2 hours ago. */
    public String away(Instant time) {
        Duration away = Duration.between(clock.instant(), time);
        return Speech.say(away.isNegative() ? "time.ago" : "time.in", span(away.abs()));
    }

    /** A length of time in its largest unit: 3 days, 2 hours, 5 minutes. */
    public String span(Duration length) {
        if (length.compareTo(DAYS_FROM) >= 0) {
            return Speech.say("time.days", Math.round(length.toHours() / 24.0));
        }
        return length.compareTo(HOURS_FROM) >= 0 ? Speech.say("time.hours", Math.round(length.toMinutes() / 60.0))
                : Speech.say("time.minutes", Math.max(1, length.toMinutes()));
    }

    /** The same where there is little room: 3 d, 2 h, 5 min. */
    public String brief(Duration length) {
        if (length.compareTo(DAYS_FROM) >= 0) {
            return Speech.say("time.short-days", Math.round(length.toHours() / 24.0));
        }
        return length.compareTo(HOURS_FROM) >= 0 ? Speech.say("time.short-hours", Math.round(length.toMinutes() / 60.0))
                : Speech.say("time.short-minutes", Math.max(1, length.toMinutes()));
    }

    private String written(String pattern, Instant time) {
        return written(pattern, time, zone());
    }

    /** By the pattern that the language has for it. */
    private static String written(String pattern, Instant time, ZoneId zone) {
        Words words = Speech.words();
        return DateTimeFormatter.ofPattern(words.plain(pattern), words.locale()).format(time.atZone(zone));
    }

    /** Bytes in the unit a person would use. */
    public String size(long bytes) {
        return Speech.words().size(bytes);
    }
}
