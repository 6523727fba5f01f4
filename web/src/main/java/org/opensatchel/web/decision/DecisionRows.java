package org.opensatchel.web.decision;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Hand-ins as what is decided about. */
@Repository
class DecisionRows {

    private final JdbcClient database;

    DecisionRows(JdbcClient database) {
        this.database = database;
    }

    /** Held until the transaction ends by who decides about a hand-in, so that nobody else does meanwhile. */
    void hold(long handIn) {
        database.sql("select id from hand_in where id = ? for update").param(handIn).query(Long.class).optional();
    }
}
