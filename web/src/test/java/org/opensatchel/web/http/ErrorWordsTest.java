package org.opensatchel.web.http;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Locale;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.context.i18n.LocaleContextHolder;

/** Every error has a heading and says what to do, in each language. */
class ErrorWordsTest {

    @BeforeEach
    void english() {
        LocaleContextHolder.setLocale(Locale.ENGLISH);
    }

    @AfterEach
    void none() {
        LocaleContextHolder.resetLocaleContext();
    }

    @ParameterizedTest
    @ValueSource(ints = {400, 401, 403, 404, 405, 406, 408, 409, 413, 415, 418, 422, 429, 500, 502, 503, 507})
    void eachHasWords(int status) {
        for (Locale language : new Locale[]{Locale.ENGLISH, Locale.GERMAN}) {
            LocaleContextHolder.setLocale(language);
            ErrorWords words = ErrorWords.of(status);
            assertThat(words.title()).doesNotContain("error.", "{").isNotBlank();
            assertThat(words.sentence()).doesNotContain("error.", "{").endsWith(".");
        }
    }

    /** Where the machine has too much to do, nothing is said of a database that is well. */
    @Test
    void busyIsNotAway() {
        assertThat(ErrorWords.of(503).title() + ErrorWords.of(503).sentence()).containsIgnoringCase("database");
        assertThat(ErrorWords.busy().title() + ErrorWords.busy().sentence()).doesNotContainIgnoringCase("database")
                .containsIgnoringCase("again");
    }
}
