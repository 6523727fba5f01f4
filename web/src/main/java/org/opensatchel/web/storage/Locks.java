package org.opensatchel.web.storage;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** What only one may do at a time, on any server: advisory locks of the database, each held until its transaction ends. */
@Component
public class Locks {

    /** Below it there is room for a number of a row. */
    private static final int NUMBER_BITS = 48;

    private final JdbcClient database;

    Locks(JdbcClient database) {
        this.database = database;
    }

    /** What is locked. The order is part of the keys. */
    public enum What {
        /** Taking a check out of the queue. */
        CHECK_QUEUE,
        /** Numbering the hand-ins of a student. */
        HAND_IN_NUMBERS,
        /** Claiming contents, which many may do together, or letting go of them, which is done alone. */
        CONTENTS,
        /** Changing what a student sends. */
        SENDING,
        /** Sending the letter about a hand-in. */
        LETTER
    }

    /** Waits until nobody else holds it, and holds it alone. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void hold(What what) {
        hold(what, 0);
    }

    /** The same for one row. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void hold(What what, long id) {
        database.sql("select 1 from pg_advisory_xact_lock(?)").param(key(what, id)).query(Integer.class).single();
    }

    /** Waits until nobody holds it alone, and holds it together with others who share it. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void share(What what) {
        database.sql("select 1 from pg_advisory_xact_lock_shared(?)").param(key(what, 0)).query(Integer.class).single();
    }

    private static long key(What what, long id) {
        return (what.ordinal() + 1L << NUMBER_BITS) + id;
    }
}
