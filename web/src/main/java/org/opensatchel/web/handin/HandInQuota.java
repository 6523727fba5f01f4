package org.opensatchel.web.handin;

import java.time.Clock;
import java.util.Optional;
import org.opensatchel.web.course.CourseService.Membership;
import org.opensatchel.web.course.Deadline;
import org.opensatchel.web.kit.KitService;
import org.opensatchel.web.storage.ContentStore;
import org.opensatchel.web.storage.SatchelProperties;
import org.opensatchel.web.text.Speech;
import org.opensatchel.web.text.Times;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Whether there is room for one more hand-in: of the student, of the course, and on our disk. Asked before anything is sent. */
@Service
public class HandInQuota {

    private final HandInRows handIns;
    private final KitService kits;
    private final ContentStore store;
    private final SatchelProperties properties;
    private final Times times;
    private final Clock clock;

    HandInQuota(HandInRows handIns, KitService kits, ContentStore store, SatchelProperties properties, Times times, Clock clock) {
        this.handIns = handIns;
        this.kits = kits;
        this.store = store;
        this.properties = properties;
        this.times = times;
        this.clock = clock;
    }

    /** Why nothing can be handed in any more; empty when it can. */
    public Optional<String> closed(Membership place) {
        Deadline deadline = place.assignment().deadline();
        return deadline.isClosed(clock.instant()) ? Optional.of(Speech.say("hand-in.closed", times.full(deadline.at(), deadline.zone())))
                : Optional.empty();
    }

    /** How many bytes our disk takes now. */
    public long room() {
        return store.room();
    }

    /** Why so many bytes cannot be taken, as a sentence; empty when they can. */
    @Transactional(readOnly = true)
    public Optional<String> refusal(Membership place, long bytes) {
        if (kits.current(place.assignment()).isEmpty()) {
            return Optional.of(Speech.say("hand-in.not-yet"));
        }
        long own = properties.quotas().student().toBytes();
        long used = handIns.bytesOfStudent(place.student().enrolmentId());
        if (bytes > own - used) {
            return Optional.of(Speech.say("hand-in.own-room", times.size(used), times.size(own)));
        }
        if (bytes > properties.quotas().course().toBytes() - handIns.bytesOfCourse(place.assignment().courseId())) {
            return Optional.of(Speech.say("hand-in.course-room"));
        }
        return bytes > store.room() ? Optional.of(Speech.say("hand-in.no-room")) : Optional.empty();
    }
}
