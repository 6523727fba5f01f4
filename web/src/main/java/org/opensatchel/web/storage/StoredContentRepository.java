package org.opensatchel.web.storage;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;
import org.springframework.transaction.annotation.Transactional;

interface StoredContentRepository extends Repository<StoredContent, Long> {

    /** Says whose a content is; what is stored again stays as long as if it were new. Nothing is let go of until the transaction ends. */
    @Transactional
    default void own(String sha256, long bytes, String purpose, long course, long account, Instant now, Instant expires) {
        claiming();
        owned(sha256, bytes, purpose, course, account, now, expires);
    }

    /** Held by who claims contents, together. */
    @Query(nativeQuery = true, value = "select 1 from pg_advisory_xact_lock_shared(7414)")
    int claiming();

    /** Held by who lets go of contents, alone: whatever is claimed by then is seen, and nothing is claimed meanwhile. */
    @Query(nativeQuery = true, value = "select 1 from pg_advisory_xact_lock(7414)")
    int lettingGo();

    @Modifying
    @Query(nativeQuery = true, value = "insert into stored_content (sha256, bytes, purpose, course_id, stored_by, stored_at, expires_at) values (:sha256, :bytes, :purpose, :course, :account, :now, cast(:expires as timestamp with time zone)) "
            + "on conflict (sha256, purpose, course_id, stored_by) do update set stored_at = excluded.stored_at, expires_at = excluded.expires_at, loose_since = excluded.loose_since")
    void owned(String sha256, long bytes, String purpose, long course, long account, Instant now, Instant expires);

    /** How long a content is that a course has for a purpose. */
    @Query("select max(c.bytes) from StoredContent c where c.sha256 = :sha256 and c.purpose = :purpose and c.courseId = :course and (c.expiresAt is null or c.expiresAt > :now or c.purpose = org.opensatchel.web.storage.Purpose.STARTER)")
    Optional<Long> bytes(String sha256, Purpose purpose, long course, Instant now);

    /** The same for many contents. */
    @Transactional
    default void ownAll(String[] sha256, Long[] bytes, String purpose, long course, long account, Instant now, Instant expires) {
        claiming();
        allOwned(sha256, bytes, purpose, course, account, now, expires);
    }

    @Modifying
    @Query(nativeQuery = true, value = "insert into stored_content (sha256, bytes, purpose, course_id, stored_by, stored_at, expires_at) "
            + "select s, b, :purpose, :course, :account, :now, cast(:expires as timestamp with time zone) from unnest(cast(:sha256 as text[]), cast(:bytes as bigint[])) as t(s, b) "
            + "on conflict (sha256, purpose, course_id, stored_by) do update set stored_at = excluded.stored_at, expires_at = excluded.expires_at, loose_since = excluded.loose_since")
    void allOwned(String[] sha256, Long[] bytes, String purpose, long course, long account, Instant now, Instant expires);

    /** Those of some contents that somebody has in a course from handing in, with their lengths. */
    @Query(nativeQuery = true, value = "select distinct c.sha256 as sha256, c.bytes as bytes from stored_content c where c.sha256 = any(cast(:sha256 as text[])) and c.course_id = :course "
            + "and c.stored_by = :account and c.purpose in ('HAND_IN', 'SENDING') and (c.expires_at is null or c.expires_at > :now)")
    List<Had> had(String[] sha256, long course, long account, Instant now);

    /** A content that is had. */
    interface Had {
        String getSha256();

        long getBytes();
    }

    /** What is owned of the contents whose hashes begin so; all of them together may be more than memory holds. */
    @Query(nativeQuery = true, value = "select distinct sha256 from stored_content where sha256 >= :from and sha256 < :to")
    List<String> between(String from, String to);

    @Query(nativeQuery = true, value = "select count(*) from stored_content where sha256 = :sha256")
    long owners(String sha256);
}
