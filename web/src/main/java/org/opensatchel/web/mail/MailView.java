package org.opensatchel.web.mail;

import java.time.Instant;

/**
 * A mail, for pages and other features.
 *
 * @param trouble what went wrong last; null for nothing
 * @param sent null until it is sent
 * @param notBefore when it goes, while it is queued
 */
public record MailView(long id, Letter.Kind kind, long enrolment, String address, String subject, String body, State state, Trouble trouble,
        int tries,
        Instant queued, Instant sent, Instant notBefore) {

    /** How far it is. */
    public enum State {
        QUEUED, SENDING, SENT, FAILED, UNSURE, CANCELLED;

        /** Whether it is on its way, or has gone. */
        public boolean isGoing() {
            return this == QUEUED || this == SENDING || this == SENT;
        }
    }

    /** What can go wrong. */
    public enum Trouble {
        /** The mail server cannot be reached, or refuses us. */
        SERVER,
        /** The mail server does not take the address. */
        ADDRESS,
        /** It broke off while the mail was given away. */
        BROKE_OFF
    }
}
