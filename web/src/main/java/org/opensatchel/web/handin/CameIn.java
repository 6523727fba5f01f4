package org.opensatchel.web.handin;

import org.opensatchel.worker.WorkOrder;

/**
 * What came with a hand-in, for whoever reads it.
 *
 * @param sha256 the content it is kept as
 * @param kitVersion the version of the kit that it is checked by next, or was checked by
 */
public record CameIn(long id, long assignment, long enrolment, String sha256, WorkOrder.Form form, long kitVersion) {}
