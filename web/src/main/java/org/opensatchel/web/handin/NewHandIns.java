package org.opensatchel.web.handin;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import org.opensatchel.base.text.Shortened;
import org.opensatchel.web.course.CourseService.Membership;
import org.opensatchel.web.storage.ContentStore.Stored;
import org.opensatchel.web.storage.Contents;
import org.opensatchel.web.storage.PartialContent.Wanted;
import org.opensatchel.web.storage.Purpose;
import org.opensatchel.web.storage.SatchelProperties;
import org.opensatchel.worker.WorkOrder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Numbers new hand-ins and keeps them, as a part of the transaction in which their contents become somebody's. */
@Service
public class NewHandIns {

    private static final int LONGEST_NAME = 300;

    private final HandInRepository handIns;
    private final HandInRows rows;
    private final Contents contents;
    private final Clock clock;
    private final int kept;

    NewHandIns(HandInRepository handIns, HandInRows rows, Contents contents, SatchelProperties properties, Clock clock) {
        this.handIns = handIns;
        this.rows = rows;
        this.contents = contents;
        this.clock = clock;
        this.kept = Math.max(1, properties.quotas().kept());
    }

    /**
     * What somebody sent.
     *
     * @param stored what came, as it is kept
     * @param bytes how long it is; of a folder, all its files
     * @param weight how large a project it is, at a glance
     */
    public record New(HandInKind kind, WorkOrder.Form form, String name, Stored stored, long bytes, Instant when, int weight) {}

    /** Keeps one, to be checked by a version of the kit; the oldest that nobody needs any more go. */
    @Transactional(propagation = Propagation.MANDATORY)
    public long add(Membership place, New sent, long kitVersion) {
        long assignment = place.assignment().id();
        long student = place.student().enrolmentId();
        rows.lockNumbers(student);
        contents.own(sent.stored, Purpose.HAND_IN, place.assignment().courseId(), place.student().accountId());
        int number = handIns.lastNumber(assignment, student, sent.kind) + 1;
        HandIn handIn = handIns
                .save(new HandIn(sent.kind, sent.form, assignment, student, number, cut(sent.name), sent.stored.sha256(), sent.bytes,
                        sent.when, kitVersion, clock.instant(), sent.weight));
        rows.removeOldest(assignment, student, sent.kind, number - kept);
        return handIn.id();
    }

    /** Says which contents a folder consists of, which are its own from now on. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void consists(long handIn, Membership place, List<Wanted> files) {
        rows.consists(handIn, files.stream().map(Wanted::sha256).toArray(String[]::new),
                files.stream().map(Wanted::bytes).toArray(Long[]::new));
        contents.ownAll(files, Purpose.HAND_IN, place.assignment().courseId(), place.student().accountId());
    }

    private static String cut(String name) {
        return Shortened.end(name.replace("\0", ""), LONGEST_NAME);
    }
}
