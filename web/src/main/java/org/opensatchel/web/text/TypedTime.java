package org.opensatchel.web.text;

import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.zone.ZoneOffsetTransition;
import java.util.Optional;

/**
 * A time as somebody typed it, on the clocks of a zone.
 *
 * @param at empty for what is no time there
 * @param refusal why it is none, as a sentence; empty otherwise
 */
public record TypedTime(Optional<Instant> at, Optional<String> refusal) {

    /** Whoever types another year means something else. */
    private static final int FIRST_YEAR = 2000;
    private static final int LAST_YEAR = 2100;

    /** Reads {@code 2026-12-01T09:00}, as a field of a browser gives it (HTML, section 2.3.5.5). */
    public static TypedTime read(String typed, ZoneId zone) {
        LocalDateTime local;
        try {
            local = LocalDateTime.parse(typed.strip());
        } catch (DateTimeException none) {
            return refused(Speech.say("time.none"));
        }
        if (local.getYear() < FIRST_YEAR || local.getYear() > LAST_YEAR) {
            return refused(Speech.say("time.far", Integer.toString(FIRST_YEAR), Integer.toString(LAST_YEAR)));
        }
        ZoneOffsetTransition change = zone.getRules().getTransition(local);
        if (change != null) {
            // When clocks are put forward an hour is left out, when they are put back one comes twice: which one is meant has to be said.
            LocalDateTime from = change.isGap() ? change.getDateTimeBefore() : change.getDateTimeAfter();
            LocalDateTime to = change.isGap() ? change.getDateTimeAfter() : change.getDateTimeBefore();
            return refused(
                    Speech.say(change.isGap() ? "time.never" : "time.twice", from.toLocalTime().toString(), to.toLocalTime().toString()));
        }
        return new TypedTime(Optional.of(local.atZone(zone).toInstant()), Optional.empty());
    }

    private static TypedTime refused(String why) {
        return new TypedTime(Optional.empty(), Optional.of(why));
    }
}
