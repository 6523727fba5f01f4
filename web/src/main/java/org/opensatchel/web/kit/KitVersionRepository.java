package org.opensatchel.web.kit;

import java.util.List;
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

    /** How many students hold each version, by its number: what somebody collected or was given on a drive last. */
    @Query(nativeQuery = true, value = """
            select v.version as version, count(*) as holders from (
              select distinct on (given.enrolment_id) given.enrolment_id, given.kit_version_id from (
                select enrolment_id, kit_version_id, collected_at as at, id from collection
                union all
                select enrolment_id, kit_version_id, loaded_at, id from drive_load) given
              join kit_version k on k.id = given.kit_version_id
              where k.assignment_id = :assignmentId order by given.enrolment_id, given.at desc, given.id desc) last
            join kit_version v on v.id = last.kit_version_id group by v.version""")
    List<Holders> holders(long assignmentId);

    /** A version and how many hold it. */
    interface Holders {
        int getVersion();

        int getHolders();
    }

    Optional<KitVersion> findById(long id);

    KitVersion saveAndFlush(KitVersion version);
}
