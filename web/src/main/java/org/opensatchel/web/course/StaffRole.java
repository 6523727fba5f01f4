package org.opensatchel.web.course;

import java.util.Locale;

/** What somebody of the staff may do in a course. */
public enum StaffRole {
    /** Plans, reviews, and says who owns, teaches and assists. */
    OWNER,
    /** Plans and reviews. */
    INSTRUCTOR,
    /** Reviews. */
    ASSISTANT;

    /** As the bundles of words call it. */
    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }
}
