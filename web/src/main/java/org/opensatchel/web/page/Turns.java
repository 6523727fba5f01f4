package org.opensatchel.web.page;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Locale;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Lets no more pages be made at once than there are connections to the database for: the rest wait their turn before they begin, and not in the
 * middle, where waiting ends in an error. Uploads, and answers that have become large, take no turn from anybody.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 15)
class Turns extends OncePerRequestFilter {

    private static final String KEY = Turns.class.getName();
    /** A page asks the database one thing at a time, but for what is noted beside it. */
    private static final int AT_ONCE = 16;
    private static final long LONGEST_SECONDS = 30;

    private final Semaphore turns = new Semaphore(AT_ONCE, true);

    /** One turn, given back once. */
    private static final class Turn {
        private final AtomicBoolean over = new AtomicBoolean();
        private final Semaphore turns;

        Turn(Semaphore turns) {
            this.turns = turns;
        }

        void end() {
            if (over.compareAndSet(false, true)) {
                turns.release();
            }
        }
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        String path = request.getServletPath();
        String type = request.getContentType() == null ? "" : request.getContentType().toLowerCase(Locale.ROOT);
        boolean upload = type.startsWith("application/octet-stream") || type.startsWith("application/zip") || type.startsWith("multipart/")
                || "POST".equals(request.getMethod()) && Bodies.isList(request);
        return upload || path.startsWith("/css/") || path.startsWith("/js/") || path.startsWith("/fonts/") || path.startsWith("/webjars/")
                || path.startsWith("/files/") || path.startsWith("/livez") || path.startsWith("/readyz") || path.startsWith("/actuator/");
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (!waited()) {
            response.sendError(HttpStatus.SERVICE_UNAVAILABLE.value());
            return;
        }
        Turn turn = new Turn(turns);
        request.setAttribute(KEY, turn);
        try {
            chain.doFilter(request, response);
        } finally {
            turn.end();
        }
    }

    private boolean waited() {
        try {
            return turns.tryAcquire(LONGEST_SECONDS, TimeUnit.SECONDS);
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
            return false;
        }
    }

    /** What goes on for longer than a page is made takes no turn any more. */
    static void end(HttpServletRequest request) {
        if (request.getAttribute(KEY) instanceof Turn turn) {
            turn.end();
        }
    }
}
