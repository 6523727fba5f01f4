package org.opensatchel.web.kit;

import java.util.Optional;
import org.springframework.data.domain.Page;
import org.springframework.data.domain.Pageable;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface KitVersionRepository extends Repository<KitVersion, Long> {

    @Query("select v.id from KitVersion v where v.assignmentId = :assignmentId order by v.version desc limit 1")
    Optional<Long> newest(long assignmentId);

    @Query("select v.id from KitVersion v where v.assignmentId = :assignmentId and v.version = :number")
    Optional<Long> numbered(long assignmentId, int number);

    @Query("select max(v.version) from KitVersion v where v.assignmentId = :assignmentId")
    Optional<Integer> newestVersion(long assignmentId);

    @Query("select v.id from KitVersion v where v.assignmentId = :assignmentId order by v.version desc")
    Page<Long> ids(long assignmentId, Pageable page);

    Optional<KitVersion> findById(long id);

    KitVersion saveAndFlush(KitVersion version);
}
