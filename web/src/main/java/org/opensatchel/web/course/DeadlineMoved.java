package org.opensatchel.web.course;

/**
 * Something is due at another time than it was; said before the change is kept for good.
 *
 * @param enrolment whose, or {@link #EVERYBODY}
 */
public record DeadlineMoved(long assignment, long enrolment) {

    public static final long EVERYBODY = 0;
}
