package org.opensatchel.web.feedback;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Locale;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.opensatchel.web.text.Speech;
import org.springframework.context.i18n.LocaleContextHolder;

/** What a letter begins with says how many things follow, and an order only where there is one. */
class FeedbackWordsTest {

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
            "en|1|0|your hand-in 2 of A1 was checked. One thing must be fixed:",
            "en|1|1|your hand-in 2 of A1 was checked. One thing must be fixed, and one should be. It is quickest in this order:",
            "en|2|0|your hand-in 2 of A1 was checked. 2 things must be fixed. It is quickest in this order:",
            "en|3|4|your hand-in 2 of A1 was checked. 3 things must be fixed, and 4 should be. It is quickest in this order:",
            "de|1|0|deine Abgabe 2 zu A1 wurde geprüft. Eine Sache ist zu beheben:",
            "de|1|2|deine Abgabe 2 zu A1 wurde geprüft. Eine Sache ist zu beheben, 2 sollten behoben werden. Am schnellsten geht es in dieser Reihenfolge:"})
    void anOrderIsNamedWhereThereIsOne(Locale language, int must, int should, String said) {
        try {
            LocaleContextHolder.setLocale(language);
            assertThat(Speech.say("slip.fix", "2", "A1", must, should)).isEqualTo(said);
        } finally {
            LocaleContextHolder.resetLocaleContext();
        }
    }
}
