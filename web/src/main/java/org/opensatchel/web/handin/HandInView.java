package org.opensatchel.web.handin;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.opensatchel.core.report.Verdict;

/**
 * A hand-in or a pre-check, for pages and other features.
 *
 * @param kind {@code HAND_IN} or {@code PRE_CHECK}
 * @param form {@code ZIP} for a project's archive, {@code LISTING} for the list of its files with its documents
 * @param countsSince since when it counts unless a later one does; null when it was withdrawn, and for pre-checks
 * @param state {@code WAITING}, {@code CHECKING}, {@code DONE} or {@code FAILED}
 * @param verdict {@code ready}, {@code fix} or {@code blocked}; null until it is checked
 * @param marks as {@link org.opensatchel.core.report.Summary} writes them
 * @param doubts how many links of documents in no described format look broken
 * @param failure why it could not be checked, as the worker's reasons are called; null when nothing went wrong
 * @param notBefore when it is tried again, where that is not at once
 * @param seam one letter a link, as it is written there
 */
public record HandInView(long id, String kind, String form, Instant countsSince, long assignmentId, long enrolmentId, int number,
        String fileName, long bytes, Instant receivedAt,
        String state, long filesDone, long bytesDone,
        String verdict, int must, int should, int note, String marks, String seam, int links, int doubts, String failure,
        Instant notBefore) {

    /** One made of the hand-in {@code h}, in a query; the report itself stays where it is. */
    static final String OF_H = """
            new org.opensatchel.web.handin.HandInView(h.id, cast(h.kind as string), cast(h.form as string), h.countsSince, h.assignmentId,
            h.enrolmentId, h.number, h.fileName, h.bytes, h.receivedAt, cast(h.state as string), h.filesDone, h.bytesDone, h.verdict,
            h.must, h.should, h.note, h.marks, h.seam, h.links, h.doubts, h.failure, h.notBefore)""";

    public boolean isPreCheck() {
        return kind.equals("PRE_CHECK");
    }

    /** Whether only a list of the files came, with the documents. */
    public boolean isListing() {
        return form.equals("LISTING");
    }

    public boolean isWithdrawn() {
        return countsSince == null && !isPreCheck();
    }

    /** The verdict as it is told to people; null until it is checked. */
    public String told() {
        return verdict == null ? null : Verdict.valueOf(verdict.toUpperCase(Locale.ROOT)).told(should, doubts).word();
    }

    /** Where its page is. */
    public String address() {
        return (isPreCheck() ? "/pre-checks/" : "/hand-ins/") + id;
    }

    /** Which of a student's hand-ins counts; none when all are withdrawn. */
    public static Optional<HandInView> counting(List<HandInView> handIns) {
        return handIns.stream().filter(one -> one.countsSince != null)
                .max(Comparator.comparing(HandInView::countsSince).thenComparing(HandInView::number));
    }

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
