package org.opensatchel.web.http;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.ZoneId;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.RosterService.CourseView;
import org.opensatchel.web.text.Times;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.ModelAndView;

/** Has the times of a page said in the zone of the course that it is about, wherever the server stands. The last is asked first once a page is made: what others add has times too. */
@Order(Ordered.LOWEST_PRECEDENCE)
@Component
class PageZone implements HandlerInterceptor {

    @Override
    public void postHandle(HttpServletRequest request, HttpServletResponse response, Object handler, ModelAndView page) {
        if (page != null) {
            zone(page.getModel()).ifPresent(Times::in);
        }
    }

    private static Optional<ZoneId> zone(Map<String, Object> model) {
        if (model.get("assignment") instanceof AssignmentView assignment) {
            return Optional.of(assignment.deadline().zone());
        }
        return model.get("course") instanceof CourseView course && !course.timeZone().isEmpty()
                ? Optional.of(ZoneId.of(course.timeZone()))
                : Optional.empty();
    }
}
