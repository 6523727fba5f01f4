package org.opensatchel.web.course;

import java.security.SecureRandom;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.opensatchel.base.text.Shortened;
import org.opensatchel.core.roster.RosterChange;
import org.opensatchel.core.roster.RosterLine;
import org.opensatchel.core.roster.TeamPlan;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The teams of an assignment: set by hand, drawn, or read from a column. What is set replaces what was. */
@Service
class TeamService {

    static final int LONGEST = 40;
    private static final SecureRandom RANDOM = new SecureRandom();

    private final CourseService courses;
    private final TeamRows teams;

    TeamService(CourseService courses, TeamRows teams) {
        this.courses = courses;
        this.teams = teams;
    }

    /** Sets the teams of the students named by enrolment; who is not named, or with no team, works alone. */
    @Transactional
    void set(AssignmentView assignment, Map<Long, String> wanted) {
        Map<Long, String> known = new LinkedHashMap<>();
        courses.roster(assignment).forEach(student -> {
            String name = wanted.getOrDefault(student.enrolmentId(), "").strip();
            if (!name.isEmpty()) {
                known.put(student.enrolmentId(), Shortened.cut(name, LONGEST));
            }
        });
        teams.put(assignment.id(), known);
    }

    /** Draws teams of at most {@code size} out of everybody on the roster. */
    @Transactional
    void draw(AssignmentView assignment, int size) {
        set(assignment, TeamPlan.draw(courses.roster(assignment).stream().map(Student::enrolmentId).toList(), size, RANDOM));
    }

    /** Sets what a table's column says; who it does not name keeps their team. */
    @Transactional
    TeamPlan.Column fromColumn(AssignmentView assignment, List<RosterLine> lines) {
        List<Student> roster = courses.roster(assignment);
        TeamPlan.Column column = TeamPlan.column(roster.stream().map(student -> new RosterChange.Known(student.enrolmentId(),
                student.last(), student.first(), student.number(), student.section())).toList(), lines);
        Map<Long, String> wanted = new LinkedHashMap<>();
        roster.forEach(student -> wanted.put(student.enrolmentId(), column.teams().getOrDefault(student.enrolmentId(), student.team())));
        set(assignment, wanted);
        return column;
    }
}
