package org.opensatchel.web.decision;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface GivenPointsRepository extends Repository<GivenPoints, Long> {

    Optional<GivenPoints> findById(long id);

    @Query("select g from GivenPoints g where g.handInId in :handIns and g.undoneAt is null order by g.id")
    List<GivenPoints> of(Collection<Long> handIns);

    @Query("select g from GivenPoints g join HandIn h on h.id = g.handInId where h.assignmentId = :assignment and g.undoneAt is null order by g.id")
    List<GivenPoints> ofAssignment(long assignment);

    GivenPoints saveAndFlush(GivenPoints points);
}
