package org.opensatchel.web.decision;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface DecisionRepository extends Repository<Decision, Long> {

    Optional<Decision> findById(long id);

    @Query("select d from Decision d where d.handInId in :handIns and d.undoneAt is null order by d.id")
    List<Decision> of(Collection<Long> handIns);

    @Query("select d from Decision d join HandIn h on h.id = d.handInId where h.assignmentId = :assignment and d.undoneAt is null order by d.id")
    List<Decision> ofAssignment(long assignment);

    Decision saveAndFlush(Decision decision);
}
