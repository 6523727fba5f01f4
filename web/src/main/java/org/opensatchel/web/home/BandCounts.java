package org.opensatchel.web.home;

import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** What the band on top of every page counts for whoever plans and reviews: one question. */
@Component
class BandCounts {

    private static final String INSTRUCTOR = """
            with here as (
              select e.id from enrolment e join assignment a on a.course_id = e.course_id where a.id = :assignment and e.left_at is null),
            given as (
              select c.enrolment_id from collection c join kit_version k on k.id = c.kit_version_id where k.assignment_id = :assignment
              union
              select l.enrolment_id from drive_load l join kit_version k on k.id = l.kit_version_id where k.assignment_id = :assignment),
            last as (
              select l.* from here cross join lateral (select h.id, h.verdict, h.should, h.doubts from hand_in h where h.assignment_id = :assignment
                and h.enrolment_id = here.id and h.counts_since is not null order by h.counts_since desc limit 1) l)
            select t.role as role,
              (select max(version) from kit_version where assignment_id = :assignment) as version,
              (select count(*) from here) as students,
              (select count(*) from given where enrolment_id in (select id from here)) as held,
              (select count(distinct enrolment_id) from (
                select distinct on (enrolment_id, computer) enrolment_id, given_up from project_location
                where assignment_id = :assignment and enrolment_id in (select id from here)
                order by enrolment_id, computer, set_at desc, id desc) place where not given_up) as located,
              (select count(*) from last) as handed,
              (select count(*) from last where verdict = 'ready' and should = 0 and doubts = 0) as ready,
              (select count(*) from last where verdict = 'ready' and (should > 0 or doubts > 0)) as tidy,
              (select count(*) from last where verdict in ('fix', 'blocked')) as fix,
              (select count(*) from last where exists (select 1 from slip s where s.hand_in_id = last.id and s.sent_at is not null)) as sent
            from course_instructor t join assignment a on a.course_id = t.course_id
            where a.id = :assignment and t.account_id = :account""";

    private final JdbcClient database;

    BandCounts(JdbcClient database) {
        this.database = database;
    }

    /** @param version the kit's newest version, absent before the first
     * @param tidy how many hand-ins are ready with something to tidy, or with doubts */
    record Teaching(boolean plans, Optional<Integer> version, int students, int held, int located, int handedIn, int ready, int tidy,
            int toFix, int sent) {}

    /** The counts for somebody who teaches the course of an assignment; empty for who does not. */
    @Transactional(readOnly = true)
    public Optional<Teaching> teaching(long assignment, long account) {
        return database.sql(INSTRUCTOR).param("assignment", assignment).param("account", account)
                .query((row, number) -> new Teaching(!"ASSISTANT".equals(row.getString("role")),
                        Optional.ofNullable(row.getObject("version", Integer.class)), row.getInt("students"), row.getInt("held"),
                        row.getInt("located"), row.getInt("handed"), row.getInt("ready"), row.getInt("tidy"), row.getInt("fix"),
                        row.getInt("sent")))
                .optional();
    }
}
