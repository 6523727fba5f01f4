package org.opensatchel.web.slip;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface SlipRepository extends Repository<Slip, Long> {

    Optional<Slip> findById(long id);

    @Query("select s from Slip s where s.handInId = :handIn and s.sentAt is null")
    Optional<Slip> open(long handIn);

    @Query("select s from Slip s where s.handInId in :handIns and s.sentAt is not null order by s.sentAt")
    List<Slip> sent(Collection<Long> handIns);

    Slip saveAndFlush(Slip slip);

    @Modifying
    @Query("delete from Slip s where s.handInId = :handIn and s.sentAt is null")
    void removeOpen(long handIn);
}
