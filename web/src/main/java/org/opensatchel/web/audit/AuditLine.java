package org.opensatchel.web.audit;

import java.time.Instant;

/**
 * A line of the log, for pages.
 *
 * @param who the name of who did it; empty when they are gone
 * @param enrolment whose hand-in it is about; null for nobody's
 * @param handIn null for none
 * @param number of the hand-in; null for none
 */
public record AuditLine(Instant at, String who, Long enrolment, Long handIn, Integer number, Deed what, String detail) {}
