package org.opensatchel.web.handin;

import java.time.Instant;

/**
 * A hand-in for pages and other features.
 *
 * @param state {@code WAITING}, {@code CHECKING}, {@code DONE} or {@code FAILED}
 * @param verdict {@code ready}, {@code fix} or {@code blocked}; null until it is checked
 * @param marks as {@link Summary} writes them
 * @param seam one letter a link, as {@link Summary} writes them
 */
public record HandInView(long id, long assignmentId, long enrolmentId, int number, String fileName, long bytes, Instant receivedAt, String state, long filesDone, long bytesDone,
        String verdict, int must, int should, int note, String marks, String seam, int links) {

    public boolean isDone() {
        return state.equals("DONE");
    }

    public boolean isFailed() {
        return state.equals("FAILED");
    }
}
