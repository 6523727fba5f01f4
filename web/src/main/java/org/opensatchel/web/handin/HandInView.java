package org.opensatchel.web.handin;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.opensatchel.core.report.Verdict;
import org.opensatchel.worker.WorkOrder;

/**
 * A hand-in or a pre-check, for pages and other features.
 *
 * @param form what came: a project's archive, its folder, or the list of its files with its documents
 * @param countsSince since when it counts unless a later one does; null when it was withdrawn, and for pre-checks
 * @param verdict null until it is checked
 * @param marks as {@link org.opensatchel.core.report.Summary} writes them
 * @param doubts how many links of documents in no described format look broken
 * @param failure why it could not be checked, as the worker's reasons are called; null when nothing went wrong
 * @param notBefore when it is tried again, where that is not at once
 * @param seam one letter a link, as it is written there
 */
public record HandInView(long id, HandInKind kind, WorkOrder.Form form, Instant countsSince, long assignmentId, long enrolmentId,
        int number,
        String fileName, long bytes, Instant receivedAt,
        HandInState state, long filesDone, long bytesDone,
        Verdict verdict, int must, int should, int note, List<Integer> marks, String seam, int links, int doubts, String failure,
        Instant notBefore) {

    /** One made of the hand-in {@code h}, in a query; the report itself stays where it is. */
    static final String OF_H = """
            new org.opensatchel.web.handin.HandInView(h.id, h.kind, h.form, h.countsSince, h.assignmentId,
            h.enrolmentId, h.number, h.fileName, h.bytes, h.receivedAt, h.state, h.filesDone, h.bytesDone, h.verdict,
            h.must, h.should, h.note, h.markCounts, h.seam, h.links, h.doubts, h.failure, h.notBefore)""";

    public boolean isPreCheck() {
        return kind == HandInKind.PRE_CHECK;
    }

    /** Whether only a list of the files came, with the documents. */
    public boolean isListing() {
        return form == WorkOrder.Form.LISTING;
    }

    public boolean isWithdrawn() {
        return countsSince == null && !isPreCheck();
    }

    /** The verdict as it is told to people; null until it is checked. */
    public String told() {
        return verdict == null ? null : verdict.told(should, doubts).word();
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
        return state == HandInState.DONE;
    }

    public boolean isFailed() {
        return state == HandInState.FAILED;
    }

    public boolean isWaiting() {
        return state == HandInState.WAITING;
    }
}
