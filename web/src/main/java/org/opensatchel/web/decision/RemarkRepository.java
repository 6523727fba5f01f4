package org.opensatchel.web.decision;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface RemarkRepository extends Repository<Remark, Long> {

    Optional<Remark> findById(long id);

    @Query("select r from Remark r where r.handInId in :handIns and r.removedAt is null order by r.id")
    List<Remark> of(Collection<Long> handIns);

    Remark saveAndFlush(Remark remark);
}
