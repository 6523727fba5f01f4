package org.opensatchel.web.http;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.sql.SQLException;
import org.opensatchel.web.storage.NoRoom;
import org.springframework.core.NestedExceptionUtils;
import org.springframework.dao.DataAccessException;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.http.HttpStatus;
import org.springframework.transaction.CannotCreateTransactionException;
import org.springframework.transaction.TransactionException;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;

/**
 * Tells whose an error is where an exception alone does not: a database that is away is ours, two who changed the same thing are nobody's.
 */
@ControllerAdvice
class Faults {

    /** SQLSTATE of PostgreSQL for a key that is there already. */
    private static final String UNIQUE = "23505";
    /** SQLSTATE classes of PostgreSQL: the connection failed, resources are short, an operator stepped in. */
    private static final java.util.Set<String> AWAY = java.util.Set.of("08", "53", "57");

    @ExceptionHandler(DataIntegrityViolationException.class)
    void twice(HttpServletRequest request, HttpServletResponse response, DataIntegrityViolationException both) throws IOException {
        Throwable root = NestedExceptionUtils.getMostSpecificCause(both);
        boolean faster = root instanceof SQLException sql && UNIQUE.equals(sql.getSQLState());
        // Only two who wanted the same name, number or place were one after the other; all else is a fault of ours.
        told(request, response, faster ? HttpStatus.CONFLICT : HttpStatus.INTERNAL_SERVER_ERROR, both);
    }

    @ExceptionHandler({DataAccessException.class, TransactionException.class})
    void database(HttpServletRequest request, HttpServletResponse response, RuntimeException fault) throws IOException {
        told(request, response, isAway(fault) ? HttpStatus.SERVICE_UNAVAILABLE : HttpStatus.INTERNAL_SERVER_ERROR, fault);
    }

    @ExceptionHandler(NoRoom.class)
    void full(HttpServletRequest request, HttpServletResponse response, NoRoom fault) throws IOException {
        told(request, response, HttpStatus.INSUFFICIENT_STORAGE, fault);
    }

    private static boolean isAway(Throwable fault) {
        Throwable root = NestedExceptionUtils.getMostSpecificCause(fault);
        String state = root instanceof SQLException sql && sql.getSQLState() != null ? sql.getSQLState() : "";
        return root instanceof IOException || root instanceof java.sql.SQLTransientException
                || (state.length() >= 2 && AWAY.contains(state.substring(0, 2)))
                || fault instanceof CannotCreateTransactionException
                // A connection that went away in the middle cannot be rolled back either.
                || (root instanceof SQLException && (fault instanceof TransactionException || state.isEmpty()));
    }

    private static void told(HttpServletRequest request, HttpServletResponse response, HttpStatus status, Exception fault)
            throws IOException {
        if (!response.isCommitted()) {
            request.setAttribute(jakarta.servlet.RequestDispatcher.ERROR_EXCEPTION, fault);
            response.sendError(status.value());
        }
    }
}
