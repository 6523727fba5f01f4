package org.opensatchel.web.http;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.RequestOptions;
import java.sql.Statement;
import java.util.List;
import javax.sql.DataSource;
import org.flywaydb.core.Flyway;
import org.flywaydb.core.api.FlywayException;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.opensatchel.web.RunningApplication;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.ConnectionCallback;
import org.springframework.jdbc.core.JdbcTemplate;

/** What the application stands on: its schema, its health, and where it may be served. */
class FoundationTest extends RunningApplication {

    @Autowired
    private JdbcTemplate database;
    @Autowired
    private Flyway flyway;
    @Autowired
    private DataSource source;

    @AfterEach
    void mend() {
        database.update("delete from flyway_schema_history where version = '999'");
    }

    @Test
    void aSchemaFromALaterVersionIsRefused() {
        database.update(
                "insert into flyway_schema_history (installed_rank, version, description, type, script, installed_by, execution_time, success) values (999, '999', 'later', 'SQL', 'V999__later.sql', 'x', 1, true)");
        assertThatThrownBy(flyway::migrate).isInstanceOf(FlywayException.class);
        database.update("delete from flyway_schema_history where version = '999'");
        assertThat(flyway.migrate().success).isTrue();
    }

    @Test
    void healthTellsNumbersAndNobody() {
        Page page = unknown();
        for (String group : new String[]{"", "/liveness", "/readiness"}) {
            APIResponse answer = page.request().get(address("/actuator/health" + group));
            assertThat(answer.status()).as(group).isEqualTo(200);
            assertThat(answer.text()).contains("UP").doesNotContain(System.getProperty("user.dir"), "marsh");
        }
        assertThat(page.request().get(address("/actuator/health")).text()).contains("oldestWaitingSeconds", "silentSeconds", "room");
        assertThat(page.request().get(address("/actuator/env"), RequestOptions.create().setMaxRedirects(0)).status()).isNotEqualTo(200);
    }

    /** What is deleted is looked for in every table that may refer to it; without an index all of that table is read. */
    @Test
    void everyForeignKeyLeadsAnIndex() {
        assertThat(database.queryForList("""
                select c.conrelid::regclass || '.' || a.attname from pg_constraint c
                join pg_attribute a on a.attrelid = c.conrelid and a.attnum = c.conkey[1]
                where c.contype = 'f' and c.connamespace = 'public'::regnamespace
                and not exists (select 1 from pg_index i where i.indrelid = c.conrelid and i.indkey[0] = c.conkey[1] and i.indpred is null)
                """, String.class)).isEmpty();
    }

    private Flyway ofOldTimes(String until) {
        return Flyway.configure().dataSource(source).schemas("old_times").target(until).load();
    }

    /** What was counted of hand-ins stood in texts before version 26, and in those of five families before there were media. */
    @Test
    void whatWasGluedTogetherBecomesColumnsOfMany() {
        ofOldTimes("25").migrate();
        try {
            database.execute((ConnectionCallback<Void>) connection -> {
                try (Statement statement = connection.createStatement()) {
                    // Whose they are is of no matter here.
                    statement.execute(
                            """
                                    do $$ declare one text; begin
                                      for one in select conname from pg_constraint where contype = 'f' and conrelid = 'old_times.hand_in'::regclass loop
                                        execute 'alter table old_times.hand_in drop constraint ' || one;
                                      end loop;
                                    end $$""");
                    statement.execute("set session_replication_role = replica");
                    for (String texts : List.of("'', '', ''",
                            "'1,0,0;0,2,0;0,0,0;3,0,1;0,0,0;0,0,0;0,4,0;0,0,5', '4;0;3.5;2', 'link.missing:3;name.space:2'",
                            "'1,2,3;4,5,6;7,8,9;10,11,12;13,14,15', '', 'name.space:1'")) {
                        statement.execute(
                                "insert into old_times.hand_in (assignment_id, enrolment_id, number, file_name, sha256, bytes, received_at,"
                                        + " kit_version_id, state, queued_at, not_before, marks, points_parts, codes) select 1, 1, coalesce(max(number), 0) + 1,"
                                        + " 'a.zip', repeat('a', 64), 1, now(), 1, 'DONE', now(), now(), " + texts
                                        + " from old_times.hand_in");
                    }
                    statement.execute("set session_replication_role = default");
                }
                return null;
            });
            ofOldTimes("26").migrate();
            assertThat(database.queryForList("select concat_ws(' ', mark_counts, part_points, finding_codes, finding_counts)"
                    + " from old_times.hand_in order by number", String.class)).containsExactly("{} {} {} {}",
                            "{1,0,0,0,2,0,0,0,0,3,0,1,0,0,0,0,0,0,0,4,0,0,0,5} {4,0,3.5,2} {link.missing,name.space} {3,2}",
                            "{0,0,0,1,2,3,4,5,6,7,8,9,10,11,12,0,0,0,0,0,0,13,14,15} {} {name.space} {1}");
        } finally {
            database.execute("drop schema old_times cascade");
        }
    }
}
