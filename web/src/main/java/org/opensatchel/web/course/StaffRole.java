package org.opensatchel.web.course;

/** What somebody of the staff may do in a course. */
public enum StaffRole {
    /** Plans, reviews, and says who owns, teaches and assists. */
    OWNER("owns it: plans, reviews, and says who teaches"),
    /** Plans and reviews. */
    INSTRUCTOR("plans and reviews"),
    /** Reviews. */
    ASSISTANT("assists: may review, not plan");

    private final String words;

    StaffRole(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }
}
