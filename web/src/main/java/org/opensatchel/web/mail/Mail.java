package org.opensatchel.web.mail;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;

/** One mail, from when it is queued on. */
@Entity
class Mail {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;
    private String sentOnce;
    @Enumerated(EnumType.STRING)
    private Letter.Kind kind;
    private Long assignmentId;
    private Long enrolmentId;
    private Long handInId;
    private String address;
    private String subject;
    private String body;
    @Enumerated(EnumType.STRING)
    private MailView.State state;
    private int tries;
    @Enumerated(EnumType.STRING)
    private MailView.Trouble trouble;
    private Instant queuedAt;
    private Long queuedBy;
    private Instant notBefore;
    private Instant claimedAt;
    private Instant sentAt;

    protected Mail() {
    }

    Mail(Letter letter, long queuedBy, Instant queuedAt, Instant notBefore) {
        this.sentOnce = letter.sentOnce();
        this.kind = letter.kind();
        this.assignmentId = letter.assignment();
        this.enrolmentId = letter.enrolment();
        this.handInId = letter.handIn().orElse(null);
        this.address = letter.address();
        this.subject = letter.subject();
        this.body = letter.body();
        this.state = MailView.State.QUEUED;
        this.queuedBy = queuedBy;
        this.queuedAt = queuedAt;
        this.notBefore = notBefore;
    }

    Long id() {
        return id;
    }

    MailView view() {
        return new MailView(id, kind, enrolmentId, address, subject, body, state, trouble, tries, queuedAt, sentAt, notBefore);
    }
}
