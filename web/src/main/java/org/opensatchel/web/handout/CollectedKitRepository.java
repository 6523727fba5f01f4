package org.opensatchel.web.handout;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface CollectedKitRepository extends Repository<CollectedKit, Long> {

    /** What each student of an assignment got last: collected, or loaded onto a drive, which then is named. */
    @Query(nativeQuery = true, value = """
            select distinct on (got.enrolment_id) got.enrolment_id as enrolmentId, k.id as kitVersionId, k.version as version, got.at as collectedAt, got.drive as drive, got.handed_out as handedOut
            from (select enrolment_id, kit_version_id, collected_at as at, '' as drive, handed_out from collection
                union all select enrolment_id, kit_version_id, loaded_at, drive, true from drive_load) got
            join kit_version k on k.id = got.kit_version_id
            where k.assignment_id = :assignmentId order by got.enrolment_id, got.at desc, k.version desc""")
    List<LastCollected> lastCollected(long assignmentId);

    /** The same of one student; nothing of the others is read. */
    @Query(nativeQuery = true, value = """
            select got.enrolment_id as enrolmentId, k.id as kitVersionId, k.version as version, got.at as collectedAt, got.drive as drive, got.handed_out as handedOut
            from (select enrolment_id, kit_version_id, collected_at as at, '' as drive, handed_out from collection where enrolment_id = :enrolmentId
                union all select enrolment_id, kit_version_id, loaded_at, drive, true from drive_load where enrolment_id = :enrolmentId) got
            join kit_version k on k.id = got.kit_version_id
            where k.assignment_id = :assignmentId order by got.at desc, k.version desc limit 1""")
    Optional<LastCollected> lastCollected(long assignmentId, long enrolmentId);

    /** What a student got last. */
    interface LastCollected {
        long getEnrolmentId();

        long getKitVersionId();

        int getVersion();

        Instant getCollectedAt();

        String getDrive();

        boolean getHandedOut();
    }

    CollectedKit save(CollectedKit kit);
}
