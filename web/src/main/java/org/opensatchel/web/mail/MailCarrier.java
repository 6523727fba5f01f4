package org.opensatchel.web.mail;

/** Whoever takes mails away: a mail server, or the stand-in that only keeps them. */
interface MailCarrier {

    /** What became of a mail that was given away. */
    enum Given {
        TAKEN, SERVER_AWAY, ADDRESS_REFUSED, UNSURE
    }

    /** Gives a mail away; never throws. */
    Given give(MailView mail);

    /** Whether mails leave this machine. */
    boolean leaves();
}
