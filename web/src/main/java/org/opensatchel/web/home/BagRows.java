package org.opensatchel.web.home;

import java.util.HashMap;
import java.util.Map;
import org.opensatchel.core.report.PlanFound;
import org.opensatchel.core.report.ReportJson;
import org.opensatchel.worker.Packed;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** What lay in the projects a student sent last. */
@Repository
class BagRows {

    private final JdbcClient database;

    BagRows(JdbcClient database) {
        this.database = database;
    }

    /** By their assignments; nothing for those of which nothing was checked. */
    @Transactional(readOnly = true)
    public Map<Long, PlanFound> newest(long account) {
        Map<Long, PlanFound> out = new HashMap<>();
        database.sql("""
                select distinct on (h.assignment_id) h.assignment_id, h.digest from hand_in h join enrolment e on e.id = h.enrolment_id
                where e.account_id = ? and e.left_at is null and h.state = 'DONE' and h.digest is not null
                order by h.assignment_id, h.received_at desc, h.id desc""").param(account)
                .query((row, number) -> Map.entry(row.getLong(1), row.getBytes(2))).list()
                .forEach(one -> ReportJson.readDigest(Packed.unpack(one.getValue())).head().plan()
                        .ifPresent(plan -> out.put(one.getKey(), plan)));
        return out;
    }
}
