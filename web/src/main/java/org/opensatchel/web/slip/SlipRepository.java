package org.opensatchel.web.slip;

import java.time.Instant;
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

    @Modifying
    @Query(nativeQuery = true, value = "insert into secret (name, value) values (:name, :value) on conflict (name) do nothing")
    void makeSecret(String name, byte[] value);

    @Query(nativeQuery = true, value = "select value from secret where name = :name")
    byte[] secret(String name);

    /** Waits until nobody else sends what goes back about a hand-in, and holds that until the transaction ends. */
    @Query(nativeQuery = true, value = "select 1 from pg_advisory_xact_lock(7414, cast(:handIn as integer))")
    int lock(long handIn);

    /** The hand-ins of an assignment about which something went back, with when. */
    @Query(nativeQuery = true, value = "select s.hand_in_id as handIn, max(s.sent_at) as at from slip s join hand_in h on h.id = s.hand_in_id where h.assignment_id = :assignment and s.sent_at is not null group by s.hand_in_id")
    List<Sent> sentOf(long assignment);

    /** When something went back about a hand-in. */
    interface Sent {
        long getHandIn();

        Instant getAt();
    }
}
