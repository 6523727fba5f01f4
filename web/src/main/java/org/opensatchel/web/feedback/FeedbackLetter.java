package org.opensatchel.web.feedback;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

/** What goes, or went, back to a student about a hand-in, as far as somebody changed it. */
@Entity
@Table(name = "slip")
class FeedbackLetter {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;
    private Long handInId;
    private String greeting;
    private String closing;
    private String texts;
    private Instant changedAt;
    private Long changedBy;
    private Instant sentAt;
    private Long sentBy;
    private String sentText;
    private Long mailId;

    protected FeedbackLetter() {
    }

    FeedbackLetter(long handIn) {
        this.handInId = handIn;
        this.texts = "{}";
    }

    Long id() {
        return id;
    }

    long handIn() {
        return handInId;
    }

    String greeting() {
        return greeting;
    }

    String closing() {
        return closing;
    }

    String texts() {
        return texts;
    }

    Instant sentAt() {
        return sentAt;
    }

    String sentText() {
        return sentText;
    }

    Long mailId() {
        return mailId;
    }

    void change(String itsGreeting, String itsClosing, String itsTexts, long by, Instant at) {
        greeting = itsGreeting;
        closing = itsClosing;
        texts = itsTexts;
        changedBy = by;
        changedAt = at;
    }

    void sent(String text, Long mail, long by, Instant at) {
        sentText = text;
        mailId = mail;
        sentBy = by;
        sentAt = at;
        changedAt = changedAt == null ? at : changedAt;
    }

    void notSent() {
        sentText = null;
        mailId = null;
        sentBy = null;
        sentAt = null;
    }
}
