package org.opensatchel.web.checks;

import java.time.Clock;
import java.util.Collection;
import java.util.Optional;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.handin.HandInService.Shown;
import org.opensatchel.web.handin.HandInView;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Has hand-ins checked, and says when it is their turn. */
@Service
public class CheckService {

    private final CheckRows rows;
    private final CheckQueue queue;
    private final CheckRunner runner;
    private final Clock clock;

    CheckService(CheckRows rows, CheckQueue queue, CheckRunner runner, Clock clock) {
        this.rows = rows;
        this.queue = queue;
        this.runner = runner;
        this.clock = clock;
    }

    /** There will be something to check when the transaction that runs now is committed. */
    public void expect() {
        runner.wakeAfterCommit();
    }

    /** How large a project is at a glance, by its entries, and by what it unpacks to in bytes: small ones are checked first. */
    public static int weight(long entries, long bytes) {
        return FairQueue.weight(entries, bytes);
    }

    /**
     * Has a check made again, from the beginning: by an instructor at any time, by a student when it could not be made.
     *
     * @param newest whether by the newest version of the kit, instead of the one that was held
     */
    @Transactional
    public boolean again(Shown shown, boolean newest) {
        boolean may = shown.handIn().isFailed() || (shown.byInstructor() && shown.handIn().isDone());
        boolean put = may && rows.again(shown.handIn().id(), clock.instant(), newest && shown.byInstructor());
        if (put) {
            runner.wakeAfterCommit();
        }
        return put;
    }

    /** Has the hand-ins of some students that count checked again; how many of them are. */
    @Transactional
    public int checkAgain(AssignmentView assignment, Collection<Long> enrolments, boolean newest) {
        int begun = enrolments.isEmpty() ? 0 : rows.countingAgain(assignment.id(), enrolments, clock.instant(), newest);
        if (begun > 0) {
            runner.wakeAfterCommit();
        }
        return begun;
    }

    /** How many checks are begun before this one; empty when it is not waiting. */
    public Optional<Integer> placeInQueue(HandInView handIn) {
        return handIn.isWaiting() ? queue.place(handIn.id()) : Optional.empty();
    }
}
