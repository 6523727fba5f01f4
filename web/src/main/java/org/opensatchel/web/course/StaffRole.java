package org.opensatchel.web.course;

/** What somebody of the staff may do in a course. */
public enum StaffRole {
    /** Plans, reviews, and says who owns, teaches and assists. */
    OWNER("owner: plans, reviews and manages the staff"),
    /** Plans and reviews. */
    INSTRUCTOR("instructor: plans and reviews"),
    /** Reviews. */
    ASSISTANT("assistant: reviews, and cannot plan");

    private final String words;

    StaffRole(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }
}
