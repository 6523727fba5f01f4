package org.opensatchel.web.decision;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface RulingRepository extends Repository<MadeRuling, Long> {

    Optional<MadeRuling> findById(long id);

    @Query("select r from MadeRuling r where r.assignmentId = :assignment and r.undoneAt is null order by r.id")
    List<MadeRuling> counting(long assignment);

    MadeRuling saveAndFlush(MadeRuling ruling);
}
