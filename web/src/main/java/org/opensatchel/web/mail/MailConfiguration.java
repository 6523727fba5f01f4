package org.opensatchel.web.mail;

import org.springframework.beans.factory.ObjectProvider;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.mail.javamail.JavaMailSender;

/** With {@code spring.mail.host} mails go to that server; without one they are kept here, to be read on the pages. */
@Configuration
class MailConfiguration {

    @Bean
    MailCarrier mailCarrier(ObjectProvider<JavaMailSender> server, @Value("${satchel.mail.from}") String from) {
        JavaMailSender there = server.getIfAvailable();
        return there != null ? new SmtpCarrier(there, from) : new MailCarrier() {
            @Override
            public Given give(MailView mail) {
                return Given.TAKEN;
            }

            @Override
            public boolean leaves() {
                return false;
            }
        };
    }
}
