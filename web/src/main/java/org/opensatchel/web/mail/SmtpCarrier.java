package org.opensatchel.web.mail;

import jakarta.mail.AuthenticationFailedException;
import jakarta.mail.MessagingException;
import jakarta.mail.internet.AddressException;
import jakarta.mail.internet.MimeMessage;
import java.net.ConnectException;
import java.nio.charset.StandardCharsets;
import org.eclipse.angus.mail.smtp.SMTPAddressFailedException;
import org.eclipse.angus.mail.smtp.SMTPSendFailedException;
import org.eclipse.angus.mail.util.MailConnectException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.mail.MailAuthenticationException;
import org.springframework.mail.MailException;
import org.springframework.mail.MailSendException;
import org.springframework.mail.javamail.JavaMailSender;
import org.springframework.mail.javamail.MimeMessageHelper;

/** Gives mails to a mail server (SMTP, RFC 5321). */
class SmtpCarrier implements MailCarrier {

    private static final Logger LOG = LoggerFactory.getLogger(SmtpCarrier.class);

    /** Answers of mail servers that say no for now, and for good (RFC 5321, section 4.2.1). */
    private static final int TRANSIENT = 400;
    private static final int PERMANENT = 500;

    private final JavaMailSender server;
    private final String from;

    SmtpCarrier(JavaMailSender server, String from) {
        this.server = server;
        this.from = from;
    }

    @Override
    public Given give(MailView mail) {
        try {
            MimeMessage message = server.createMimeMessage();
            MimeMessageHelper helper = new MimeMessageHelper(message, false, StandardCharsets.UTF_8.name());
            helper.setFrom(from);
            helper.setTo(mail.address());
            // A line break would begin another header.
            helper.setSubject(mail.subject().replaceAll("[\\r\\n]+", " "));
            helper.setText(mail.body());
            // Automatic answers would come back to nobody (RFC 3834, section 5).
            message.setHeader("Auto-Submitted", "auto-generated");
            server.send(message);
            return Given.TAKEN;
        } catch (MailAuthenticationException refused) {
            LOG.warn("the mail server refuses us: {}", refused.getMessage());
            return Given.SERVER_AWAY;
        } catch (MailSendException failed) {
            LOG.warn("mail {} was not sent: {}", mail.id(), failed.getMessage());
            return because(failed);
        } catch (MessagingException | MailException unwritable) {
            LOG.warn("mail {} cannot be written: {}", mail.id(), unwritable.getMessage());
            return Given.ADDRESS_REFUSED;
        }
    }

    /** Only where it is certain that nothing was taken it may be tried again. */
    private static Given because(MailSendException failed) {
        Throwable why = failed.getMessageExceptions().length > 0 ? failed.getMessageExceptions()[0] : failed.getCause();
        for (Throwable at = why; at != null; at = at instanceof MessagingException next && next.getNextException() != null
                ? next.getNextException()
                : at.getCause()) {
            if (at instanceof MailConnectException || at instanceof ConnectException || at instanceof AuthenticationFailedException) {
                return Given.SERVER_AWAY;
            }
            if (at instanceof SMTPAddressFailedException || at instanceof AddressException) {
                return Given.ADDRESS_REFUSED;
            }
            if (at instanceof SMTPSendFailedException refused && refused.getReturnCode() >= PERMANENT) {
                return Given.ADDRESS_REFUSED;
            }
            if (at instanceof SMTPSendFailedException later && later.getReturnCode() >= TRANSIENT) {
                return Given.SERVER_AWAY;
            }
        }
        return why == null ? Given.SERVER_AWAY : Given.UNSURE;
    }

    @Override
    public boolean leaves() {
        return true;
    }
}
