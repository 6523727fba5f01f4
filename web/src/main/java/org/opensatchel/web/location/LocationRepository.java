package org.opensatchel.web.location;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface LocationRepository extends Repository<LocationEntry, Long> {

    @Query(nativeQuery = true, value = "select * from (select distinct on (enrolment_id, computer) * from project_location where assignment_id = :assignmentId order by enrolment_id, computer, set_at desc, id desc) newest where not given_up order by enrolment_id, computer, id")
    List<LocationEntry> current(long assignmentId);

    /** The same of some students. */
    @Query(nativeQuery = true, value = "select * from (select distinct on (enrolment_id, computer) * from project_location where assignment_id = :assignmentId and enrolment_id in (:enrolmentIds) order by enrolment_id, computer, set_at desc, id desc) newest where not given_up order by enrolment_id, computer, id")
    List<LocationEntry> currentOf(long assignmentId, Collection<Long> enrolmentIds);

    @Query("select l from LocationEntry l where l.assignmentId = :assignmentId and l.enrolmentId = :enrolmentId order by l.setAt desc, l.id desc limit 50")
    List<LocationEntry> history(long assignmentId, long enrolmentId);

    LocationEntry save(LocationEntry entry);
}
