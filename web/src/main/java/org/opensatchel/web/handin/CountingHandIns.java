package org.opensatchel.web.handin;

/** The hand-ins that count, for questions to the database about a whole class. */
public final class CountingHandIns {

    /** Names them {@code counting (id, enrolment_id)}: of each student one, found by one step in an index, however many were handed in. */
    public static final String SQL = """
            with counting as (
              select l.id, e.id as enrolment_id
              from assignment a join enrolment e on e.course_id = a.course_id
              cross join lateral (
                select h.id from hand_in h where h.assignment_id = a.id and h.enrolment_id = e.id and h.counts_since is not null
                order by h.counts_since desc limit 1) l
              where a.id = :assignment)
            """;

    private CountingHandIns() {
    }
}
