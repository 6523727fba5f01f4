package org.opensatchel.web.report;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Locale;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.opensatchel.web.text.Speech;
import org.springframework.context.i18n.LocaleContextHolder;

/** How sure a proposal is, as people say it. */
class LikelihoodTest {

    @ParameterizedTest
    @CsvSource({"1, Almost certainly", "0.9, Almost certainly", "0.89, Probably", "0.5, Probably", "0.49, Perhaps", "0, Perhaps"})
    void aFigureIsAWord(double sure, String word) {
        LocaleContextHolder.setLocale(Locale.ENGLISH);
        try {
            assertThat(Speech.say(Likelihood.of(sure).say())).isEqualTo(word);
        } finally {
            LocaleContextHolder.resetLocaleContext();
        }
    }
}
