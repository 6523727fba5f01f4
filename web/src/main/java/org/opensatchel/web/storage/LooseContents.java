package org.opensatchel.web.storage;

import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.LinkedHashSet;
import java.util.Set;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/**
 * Contents that nothing may refer to any more. The database marks them as what referred to them goes, so that looking at them costs what went,
 * and not what is there.
 */
@Component
class LooseContents {

    private final JdbcClient database;

    LooseContents(JdbcClient database) {
        this.database = database;
    }

    /**
     * Lets go of those that nothing refers to: hand-ins, and what plans and kits name.
     *
     * @param before only what was stored, let go of and due before
     * @return the hashes of what was let go of; somebody else may still have the same content
     */
    @Transactional
    Set<String> release(Instant before) {
        Set<String> out = new LinkedHashSet<>();
        OffsetDateTime due = Moments.at(before);
        out.addAll(database.sql("""
                delete from stored_content where purpose not in ('HAND_IN', 'STARTER') and coalesce(expires_at, stored_at) < :due
                returning sha256""").param("due", due).query(String.class).list());
        out.addAll(database.sql("""
                delete from stored_content c where c.loose_since < :due and coalesce(c.expires_at, c.stored_at) < :due
                and case c.purpose
                  when 'HAND_IN' then not exists (
                    select 1 from hand_in h join assignment a on a.id = h.assignment_id
                    where h.sha256 = c.sha256 and a.course_id = c.course_id)
                    and not exists (
                    select 1 from hand_in_file f join hand_in h on h.id = f.hand_in_id join assignment a on a.id = h.assignment_id
                    where f.sha256 = c.sha256 and a.course_id = c.course_id)
                  when 'STARTER' then not exists (
                    select 1 from kit_content k where k.sha256 = c.sha256 and k.course_id = c.course_id)
                  else false end
                returning c.sha256""").param("due", due).query(String.class).list());
        // What is left is referred to. Whatever lets go of it marks it anew, and is over long before it is looked at again.
        database.sql("""
                update stored_content set loose_since = null
                where loose_since < :due and coalesce(expires_at, stored_at) < :due and purpose in ('HAND_IN', 'STARTER')""")
                .param("due", due).update();
        return out;
    }
}
