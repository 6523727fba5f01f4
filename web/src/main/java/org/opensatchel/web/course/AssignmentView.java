package org.opensatchel.web.course;

import java.time.Instant;

/**
 * An assignment and its course, for pages and other features.
 *
 * @param deadline for a student their own, with what it was extended by
 * @param takesListing whether a list of the files with the documents may be handed in, and the media stay where they are
 * @param showsPreChecks whether instructors may read what students checked before handing in
 */
public record AssignmentView(long id, long courseId, String courseCode, String courseTitle, String code, String title,
        Deadline deadline, boolean takesListing, boolean showsPreChecks) {

    static AssignmentView of(Assignment assignment) {
        return new AssignmentView(assignment.id(), assignment.course().id(), assignment.course().code(), assignment.course().title(),
                assignment.code(), assignment.title(), assignment.deadline(), assignment.takesListing(),
                assignment.course().showsPreChecks());
    }

    AssignmentView extended(Instant later) {
        return new AssignmentView(id, courseId, courseCode, courseTitle, code, title, deadline.extended(later), takesListing,
                showsPreChecks);
    }

    public Instant dueAt() {
        return deadline.at();
    }

    /** The course as it stands in headings. */
    public String course() {
        return courseCode + " " + courseTitle;
    }

    public String name() {
        return code + " " + title;
    }
}
