package org.opensatchel.web.report;

import java.util.Comparator;
import java.util.stream.Stream;
import org.opensatchel.web.course.CourseService.Membership;
import org.opensatchel.web.handin.HandInService;
import org.opensatchel.web.handin.HandInView;
import org.opensatchel.web.location.TiedLinks;
import org.springframework.stereotype.Component;

/** What a student's last check, or hand-in, found of links that are tied to one place; of very many links, among those that are drawn. */
@Component
class LinksOfLastCheck implements TiedLinks {

    private final HandInService handIns;

    LinksOfLastCheck(HandInService handIns) {
        this.handIns = handIns;
    }

    @Override
    public int tied(Membership place) {
        return Stream.concat(handIns.preChecks(place).stream(), handIns.ofStudent(place).stream()).filter(HandInView::isDone)
                .max(Comparator.comparing(HandInView::receivedAt)).map(last -> tied(last, place)).orElse(0);
    }

    private int tied(HandInView checked, Membership place) {
        return (int) handIns.digest(new HandInService.Shown(checked, place, false, true)).head().links().stream()
                .filter(link -> link.outcome().equals("pinned")).count();
    }
}
