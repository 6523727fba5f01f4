package org.opensatchel.web.kit;

import java.util.Optional;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;
import org.springframework.transaction.annotation.Transactional;

interface KitDraftRepository extends Repository<KitDraft, Long> {

    Optional<KitDraft> findFirstByAssignmentIdOrderByRevisionDesc(long assignmentId);

    Optional<KitDraft> findByAssignmentIdAndRevision(long assignmentId, int revision);

    /** Of each plan the last saves stay, and of the ones before the last of each day. */
    @Modifying
    @Transactional
    @Query(nativeQuery = true, value = """
            delete from kit_draft d using (select id, row_number() over (partition by assignment_id order by revision desc) as newer,
                row_number() over (partition by assignment_id, date_trunc('day', saved_at) order by revision desc) as of_day from kit_draft) n
            where n.id = d.id and n.newer > :last and n.of_day > 1""")
    int prune(int last);

    KitDraft saveAndFlush(KitDraft draft);
}
