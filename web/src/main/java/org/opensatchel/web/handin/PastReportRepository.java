package org.opensatchel.web.handin;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface PastReportRepository extends Repository<HandIn, Long> {

    /** Those of a hand-in, the newest first. */
    @Query(nativeQuery = true, value = "select p.id, p.checked_at as checkedAt, k.version, p.verdict, p.must, p.should from past_report p "
            + "join kit_version k on k.id = p.kit_version_id where p.hand_in_id = :handIn order by p.checked_at desc, p.id desc")
    List<Line> of(long handIn);

    @Query(nativeQuery = true, value = "select report from past_report where id = :id and hand_in_id = :handIn")
    List<byte[]> reportOf(long id, long handIn);

    default Optional<byte[]> report(long id, long handIn) {
        return reportOf(id, handIn).stream().findFirst();
    }

    /** What a list says of one. */
    interface Line {
        long getId();

        Instant getCheckedAt();

        int getVersion();

        String getVerdict();

        int getMust();

        int getShould();
    }
}
