package org.opensatchel.web.review;

import org.opensatchel.web.judging.JudgingService;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.KitReader;
import org.opensatchel.core.report.Score;
import org.opensatchel.web.account.SignedIn;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.CourseService;
import org.opensatchel.web.course.Student;
import org.opensatchel.web.decision.DecisionService;
import org.opensatchel.web.handin.HandInService;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** A rule of points, tried on the class before the kit with it is published. Nothing is kept of it. */
@RestController
class PointsController {

    private final CourseService courses;
    private final HandInService handIns;
    private final DecisionService decisions;
    private final JudgingService judging;

    PointsController(CourseService courses, HandInService handIns, DecisionService decisions, JudgingService judging) {
        this.judging = judging;
        this.courses = courses;
        this.handIns = handIns;
        this.decisions = decisions;
    }

    /** The plan as it stands on the page. */
    record Sent(String document) {}

    /**
     * What came of it.
     *
     * @param good whether the plan can be read and gives points
     * @param of how many points there are by the rule
     * @param unread how many projects could not be read, which earn nothing that could be told
     */
    record Answer(boolean good, int of, int unread, List<Row> rows) {}

    /**
     * One student.
     *
     * @param now what is earned by the kit as it is; null where that gives no points
     * @param given whether somebody gave points by hand, which stay as they are
     * @param taken what is taken off of each part, by its name
     */
    record Row(String name, BigDecimal now, Integer nowOf, BigDecimal then, boolean given, Map<String, BigDecimal> taken) {}

    @PostMapping("/assignments/{id}/plan/points")
    Answer points(@PathVariable long id, @RequestBody Sent sent, @AuthenticationPrincipal SignedIn me) {
        AssignmentView assignment = courses.forPlanner(id, me.accountId());
        Optional<Kit.Points> rule = KitReader.read(Objects.requireNonNullElse(sent.document(), "").getBytes(StandardCharsets.UTF_8)).kit()
                .flatMap(Kit::points);
        if (rule.isEmpty()) {
            return new Answer(false, 0, 0, List.of());
        }
        List<JudgingService.Earned> earned = judging.earned(assignment, rule.get());
        var given = decisions.given(earned.stream().map(JudgingService.Earned::handInId).toList());
        Map<Long, JudgingService.Earned> byStudent = earned.stream()
                .collect(Collectors.toMap(JudgingService.Earned::enrolmentId, Function.identity()));
        List<Row> rows = courses.roster(assignment).stream().filter(student -> byStudent.containsKey(student.enrolmentId()))
                .flatMap(student -> row(student, byStudent.get(student.enrolmentId()), given.keySet()).stream()).toList();
        return new Answer(true, rule.get().total(), (int) earned.stream().filter(one -> one.then().isEmpty()).count(), rows);
    }

    private static Optional<Row> row(Student student, JudgingService.Earned one, Set<Long> given) {
        return one.then()
                .map(then -> new Row(student.listed(), one.now().map(Score::earned).orElse(null), one.now().map(Score::of).orElse(null),
                        then.earned(), given.contains(one.handInId()),
                        then.parts().stream().collect(Collectors.toMap(Score.Part::part, Score.Part::taken))));
    }
}
