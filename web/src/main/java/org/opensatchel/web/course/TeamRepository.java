package org.opensatchel.web.course;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

/** Who works with whom; teams are of one assignment and have no life of their own. */
interface TeamRepository extends Repository<Enrolment, Long> {

    @Query(nativeQuery = true, value = "select m.enrolment_id as enrolmentId, t.name as team from team t join team_member m on m.team_id = t.id where t.assignment_id = :assignment")
    List<Member> members(long assignment);

    @Query(nativeQuery = true, value = "select t.name from team t join team_member m on m.team_id = t.id where t.assignment_id = :assignment and m.enrolment_id = :enrolment")
    Optional<String> teamOf(long assignment, long enrolment);

    @Modifying
    @Query(nativeQuery = true, value = "delete from team_member where team_id in (select id from team where assignment_id = :assignment)")
    void removeMembers(long assignment);

    @Modifying
    @Query(nativeQuery = true, value = "delete from team where assignment_id = :assignment")
    void removeTeams(long assignment);

    @Modifying
    @Query(nativeQuery = true, value = "insert into team (assignment_id, name) values (:assignment, :name) on conflict do nothing")
    void add(long assignment, String name);

    @Modifying
    @Query(nativeQuery = true, value = "insert into team_member (team_id, enrolment_id) select id, :enrolment from team where assignment_id = :assignment and name = :name")
    void join(long assignment, String name, long enrolment);

    /** A student in a team. */
    interface Member {
        long getEnrolmentId();

        String getTeam();
    }
}
