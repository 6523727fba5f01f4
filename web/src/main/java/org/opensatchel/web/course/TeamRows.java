package org.opensatchel.web.course;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Who works with whom; teams are of one assignment and have no life of their own. */
@Repository
class TeamRows {

    private final JdbcClient database;

    TeamRows(JdbcClient database) {
        this.database = database;
    }

    /** The team of each student who is in one, by enrolment. */
    Map<Long, String> of(long assignment) {
        Map<Long, String> out = new HashMap<>();
        database.sql("""
                select m.enrolment_id, t.name from team t join team_member m on m.team_id = t.id where t.assignment_id = ?""")
                .param(assignment).query(row -> {
                    out.put(row.getLong(1), row.getString(2));
                });
        return out;
    }

    Optional<String> of(long assignment, long enrolment) {
        return database.sql("""
                select t.name from team t join team_member m on m.team_id = t.id where t.assignment_id = ? and m.enrolment_id = ?""")
                .params(assignment, enrolment).query(String.class).optional();
    }

    /** Puts teams, by enrolment, in the place of those there are. */
    void put(long assignment, Map<Long, String> teams) {
        database.sql("delete from team_member where team_id in (select id from team where assignment_id = ?)").param(assignment).update();
        database.sql("delete from team where assignment_id = ?").param(assignment).update();
        String[] names = teams.values().toArray(String[]::new);
        database.sql("insert into team (assignment_id, name) select ?, name from (select distinct name from unnest(?) as t(name)) n")
                .param(assignment).param(names).update();
        database.sql("""
                insert into team_member (team_id, enrolment_id)
                select t.id, m.enrolment_id from unnest(?, ?) as m(enrolment_id, name)
                join team t on t.name = m.name and t.assignment_id = ?""")
                .param(teams.keySet().toArray(Long[]::new)).param(names).param(assignment).update();
    }
}
