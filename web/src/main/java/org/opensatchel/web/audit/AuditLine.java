package org.opensatchel.web.audit;

import java.time.Instant;
import org.opensatchel.web.text.Speech;

/**
 * A line of the log, for pages.
 *
 * @param who the name of who did it; empty when they are gone
 * @param enrolment whose hand-in it is about; null for nobody's
 * @param handIn null for none
 * @param number of the hand-in; null for none
 * @param detail what a line from before there were facts says; empty for others
 * @param facts the facts, as they are kept; null for a line from before, and for one that has none
 */
public record AuditLine(Instant at, String who, Long enrolment, Long handIn, Integer number, AuditAction what, String detail,
        String facts) {

    /** What it says beside its deed, in the language of who reads it. */
    public String said() {
        return facts == null ? detail : Detail.read(facts).said(Speech.words());
    }
}
