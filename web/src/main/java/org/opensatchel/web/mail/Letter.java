package org.opensatchel.web.mail;

import java.util.Optional;

/**
 * A mail that somebody wants sent.
 *
 * @param sentOnce what it is: of two letters that are the same only the first is sent
 * @param handIn the hand-in it is about, if it is about one
 */
public record Letter(String sentOnce, Kind kind, long assignment, long enrolment, Optional<Long> handIn, String address, String subject,
        String body) {

    /** What mails are for. */
    public enum Kind {
        SLIP, REMINDER
    }
}
