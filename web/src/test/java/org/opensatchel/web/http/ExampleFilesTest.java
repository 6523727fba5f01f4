package org.opensatchel.web.http;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.RequestOptions;
import org.flywaydb.core.Flyway;
import org.flywaydb.core.api.FlywayException;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.opensatchel.web.RunningApplication;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;

/** What the application stands on: its schema, its health, and where it may be served. */
class ExampleFilesTest extends RunningApplication {

    @Autowired
    private JdbcTemplate database;
    @Autowired
    private Flyway flyway;

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
}
