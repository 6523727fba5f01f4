package org.opensatchel.web.storage;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;
import org.springframework.transaction.annotation.Transactional;

interface StoredContentRepository extends Repository<StoredContent, Long> {

    /** Says whose a content is; what is stored again stays as long as if it were new. */
    @Transactional
    @Modifying
    @Query(nativeQuery = true, value = "insert into stored_content (sha256, bytes, purpose, course_id, stored_by, stored_at, expires_at) values (:sha256, :bytes, :purpose, :course, :account, :now, cast(:expires as timestamp with time zone)) "
            + "on conflict (sha256, purpose, course_id, stored_by) do update set stored_at = excluded.stored_at, expires_at = excluded.expires_at")
    void own(String sha256, long bytes, String purpose, long course, long account, Instant now, Instant expires);

    /** How long a content is that a course has for a purpose. */
    @Query("select max(c.bytes) from StoredContent c where c.sha256 = :sha256 and c.purpose = :purpose and c.courseId = :course and (c.expiresAt is null or c.expiresAt > :now or c.purpose = org.opensatchel.web.storage.Purpose.STARTER)")
    Optional<Long> bytes(String sha256, Purpose purpose, long course, Instant now);

    /**
     * What stays because something refers to it: hand-ins, and the starter files of plans and kits, found by the hashes in their
     * documents.
     */
    @Modifying
    @Query(nativeQuery = true, value = """
            delete from stored_content c where coalesce(c.expires_at, c.stored_at) < :before
            and case c.purpose
              when 'HAND_IN' then not exists (
                select 1 from hand_in h join assignment a on a.id = h.assignment_id
                where h.sha256 = c.sha256 and a.course_id = c.course_id)
                and not exists (
                select 1 from hand_in_file f join hand_in h on h.id = f.hand_in_id join assignment a on a.id = h.assignment_id
                where f.sha256 = c.sha256 and a.course_id = c.course_id)
              when 'STARTER' then not exists (
                select 1 from (select assignment_id, document from kit_version union all select assignment_id, document from kit_draft) k
                join assignment a on a.id = k.assignment_id
                where a.course_id = c.course_id and position(c.sha256 in lower(convert_from(k.document, 'UTF8'))) > 0)
              else true end""")
    int release(Instant before);

    /** The same for many contents. */
    @Transactional
    @Modifying
    @Query(nativeQuery = true, value = "insert into stored_content (sha256, bytes, purpose, course_id, stored_by, stored_at, expires_at) "
            + "select s, b, :purpose, :course, :account, :now, cast(:expires as timestamp with time zone) from unnest(cast(:sha256 as text[]), cast(:bytes as bigint[])) as t(s, b) "
            + "on conflict (sha256, purpose, course_id, stored_by) do update set stored_at = excluded.stored_at, expires_at = excluded.expires_at")
    void ownAll(String[] sha256, Long[] bytes, String purpose, long course, long account, Instant now, Instant expires);

    /** Those of some contents that somebody has in a course from handing in, with their lengths. */
    @Query(nativeQuery = true, value = "select distinct c.sha256 as sha256, c.bytes as bytes from stored_content c where c.sha256 = any(cast(:sha256 as text[])) and c.course_id = :course "
            + "and c.stored_by = :account and c.purpose in ('HAND_IN', 'SENDING') and (c.expires_at is null or c.expires_at > :now)")
    List<Had> had(String[] sha256, long course, long account, Instant now);

    /** A content that is had. */
    interface Had {
        String getSha256();

        long getBytes();
    }

    @Query(nativeQuery = true, value = "select distinct sha256 from stored_content")
    List<String> owned();
}
