package org.opensatchel.web.audit;

/** What somebody did that the log keeps. */
public enum AuditAction {
    SAW, CHECKED_AGAIN, WAIVED, WEIGHED, REMARKED, ACCEPTED, RETURNED, GAVE_POINTS, TOOK_BACK, SENT, REMINDED, DOWNLOADED, TOOK_IN, GRADED
}
