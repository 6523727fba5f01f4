package org.opensatchel.web.report;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.opensatchel.web.storage.Moments;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Reports that were made before a hand-in was checked again. */
@Repository
class PastReportRows {

    private final JdbcClient database;

    PastReportRows(JdbcClient database) {
        this.database = database;
    }

    /**
     * What a list says of one.
     *
     * @param version of the kit it was made by
     */
    record Line(long id, Instant checkedAt, int version, String verdict, int must, int should) {}

    /** Those of a hand-in, the newest first. */
    List<Line> of(long handIn) {
        return database.sql("""
                select p.id, p.checked_at, k.version, p.verdict, p.must, p.should
                from past_report p join kit_version k on k.id = p.kit_version_id
                where p.hand_in_id = ? order by p.checked_at desc, p.id desc""").param(handIn)
                .query((row, number) -> new Line(row.getLong(1), Moments.of(row, 2), row.getInt(3), row.getString(4),
                        row.getInt(5), row.getInt(6)))
                .list();
    }

    /** One of them, packed. */
    Optional<byte[]> report(long id, long handIn) {
        return database.sql("select report from past_report where id = ? and hand_in_id = ?").params(id, handIn)
                .query((row, number) -> row.getBytes(1)).optional();
    }
}
