package org.opensatchel.web.review;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.opensatchel.core.location.LocationJudge;
import org.opensatchel.web.course.Student;
import org.opensatchel.web.decision.DecisionView;
import org.opensatchel.web.handin.HandInService;
import org.opensatchel.web.handin.HandInView;
import org.opensatchel.web.handout.HandoutService;
import org.opensatchel.web.judging.Tally;
import org.opensatchel.web.location.SetLocation;

/**
 * One student's row of the class board.
 *
 * @param late by how much what they handed in came too late
 * @param checked their own checks before that
 * @param isNew whether it came, or was checked, since whoever looks at the board opened it
 * @param sent when it was last sent back with what to fix
 * @param older whether it was checked by a kit that is not the newest
 */
public record BoardRow(Student student, Optional<HandInView> handIn, Tally tally, Optional<HandoutService.Held> held, boolean outdated,
        Optional<SetLocation> location, Optional<Duration> late, Optional<HandInService.PreChecks> checked, boolean isNew,
        Optional<DecisionView> decision, Optional<Instant> sent, Optional<Tally.Points> points, boolean older) {

    /** The verdict as the board tells it: what was decided comes before what was found. */
    public String told() {
        if (handIn.isEmpty()) {
            return "none";
        }
        if (!handIn.get().isDone()) {
            return handIn.get().isFailed() ? "failed" : "checking";
        }
        return decision.filter(DecisionView::isAccepted).filter(accepted -> !handIn.get().told().equals("ready")).isPresent() ? "accepted"
                : handIn.get().told();
    }

    /** Checked, not in order, and nobody said anything about it yet. */
    public boolean waits() {
        boolean open = handIn.filter(HandInView::isDone).filter(one -> !one.told().equals("ready")).isPresent();
        return open && decision.isEmpty() && sent.isEmpty();
    }

    public Marks marks() {
        return Marks.of(handIn.map(HandInView::marks).orElse(List.of()));
    }

    public Seam seam() {
        return Seam.of(handIn.map(HandInView::seam).orElse(""), handIn.map(HandInView::links).orElse(0));
    }

    /** What of the location's path a short column has room for: where the project's folder lies. */
    public String place() {
        List<String> parts = location.map(set -> LocationJudge.parts(set.path())).orElse(List.of());
        String folder = parts.isEmpty() ? "" : parts.get(Math.max(0, parts.size() - 2));
        return folder.substring(folder.lastIndexOf('/') + 1);
    }

    /** How bad the location is: by the check of what was handed in, and before that by what was said of it when it was set. */
    public String placeMark() {
        if (handIn.filter(HandInView::isDone).isPresent() && !marks().location().isClean()) {
            return marks().location().severity();
        }
        return location.map(set -> set.must() > 0 ? "must" : set.should() > 0 ? "should" : "ready").orElse("");
    }
}
