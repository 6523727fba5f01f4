package org.opensatchel.web.course;

import java.time.Instant;

/** An assignment and its course, for pages and other features. */
public record AssignmentView(long id, long courseId, String courseCode, String courseTitle, String code, String title, Instant dueAt) {

    static AssignmentView of(Assignment assignment) {
        return new AssignmentView(assignment.id(), assignment.course().id(), assignment.course().code(), assignment.course().title(),
                assignment.code(), assignment.title(), assignment.dueAt());
    }

    /** The course as it stands in headings. */
    public String course() {
        return courseCode + " " + courseTitle;
    }

    public String name() {
        return code + " " + title;
    }
}
