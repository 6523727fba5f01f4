package org.opensatchel.web.location;

import java.util.List;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface LocationRepository extends Repository<LocationEntry, Long> {

    @Query("select l from LocationEntry l where l.assignmentId = :assignmentId and l.enrolmentId = :enrolmentId order by l.setAt desc, l.id desc limit 50")
    List<LocationEntry> history(long assignmentId, long enrolmentId);

    LocationEntry save(LocationEntry entry);
}
