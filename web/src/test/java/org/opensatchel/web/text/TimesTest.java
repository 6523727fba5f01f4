package org.opensatchel.web.text;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.context.i18n.LocaleContextHolder;

/** A zone is said by the name people have for it, wherever a time is read. */
class TimesTest {

    private static final Instant TIME = Instant.parse("2026-12-01T08:30:00Z");

    private final Times times = TimesFixture.at(Clock.fixed(TIME, ZoneOffset.UTC));

    @AfterEach
    void noZone() {
        LocaleContextHolder.resetLocaleContext();
    }

    @ParameterizedTest
    @CsvSource({"Z, UTC", "Etc/UTC, UTC", "UTC, UTC", "GMT, UTC", "Europe/Vienna, Europe/Vienna", "America/New_York, America/New York"})
    void aZoneIsCalledWhatPeopleCallIt(ZoneId zone, String name) {
        Times.in(zone);
        assertThat(times.zoneName()).isEqualTo(name);
        assertThat(Times.full(TIME, zone, Speech.words())).endsWith(" (" + name + ")");
    }

    @ParameterizedTest
    @CsvSource({"Europe/Vienna, Europe/Vienna, ''", "Europe/Vienna, Etc/UTC, ' (UTC)'", "Etc/UTC, America/New_York, ' (America/New York)'"})
    void itIsSaidWhereItIsNotThatOfThePage(ZoneId page, ZoneId zone, String said) {
        Times.in(page);
        String full = times.full(TIME, zone);
        assertThat(full.substring(full.length() - said.length())).isEqualTo(said);
        assertThat(full.contains("(")).isEqualTo(!said.isEmpty());
    }
}
