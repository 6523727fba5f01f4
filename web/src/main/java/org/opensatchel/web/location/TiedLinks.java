package org.opensatchel.web.location;

import org.opensatchel.web.course.CourseService.Membership;

/** What is known of the links of a student's project; told by whoever checks projects. */
public interface TiedLinks {

    /** How many links the last check found that open only where the project lay then. */
    int tied(Membership place);
}
