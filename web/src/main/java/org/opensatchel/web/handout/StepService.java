package org.opensatchel.web.handout;

import java.io.IOException;
import java.io.InputStream;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.CourseService.Membership;
import org.opensatchel.web.course.NotAccessible;
import org.opensatchel.web.storage.Contents;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What the kit asks everybody to do once, and what each student says they did. */
@Service
public class StepService {

    private final StepConfirmationRepository confirmations;
    private final HeldRows held;
    private final Contents contents;
    private final Clock clock;

    StepService(StepConfirmationRepository confirmations, HeldRows held, Contents contents, Clock clock) {
        this.confirmations = confirmations;
        this.held = held;
        this.contents = contents;
        this.clock = clock;
    }

    /**
     * A step on a student's page.
     *
     * @param number its place in the kit, from 0
     * @param confirmed when it was confirmed
     */
    public record StudentStep(int number, Kit.Step step, Optional<Instant> confirmed) {
        public boolean isOpen() {
            return step.confirm() && confirmed.isEmpty();
        }
    }

    @Transactional(readOnly = true)
    public List<StudentStep> of(Membership place, Kit kit) {
        Map<String, Instant> done = confirmations.of(place.assignment().id(), place.student().enrolmentId()).stream()
                .collect(Collectors.toMap(StepConfirmation::step, StepConfirmation::confirmedAt));
        List<StudentStep> out = new ArrayList<>();
        for (Kit.Step step : kit.steps()) {
            out.add(new StudentStep(out.size(), step, Optional.ofNullable(done.get(step.key()))));
        }
        return out;
    }

    /** The keys of the steps that a student confirmed. */
    @Transactional(readOnly = true)
    public Set<String> confirmed(AssignmentView assignment, long enrolment) {
        return confirmations.of(assignment.id(), enrolment).stream().map(StepConfirmation::step).collect(Collectors.toSet());
    }

    @Transactional
    public void confirm(Membership place, Kit.Step step, boolean done) {
        if (done) {
            held.confirm(place.assignment().id(), place.student().enrolmentId(), step.key(), clock.instant());
        } else {
            confirmations.takeBack(place.assignment().id(), place.student().enrolmentId(), step.key());
        }
    }

    /** The picture of a step, which is a starter file of its kit. */
    public InputStream picture(AssignmentView assignment, Kit kit, Kit.Step step) throws IOException {
        Kit.StarterFile file = kit.starter().stream().filter(starter -> step.picture().filter(starter.path()::equals).isPresent())
                .findFirst()
                .orElseThrow(NotAccessible::new);
        return contents.starters(assignment.courseId()).open(file);
    }
}
