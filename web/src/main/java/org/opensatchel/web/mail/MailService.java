package org.opensatchel.web.mail;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.data.domain.Page;
import org.springframework.data.domain.Pageable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Mail that is queued, sent once, and read again. */
@Service
@Transactional
public class MailService {

    private final MailRepository mails;
    private final MailCarrier carrier;
    private final Clock clock;
    private final Duration held;

    MailService(MailRepository mails, MailCarrier carrier, Clock clock, @Value("${satchel.mail.held}") Duration held) {
        this.mails = mails;
        this.carrier = carrier;
        this.clock = clock;
        this.held = held;
    }

    /** Queues a letter, to go after the time in which it can be taken back; empty when the same one is queued or sent already. */
    public Optional<Long> queue(Letter letter, long by) {
        if (mails.existsBySentOnce(letter.sentOnce())) {
            return Optional.empty();
        }
        Instant now = clock.instant();
        return Optional.of(mails.saveAndFlush(new Mail(letter, by, now, now.plus(held))).id());
    }

    /** Takes back what has not gone yet; how much of it that is. */
    public int cancel(Collection<Long> ids) {
        return ids.isEmpty() ? 0 : mails.cancel(ids);
    }

    /** Tries a mail once more that was not sent, or of which nobody knows. */
    public boolean again(long assignment, long mail) {
        return mails.again(mail, assignment, clock.instant()) == 1;
    }

    /** How long mails can be taken back. */
    public Duration held() {
        return held;
    }

    /** Whether mails leave this machine; otherwise they are only kept. */
    public boolean leaves() {
        return carrier.leaves();
    }

    @Transactional(readOnly = true)
    public Page<MailView> of(long assignment, Pageable page) {
        return mails.of(assignment, page).map(Mail::view);
    }

    /** What was sent to a student, or is about to be. */
    @Transactional(readOnly = true)
    public List<MailView> ofStudent(long assignment, long enrolment) {
        return mails.ofStudent(assignment, enrolment).stream().map(Mail::view).toList();
    }

    /** When each student was reminded last, by enrolment. */
    @Transactional(readOnly = true)
    public Map<Long, Instant> reminded(long assignment) {
        return mails.reminded(assignment).stream().collect(Collectors.toMap(MailRepository.Last::getEnrolment, MailRepository.Last::getAt));
    }
}
