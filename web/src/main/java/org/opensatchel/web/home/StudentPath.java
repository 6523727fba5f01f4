package org.opensatchel.web.home;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.home.PathBand.Step;
import org.opensatchel.web.home.StudentSteps.Judged;
import org.opensatchel.web.home.StudentSteps.Steps;
import org.opensatchel.web.text.Speech;
import org.opensatchel.web.text.Times;
import org.springframework.stereotype.Component;

/** The four steps of a student in words: collect, place, check, hand in. Each says how it is, and not only that something was done. */
@Component
class StudentPath {

    private final Times times;
    private final Clock clock;

    StudentPath(Times times, Clock clock) {
        this.times = times;
        this.clock = clock;
    }

    List<Step> path(AssignmentView assignment, Steps own) {
        String base = "/assignments/" + assignment.id();
        return List.of(step("kit", "collect.title", kit(own), base + "/kit", own.isOutdated() ? "begun" : state(own.held().isPresent())),
                step("location", "location.title", place(own), base + "/location",
                        own.toFix() > 0 ? "fix" : state(own.places() > 0)),
                step("check", "pre-check.title", own.check().map(this::judged).orElseGet(StudentPath::notYet), base + "/pre-check",
                        own.check().map(StudentPath::state).orElse("open")),
                step("hand-in", "hand-in.title", handIn(assignment, own), base + "/hand-in",
                        own.handIn().map(StudentPath::state).orElse("open")));
    }

    /** The first step that is not done, as somebody would be asked to do it; empty when all is done. */
    Optional<Step> next(AssignmentView assignment, Steps own) {
        if (own.newest().isEmpty() || assignment.deadline().isClosed(clock.instant())) {
            return Optional.empty();
        }
        String base = "/assignments/" + assignment.id();
        boolean handedIn = own.handIn().isPresent();
        if (handedIn && own.handIn().get().verdict().equals("ready")) {
            return Optional.empty();
        }
        if (handedIn && !own.handIn().get().verdict().isEmpty()) {
            Instant sent = own.handIn().get().at();
            boolean moved = own.toFix() == 0 && own.placed().filter(at -> at.isAfter(sent)).isPresent();
            Optional<Judged> since = own.check().filter(check -> check.at().isAfter(moved ? own.placed().get() : sent));
            if (moved && since.isEmpty()) {
                return Optional.of(todo("next.check-moved", base + "/pre-check"));
            }
            if (since.filter(check -> check.verdict().equals("ready")).isPresent()) {
                return Optional.of(todo("next.hand-in-again", base + "/hand-in"));
            }
            return Optional.of(todo("next.fix", "/hand-ins/" + own.handIn().get().id(), own.handIn().get().must()));
        }
        if (own.held().isEmpty()) {
            return Optional.of(todo("next.collect", base + "/kit"));
        }
        if (own.places() == 0 || own.toFix() > 0) {
            return Optional.of(todo(own.places() == 0 ? "next.place" : "next.place-fix", base + "/location"));
        }
        boolean checked = own.check().filter(check -> check.verdict().equals("ready")).isPresent();
        if (!checked) {
            return Optional.of(todo(own.check().isPresent() ? "next.check-again" : "next.check", base + "/pre-check"));
        }
        return handedIn ? Optional.empty() : Optional.of(todo("next.hand-in", base + "/hand-in"));
    }

    private static Step todo(String key, String address, Object... values) {
        return step("next", key, "", address, "open", values);
    }

    private static Step step(String key, String title, String count, String address, String state, Object... values) {
        return new Step(key, Speech.say(title, values), count, address, state);
    }

    private String kit(Steps own) {
        if (own.held().isEmpty()) {
            return own.newest().isEmpty() ? Speech.say("band.no-kit") : notYet();
        }
        int held = own.held().get().number();
        return own.isOutdated() ? Speech.say("band.outdated", held, own.newest().get().number())
                : Speech.say("band.held", held, times.brief(own.held().get().at()));
    }

    private static String place(Steps own) {
        if (own.toFix() > 0) {
            return Speech.say("band.place-to-fix");
        }
        return own.places() == 0 ? Speech.say("locations.not-set") : Speech.say("band.located", own.places());
    }

    private String judged(Judged check) {
        String verdict = check.verdict().isEmpty() ? Speech.say("check.running") : Speech.say("verdict." + check.verdict());
        return Speech.say("band.checked", verdict, times.brief(check.at()));
    }

    private String handIn(AssignmentView assignment, Steps own) {
        if (own.handIn().isPresent()) {
            return Speech.say("hand-in.number", own.handIn().get().number(), times.brief(own.handIn().get().at()));
        }
        if (own.sent() > 0) {
            return Speech.say("hand-in.withdrawn");
        }
        return assignment.deadline().isOver(clock.instant()) ? Speech.say("band.overdue", times.away(assignment.dueAt()))
                : Speech.say("home.due", times.away(assignment.dueAt()));
    }

    private static String notYet() {
        return Speech.say("word.not-yet");
    }

    private static String state(boolean done) {
        return done ? "done" : "open";
    }

    /** Done is what is ready; what has to be mended is only begun. */
    private static String state(Judged sent) {
        return sent.verdict().equals("ready") ? "done" : sent.verdict().isEmpty() ? "begun" : "fix";
    }
}
