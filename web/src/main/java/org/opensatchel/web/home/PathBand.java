package org.opensatchel.web.home;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import org.opensatchel.web.account.SignedIn;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.text.Speech;
import org.springframework.core.annotation.Order;
import org.springframework.security.core.Authentication;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.ModelAndView;

/**
 * Puts the path of the work on top of every page of an assignment, with its live counts. Pages name the assignment and the
 * step they are; they know nothing of the others.
 */
@Order(0)
@Component
class PathBand implements HandlerInterceptor {

    private final BandCounts counts;
    private final StudentSteps steps;
    private final StudentPath studying;
    private final Clock clock;

    PathBand(BandCounts counts, StudentSteps steps, StudentPath studying, Clock clock) {
        this.counts = counts;
        this.steps = steps;
        this.studying = studying;
        this.clock = clock;
    }

    /** One step; state is {@code done}, {@code begun} or {@code open}. */
    record Step(String key, String title, String count, String address, String state) {}

    @Override
    public void postHandle(HttpServletRequest request, HttpServletResponse response, Object handler, ModelAndView page) {
        boolean whole = page != null && page.hasView() && page.getViewName() != null && !page.getViewName().startsWith("redirect:")
                && !page.getViewName().contains("::");
        if (!whole || !(request.getUserPrincipal() instanceof Authentication authentication)
                || !(authentication.getPrincipal() instanceof SignedIn me)) {
            return;
        }
        page.addObject("me", me);
        if (page.getModel().get("assignment") instanceof AssignmentView assignment && page.getModel().containsKey("step")) {
            String base = "/assignments/" + assignment.id();
            page.addObject("workPath", counts.teaching(assignment.id(), me.accountId()).map(counted -> instructor(base, counted))
                    .or(() -> steps.of(me.accountId(), assignment.id()).map(own -> looked(assignment, me, own)))
                    .orElse(List.of()));
        }
    }

    private List<Step> looked(AssignmentView assignment, SignedIn me, StudentSteps.Steps own) {
        steps.looked(me.accountId(), assignment.id(), clock.instant());
        return studying.path(assignment, own);
    }

    /** Who assists sees no link to the plan. */
    private static List<Step> instructor(String base, BandCounts.Teaching counted) {
        int students = counted.students();
        List<Step> steps = new ArrayList<>();
        if (counted.plans()) {
            steps.add(counted.version()
                    .map(version -> new Step("plan", Speech.say("band.plan"), Speech.say("band.kit", version), base + "/plan", "done"))
                    .orElse(new Step("plan", Speech.say("band.plan"), Speech.say("band.no-kit"), base + "/plan", "open")));
        }
        steps.add(new Step("hand-out", Speech.say("band.hand-out"), Speech.say("band.have", counted.held(), students), base + "/hand-out",
                state(counted.held(), students)));
        steps.add(new Step("locate", Speech.say("band.locate"), Speech.say("band.set", counted.located(), students), base + "/locations",
                state(counted.located(), students)));
        steps.add(new Step("check", Speech.say("band.check"), Speech.say("band.handed-in", counted.handedIn()), base + "/check",
                state(counted.handedIn(), students)));
        steps.add(new Step("review", Speech.say("band.review"), Speech.say("band.ready", counted.ready(), counted.tidy(), counted.toFix()),
                base + "/review", state(counted.ready() + counted.tidy(), students)));
        steps.add(new Step("return", Speech.say("band.return"), Speech.say("band.sent", counted.sent()), base + "/return",
                state(counted.sent(), counted.toFix() + counted.tidy())));
        return steps;
    }

    private static String state(int done, int all) {
        return done == 0 ? "open" : done >= all ? "done" : "begun";
    }
}
