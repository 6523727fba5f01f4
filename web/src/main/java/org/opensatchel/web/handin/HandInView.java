package org.opensatchel.web.handin;

import java.time.Instant;

/**
 * A hand-in for pages and other features.
 *
 * @param state {@code WAITING}, {@code CHECKING}, {@code DONE} or {@code FAILED}
 * @param verdict {@code ready}, {@code fix} or {@code blocked}; null until it is checked
 * @param marks as {@link org.opensatchel.core.report.Summary} writes them
 * @param failure why it could not be checked, as the worker's reasons are called; null when nothing went wrong
 * @param notBefore when it is tried again, where that is not at once
 * @param seam one letter a link, as it is written there
 */
public record HandInView(long id, long assignmentId, long enrolmentId, int number, String fileName, long bytes, Instant receivedAt,
        String state, long filesDone, long bytesDone,
        String verdict, int must, int should, int note, String marks, String seam, int links, String failure, Instant notBefore) {

    public boolean isDone() {
        return state.equals("DONE");
    }

    public boolean isFailed() {
        return state.equals("FAILED");
    }

    public boolean isWaiting() {
        return state.equals("WAITING");
    }
}
