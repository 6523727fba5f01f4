package org.opensatchel.web.kit;

import java.util.HashMap;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** What the database counts of kits. */
@Repository
class KitRows {

    private final JdbcClient database;

    KitRows(JdbcClient database) {
        this.database = database;
    }

    /** How many students hold each version, by its number: what somebody collected or was given on a drive last. */
    Map<Integer, Integer> holders(long assignment) {
        Map<Integer, Integer> out = new HashMap<>();
        database.sql("""
                select v.version, count(*) as holders from (
                  select distinct on (given.enrolment_id) given.enrolment_id, given.kit_version_id from (
                    select enrolment_id, kit_version_id, collected_at as at, id from collection
                    union all
                    select enrolment_id, kit_version_id, loaded_at, id from drive_load) given
                  join kit_version k on k.id = given.kit_version_id
                  where k.assignment_id = ? order by given.enrolment_id, given.at desc, given.id desc) last
                join kit_version v on v.id = last.kit_version_id group by v.version""").param(assignment).query(row -> {
            out.put(row.getInt(1), row.getInt(2));
        });
        return out;
    }

    /** Of each plan the last saves stay, and of the ones before the last of each day; how many went. */
    @Transactional
    public int prune(int last) {
        return database.sql("""
                delete from kit_draft d using (
                  select id, row_number() over (partition by assignment_id order by revision desc) as newer,
                    row_number() over (partition by assignment_id, date_trunc('day', saved_at) order by revision desc) as of_day
                  from kit_draft) n
                where n.id = d.id and n.newer > ? and n.of_day > 1""").param(last).update();
    }
}
