package org.opensatchel.web.text;

import java.text.MessageFormat;
import java.util.Locale;
import org.opensatchel.core.words.Words;
import org.springframework.context.MessageSource;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.support.AbstractMessageSource;

/** The words of pages, from the same bundles and in the same syntax as everything else that is said. */
@Configuration
class SpeechConfiguration {

    /** Templates' {@code #{key(values)}}. */
    @Bean
    MessageSource messageSource() {
        return new AbstractMessageSource() {
            @Override
            protected String getMessageInternal(String code, Object[] values, Locale locale) {
                Words words = Speech.in(locale == null ? Locale.ENGLISH : locale);
                return code != null && words.has(code) ? words.fill(code, values == null ? new Object[0] : values) : null;
            }

            @Override
            protected MessageFormat resolveCode(String code, Locale locale) {
                // Everything is said above; the other syntax is not used.
                return null;
            }
        };
    }
}
