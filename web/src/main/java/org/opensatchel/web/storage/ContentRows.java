package org.opensatchel.web.storage;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Who has a content in a course, and for what. */
@Repository
class ContentRows {

    private final JdbcClient database;
    private final Locks locks;

    ContentRows(JdbcClient database, Locks locks) {
        this.database = database;
        this.locks = locks;
    }

    /** A content that is had, with its length in bytes. */
    record Had(String sha256, long bytes) {}

    /** Whose a content is, for what and how long; {@code expires} is null for what stays. */
    record Owner(Purpose purpose, long course, long account, Instant now, Instant expires) {}

    /** Says whose contents are; what is stored again stays as long as if it were new. Nothing is let go of until the transaction ends. */
    @Transactional
    public void own(String[] sha256, Long[] bytes, Owner owner) {
        locks.share(Locks.What.CONTENTS);
        database.sql("""
                insert into stored_content (sha256, bytes, purpose, course_id, stored_by, stored_at, expires_at)
                select s, b, :purpose, :course, :account, :now, cast(:expires as timestamptz) from unnest(:sha256, :bytes) as t(s, b)
                on conflict (sha256, purpose, course_id, stored_by) do update
                set stored_at = excluded.stored_at, expires_at = excluded.expires_at, loose_since = excluded.loose_since""")
                .param("sha256", sha256).param("bytes", bytes).param("purpose", owner.purpose().name()).param("course", owner.course())
                .param("account", owner.account()).param("now", Moments.at(owner.now())).param("expires", Moments.at(owner.expires()))
                .update();
    }

    /** How long a content is that a course has for a purpose. */
    Optional<Long> bytes(String sha256, Purpose purpose, long course, Instant now) {
        return database.sql("""
                select bytes from stored_content
                where sha256 = :sha256 and purpose = :purpose and course_id = :course
                  and (expires_at is null or expires_at > :now or purpose = 'STARTER')
                order by bytes desc limit 1""")
                .param("sha256", sha256).param("purpose", purpose.name()).param("course", course).param("now", Moments.at(now))
                .query(Long.class).optional();
    }

    /** Those of some contents that somebody has in a course from handing in. */
    List<Had> had(String[] sha256, long course, long account, Instant now) {
        return database.sql("""
                select distinct sha256, bytes from stored_content
                where sha256 = any(:sha256) and course_id = :course and stored_by = :account and purpose in ('HAND_IN', 'SENDING')
                  and (expires_at is null or expires_at > :now)""")
                .param("sha256", sha256).param("course", course).param("account", account).param("now", Moments.at(now))
                .query((row, number) -> new Had(row.getString(1), row.getLong(2))).list();
    }

    /** What is owned of the contents whose hashes begin so; all of them together may be more than memory holds. */
    List<String> between(String from, String to) {
        return database.sql("select distinct sha256 from stored_content where sha256 >= :from and sha256 < :to").param("from", from)
                .param("to", to).query(String.class).list();
    }

    /** Whether anybody has a content; by then whoever claimed it is seen, and nobody claims anything until the transaction ends. */
    boolean isHad(String sha256) {
        locks.hold(Locks.What.CONTENTS);
        return database.sql("select 1 from stored_content where sha256 = ? limit 1").param(sha256).query(Integer.class).optional()
                .isPresent();
    }
}
