package org.opensatchel.web.page;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.opensatchel.web.account.SignedIn;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.CourseService;
import org.opensatchel.web.handin.HandInService;
import org.opensatchel.web.handin.HandInView;
import org.opensatchel.web.handout.HandoutService;
import org.opensatchel.web.kit.KitService;
import org.opensatchel.web.location.LocationService;
import org.opensatchel.web.text.Speech;
import org.opensatchel.web.text.Times;
import org.springframework.security.core.Authentication;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.ModelAndView;

/**
 * Puts the path of the work on top of every page of an assignment, with its live counts. Pages name the assignment and the
 * step they are; they know nothing of the others.
 */
@Component
class PathBand implements HandlerInterceptor {

    private final CourseService courses;
    private final KitService kits;
    private final HandoutService handouts;
    private final LocationService locations;
    private final HandInService handIns;
    private final Times times;

    PathBand(CourseService courses, KitService kits, HandoutService handouts, LocationService locations, HandInService handIns, Times times) {
        this.courses = courses;
        this.kits = kits;
        this.handouts = handouts;
        this.locations = locations;
        this.handIns = handIns;
        this.times = times;
    }

    /** One step; state is {@code done}, {@code begun} or {@code open}. */
    record Step(String key, String title, String count, String address, String state) {
    }

    @Override
    public void postHandle(HttpServletRequest request, HttpServletResponse response, Object handler, ModelAndView page) {
        boolean whole = page != null && page.hasView() && page.getViewName() != null && !page.getViewName().startsWith("redirect:") && !page.getViewName().contains("::");
        if (!whole || !(request.getUserPrincipal() instanceof Authentication authentication) || !(authentication.getPrincipal() instanceof SignedIn me)) {
            return;
        }
        page.addObject("me", me);
        if (page.getModel().get("assignment") instanceof AssignmentView assignment && page.getModel().containsKey("step")) {
            boolean teaches = courses.teaches(assignment.id(), me.accountId());
            page.addObject("workPath", teaches ? instructor(assignment, courses.mayPlan(assignment.id(), me.accountId())) : student(assignment, me));
        }
    }

    /** @param plans whether the plan may be opened; who assists sees no link to it */
    private List<Step> instructor(AssignmentView assignment, boolean plans) {
        String base = "/assignments/" + assignment.id();
        int students = courses.roster(assignment).size();
        int collected = handouts.held(assignment).size();
        int located = locations.current(assignment).size();
        Map<Long, HandInView> latest = handIns.latest(assignment);
        long ready = latest.values().stream().filter(handIn -> "ready".equals(handIn.verdict())).count();
        long fix = latest.values().stream().filter(handIn -> "fix".equals(handIn.verdict()) || "blocked".equals(handIn.verdict())).count();
        List<Step> steps = new ArrayList<>();
        if (plans) {
            steps.add(kits.current(assignment).map(kit -> new Step("plan", Speech.say("band.plan"), Speech.say("band.kit", kit.kit().version()), base + "/plan", "done"))
                    .orElse(new Step("plan", Speech.say("band.plan"), Speech.say("band.no-kit"), base + "/plan", "open")));
        }
        steps.add(new Step("hand-out", Speech.say("band.hand-out"), Speech.say("band.have", collected, students), base + "/hand-out", state(collected, students)));
        steps.add(new Step("locate", Speech.say("band.locate"), Speech.say("band.set", located, students), base + "/locations", state(located, students)));
        steps.add(new Step("check", Speech.say("band.check"), Speech.say("band.handed-in", latest.size()), base + "/check", state(latest.size(), students)));
        steps.add(new Step("review", Speech.say("band.review"), Speech.say("band.ready", ready, fix), base + "/review", state((int) ready, students)));
        return steps;
    }

    private static String state(int done, int all) {
        return done == 0 ? "open" : done >= all ? "done" : "begun";
    }

    private List<Step> student(AssignmentView assignment, SignedIn me) {
        CourseService.Place place = courses.forStudent(assignment.id(), me.accountId());
        String base = "/assignments/" + assignment.id();
        HandoutService.Held held = handouts.held(assignment).get(place.student().enrolmentId());
        boolean located = locations.current(assignment).containsKey(place.student().enrolmentId());
        List<HandInView> own = handIns.ofStudent(place);
        return List.of(
                new Step("kit", Speech.say("collect.title"), held == null ? Speech.say("word.not-yet") : Speech.say("band.held", held.version(), times.brief(held.since())), base + "/kit", held == null ? "open" : "done"),
                new Step("location", Speech.say("location.title"), Speech.say(located ? "band.located" : "locations.not-set"), base + "/location", located ? "done" : "open"),
                new Step("hand-in", Speech.say("hand-in.title"), own.isEmpty() ? Speech.say("home.due", times.brief(assignment.dueAt())) : Speech.say("hand-in.number", own.get(0).number(), times.brief(own.get(0).receivedAt())),
                        base + "/hand-in", own.isEmpty() ? "open" : "done"));
    }
}
