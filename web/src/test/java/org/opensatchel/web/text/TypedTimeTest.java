package org.opensatchel.web.text;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.ZoneId;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Times as people type them: those there are, those that clocks leave out or show twice, and what is none. */
class TypedTimeTest {

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
            "2026-12-01T09:00 | Europe/Berlin | 2026-12-01T08:00:00Z",
            "2026-12-01T09:00 | America/New_York | 2026-12-01T14:00:00Z",
            "2026-03-29T01:59 | Europe/Berlin | 2026-03-29T00:59:00Z",
            "2026-03-29T03:00 | Europe/Berlin | 2026-03-29T01:00:00Z",
            "2026-10-25T03:00 | Europe/Berlin | 2026-10-25T02:00:00Z"})
    void aTimeIsThatOfItsZone(String typed, String zone, String at) {
        assertThat(TypedTime.read(typed, ZoneId.of(zone)).at().orElseThrow()).hasToString(at);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
            "2026-03-29T02:30 | put forward from 02:00 to 03:00",
            "2026-10-25T02:30 | between 02:00 and 03:00 comes twice",
            "2026-10-25T02:00 | comes twice",
            "+999999999-01-01T00:00 | one from 2000 to 2100",
            "1999-12-31T23:59 | one from 2000 to 2100",
            "tomorrow | Say a date",
            "'' | Say a date"})
    void whatIsNoneIsAskedAbout(String typed, String says) {
        TypedTime read = TypedTime.read(typed, ZoneId.of("Europe/Berlin"));
        assertThat(read.at()).isEmpty();
        assertThat(read.refusal().orElseThrow()).contains(says);
    }
}
