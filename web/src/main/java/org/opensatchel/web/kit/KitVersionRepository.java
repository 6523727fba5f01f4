package org.opensatchel.web.kit;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface KitVersionRepository extends Repository<KitVersion, Long> {

    Optional<KitVersion> findFirstByAssignmentIdOrderByVersionDesc(long assignmentId);

    List<KitVersion> findByAssignmentIdOrderByVersionDesc(long assignmentId);

    /** How many students hold each version, by its number: what somebody collected or was given last. */
    @Query(nativeQuery = true, value = "select v.version as version, count(*) as holders from (select distinct on (c.enrolment_id) c.enrolment_id, c.kit_version_id from collection c "
            + "join kit_version k on k.id = c.kit_version_id where k.assignment_id = :assignmentId order by c.enrolment_id, c.collected_at desc, c.id desc) last "
            + "join kit_version v on v.id = last.kit_version_id group by v.version")
    List<Holders> holders(long assignmentId);

    /** A version and how many hold it. */
    interface Holders {
        int getVersion();

        int getHolders();
    }

    /** The contents of starter files that any plan or version names; the pattern is that of a hash in a kit document. */
    @Query(nativeQuery = true, value = """
            select distinct lower((regexp_matches(convert_from(document, 'UTF8'), '"sha256"\\s*:\\s*"([0-9a-fA-F]{64})"', 'g'))[1])
            from (select document from kit_version union all select document from kit_draft) every""")
    List<String> contents();

    Optional<KitVersion> findById(long id);

    KitVersion saveAndFlush(KitVersion version);
}
