package org.opensatchel.web.kit;

import java.util.Optional;
import org.springframework.data.repository.Repository;

interface KitDraftRepository extends Repository<KitDraft, Long> {

    Optional<KitDraft> findFirstByAssignmentIdOrderByRevisionDesc(long assignmentId);

    Optional<KitDraft> findByAssignmentIdAndRevision(long assignmentId, int revision);

    KitDraft saveAndFlush(KitDraft draft);
}
