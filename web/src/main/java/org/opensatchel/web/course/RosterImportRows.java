package org.opensatchel.web.course;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.core.roster.RosterColumn;
import org.opensatchel.web.storage.Moments;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Imports of rosters as they were made, and what columns of a course's tables were said to hold. */
@Repository
class RosterImportRows {

    private static final String VIEW = "select id, made_at, added, changed, removed, made_accounts, undone_at is not null as undone "
            + "from roster_import ";

    private final JdbcClient database;

    RosterImportRows(JdbcClient database) {
        this.database = database;
    }

    /**
     * An import that was made.
     *
     * @param made how many accounts were made for it
     */
    record Made(long id, Instant at, int added, int changed, int removed, int made, boolean isUndone) {}

    /** Somebody's line of the roster. */
    record Line(String last, String first, String number, String section, String lastForm, String firstForm) {}

    /** Somebody who was changed. */
    record Changed(long enrolment, Line before, Line after) {}

    /**
     * What an import did, for taking it back.
     *
     * @param added lines that were made, and the accounts made for them
     * @param back lines of those who had left before
     */
    record Steps(List<Long> added, List<Long> accounts, List<Long> back, List<Changed> changed, List<Long> removed) {}

    /** The import of this token, where it was made already. */
    Optional<Made> find(long course, String token) {
        return database.sql(VIEW + "where course_id = ? and token = ?").params(course, token).query(RosterImportRows::made).optional();
    }

    /** The newest import of a course that still holds. */
    Optional<Made> newest(long course) {
        return database.sql(VIEW + "where course_id = ? and undone_at is null order by id desc limit 1").param(course)
                .query(RosterImportRows::made)
                .optional();
    }

    void put(long course, String token, long account, Instant at, Steps steps) {
        database.sql("""
                insert into roster_import (course_id, token, made_by, made_at, added, changed, removed, made_accounts, steps)
                values (?, ?, ?, ?, ?, ?, ?, ?, cast(? as jsonb))""")
                .params(course, token, account, Moments.at(at), steps.added.size() + steps.back.size(), steps.changed.size(),
                        steps.removed.size(), steps.accounts.size(), JsonDocuments.MAPPER.writeValueAsString(steps))
                .update();
    }

    /** What an import did, and that it is taken back from now on; empty where it is so already. */
    Optional<Steps> undo(long course, long id, Instant at) {
        return database.sql("update roster_import set undone_at = ? where course_id = ? and id = ? and undone_at is null returning steps")
                .params(Moments.at(at), course, id).query(String.class).optional()
                .map(steps -> JsonDocuments.MAPPER.readValue(steps, Steps.class));
    }

    private static Made made(ResultSet row, int number) throws SQLException {
        return new Made(row.getLong("id"), Moments.of(row, "made_at"), row.getInt("added"), row.getInt("changed"), row.getInt("removed"),
                row.getInt("made_accounts"), row.getBoolean("undone"));
    }

    /** Removes lines of the roster that nothing was done with, and tells which. */
    List<Long> removeUnused(Collection<Long> enrolments) {
        return database.sql("""
                delete from enrolment e where e.id = any(?)
                and not exists (select 1 from hand_in h where h.enrolment_id = e.id)
                and not exists (select 1 from collection c where c.enrolment_id = e.id)
                and not exists (select 1 from project_location l where l.enrolment_id = e.id)
                and not exists (select 1 from team_member t where t.enrolment_id = e.id)
                and not exists (select 1 from drive_load d where d.enrolment_id = e.id)
                and not exists (select 1 from extension x where x.enrolment_id = e.id)
                and not exists (select 1 from looked l where l.enrolment_id = e.id)
                returning e.id""").param(enrolments.toArray(Long[]::new)).query(Long.class).list();
    }

    /** Removes accounts that nobody ever signed in to and that are on no roster. */
    void removeUnusedAccounts(Collection<Long> accounts) {
        database.sql("""
                delete from account a where a.id = any(?) and a.password_hash is null and a.role = 'STUDENT'
                and not exists (select 1 from enrolment e where e.account_id = a.id)""").param(accounts.toArray(Long[]::new)).update();
    }

    /** What columns were said to hold, by their headings. */
    Map<String, RosterColumn> headings(long course) {
        Map<String, RosterColumn> out = new HashMap<>();
        database.sql("select heading, meaning from roster_heading where course_id = ?").param(course)
                .query((row, number) -> Map.entry(row.getString(1), RosterColumn.valueOf(row.getString(2)))).list()
                .forEach(one -> out.put(one.getKey(), one.getValue()));
        return out;
    }

    void remember(long course, String heading, RosterColumn meaning) {
        database.sql("""
                insert into roster_heading (course_id, heading, meaning) values (?, ?, ?)
                on conflict (course_id, heading) do update set meaning = excluded.meaning""")
                .params(course, heading, meaning.name()).update();
    }
}
