package org.opensatchel.web.home;

import java.time.Clock;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.opensatchel.core.report.PlanFound;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.CourseService;
import org.opensatchel.web.course.Deadline;
import org.opensatchel.web.home.PathBand.Step;
import org.opensatchel.web.home.StudentSteps.Judged;
import org.opensatchel.web.home.StudentSteps.Steps;
import org.opensatchel.web.kit.KitService;
import org.opensatchel.web.text.Speech;
import org.opensatchel.web.text.Times;
import org.springframework.stereotype.Component;

/** A student's first page: every assignment with its steps, what is next, when it is due, and what is new. */
@Component
class MyWork {

    private final CourseService courses;
    private final KitService kits;
    private final BagRows bags;
    private final StudentSteps steps;
    private final StudentPath path;
    private final Times times;
    private final Clock clock;

    MyWork(CourseService courses, KitService kits, BagRows bags, StudentSteps steps, StudentPath path, Times times, Clock clock) {
        this.courses = courses;
        this.kits = kits;
        this.bags = bags;
        this.steps = steps;
        this.path = path;
        this.times = times;
        this.clock = clock;
    }

    /**
     * An assignment on the first page.
     *
     * @param due when it is due, as a person would say it
     * @param pressing {@code over} when the time is up and nothing is handed in, {@code near} in the last two days, else empty
     * @param next what to do now; absent when all is done
     * @param news what changed since they last looked
     * @param bag the plan with what was in it; null before there is one
     */
    record Line(AssignmentView assignment, String due, String pressing, List<Step> path, Optional<Step> next, List<String> news,
            SmallBag bag) {}

    /** What has something to do first, the soonest due on top; what is done below it. */
    List<Line> of(long account) {
        Map<Long, Steps> own = steps.of(account).stream().collect(Collectors.toMap(Steps::assignment, Function.identity()));
        Map<Long, PlanFound> found = bags.newest(account);
        List<Line> open = new ArrayList<>();
        List<Line> done = new ArrayList<>();
        courses.attendedBy(account).stream().filter(assignment -> own.containsKey(assignment.id()))
                .sorted(java.util.Comparator.comparing(AssignmentView::dueAt))
                .map(assignment -> line(assignment, own.get(assignment.id()), bag(assignment, account, found)))
                .forEach(line -> (line.next.isPresent() ? open : done).add(line));
        open.addAll(done);
        return open;
    }

    /** Where an assignment opens: at what is to be done next, or at the hand-ins when all is done. */
    String nextAddress(long assignment, long account) {
        AssignmentView own = courses.forStudent(assignment, account).assignment();
        return steps.of(account, assignment).flatMap(at -> path.next(own, at)).map(Step::address)
                .orElse("/assignments/" + assignment + "/hand-in");
    }

    private SmallBag bag(AssignmentView assignment, long account, Map<Long, PlanFound> found) {
        return kits.current(assignment).map(kit -> SmallBag.of(kit.kit(),
                courses.forStudent(assignment.id(), account).student().fields(assignment), Optional.ofNullable(found.get(assignment.id()))))
                .orElse(null);
    }

    private Line line(AssignmentView assignment, Steps own, SmallBag bag) {
        Optional<Step> next = path.next(assignment, own);
        return new Line(assignment, due(assignment.deadline(), own), pressing(assignment.deadline(), own, next), path.path(assignment, own),
                next, news(own), bag);
    }

    /** In 3 days, Monday, 30 November 2026, 19:31; of what was handed in late, by how much. */
    private String due(Deadline deadline, Steps own) {
        String day = times.full(deadline.at(), deadline.zone());
        Optional<Duration> late = own.handIn().flatMap(handIn -> deadline.late(handIn.at()));
        if (late.isPresent()) {
            return Speech.say("my-work.late", day, times.span(late.get()));
        }
        return Speech.say(deadline.isOver(clock.instant()) ? "my-work.was-due" : "my-work.due", times.away(deadline.at()), day);
    }

    private String pressing(Deadline deadline, Steps own, Optional<Step> next) {
        if (next.isEmpty()) {
            return "";
        }
        if (deadline.isOver(clock.instant())) {
            return own.handIn().isPresent() ? "" : "over";
        }
        return deadline.isOver(clock.instant().plus(Duration.ofDays(2))) ? "near" : "";
    }

    private static List<String> news(Steps own) {
        List<String> out = new ArrayList<>();
        if (own.newest().filter(kit -> isNew(own, kit.at())).isPresent() && (own.held().isEmpty() || own.isOutdated())) {
            int version = own.newest().get().number();
            out.add(Speech.say(own.held().isEmpty() ? "my-work.kit" : "my-work.new-kit", version));
        }
        own.handIn().filter(handIn -> handIn.judged().filter(at -> isNew(own, at)).isPresent())
                .ifPresent(handIn -> out.add(checked(handIn)));
        return out;
    }

    private static String checked(Judged handIn) {
        return Speech.say("my-work.checked", handIn.number(), Speech.say("verdict." + handIn.verdict()));
    }

    private static boolean isNew(Steps own, java.time.Instant at) {
        return own.looked().isEmpty() || at.isAfter(own.looked().get());
    }
}
