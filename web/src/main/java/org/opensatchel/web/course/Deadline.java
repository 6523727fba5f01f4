package org.opensatchel.web.course;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.Optional;

/**
 * When somebody has to hand in, and what becomes of it afterwards.
 *
 * @param at the time they were told; an extension of their own is in it
 * @param grace how long after that a hand-in still counts as in time
 * @param zone the time zone of the course, in which its times are said
 */
public record Deadline(Instant at, Duration grace, AfterDue after, ZoneId zone) {

    /** By how much something came too late; empty when it was in time, or nobody minds. */
    public Optional<Duration> late(Instant came) {
        boolean inTime = after == AfterDue.OPEN || !came.isAfter(at.plus(grace));
        return inTime ? Optional.empty() : Optional.of(Duration.between(at, came));
    }

    public boolean isClosed(Instant now) {
        return after == AfterDue.CLOSED && now.isAfter(at.plus(grace));
    }

    public boolean isOver(Instant now) {
        return now.isAfter(at);
    }

    /** The same time of day so many days later, as clocks there show it, also where they are changed in between; to the minute. */
    public LocalDateTime daysLater(int days) {
        return LocalDateTime.ofInstant(at, zone).plusDays(days).truncatedTo(ChronoUnit.MINUTES);
    }

    Deadline extended(Instant later) {
        return new Deadline(later, grace, after, zone);
    }
}
