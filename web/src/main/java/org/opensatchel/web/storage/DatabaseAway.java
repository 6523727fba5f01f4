package org.opensatchel.web.storage;

import java.sql.SQLException;
import java.sql.SQLRecoverableException;
import java.sql.SQLTransientConnectionException;
import java.util.Set;
import org.apache.commons.lang3.exception.ExceptionUtils;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.transaction.CannotCreateTransactionException;

/** Tells that a fault is the database's, which was gone or went in the middle of something. */
public final class DatabaseAway {

    /** How SQLSTATE begins (ISO/IEC 9075-2, 24.1, and PostgreSQL's own): connections, want of resources, a server that is being ended. */
    private static final Set<String> BEGINNINGS = Set.of("080", "53", "57P");

    private DatabaseAway() {
    }

    /** Whether it, or what caused it, is of that kind. */
    public static boolean is(Throwable fault) {
        return ExceptionUtils.getThrowableList(fault).stream().anyMatch(DatabaseAway::isAlone);
    }

    private static boolean isAlone(Throwable fault) {
        boolean said = fault instanceof SQLException told && told.getSQLState() != null
                && BEGINNINGS.stream().anyMatch(told.getSQLState()::startsWith);
        return said || fault instanceof SQLRecoverableException || fault instanceof SQLTransientConnectionException
                || fault instanceof DataAccessResourceFailureException || fault instanceof CannotCreateTransactionException;
    }
}
