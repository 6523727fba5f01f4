package org.opensatchel.web.page;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.time.Duration;
import java.util.HashMap;
import java.util.Map;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * What is taken from somebody who is not signed in: small bodies, all of them within a few seconds, and only so many from
 * one address at once. Reading a body holds a thread, and pages need threads too.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 10)
class SmallBodies extends OncePerRequestFilter {

    private static final int MOST_BYTES = 256 << 10;
    private static final Duration LONGEST = Duration.ofSeconds(5);
    private static final int LOOKS = 12;
    private static final long LOOK_EVERY_MILLIS = 10;
    private static final int MOST_AT_ONCE = 40;
    private static final int MOST_OF_ONE = 20;

    private final Map<String, Integer> reading = new HashMap<>();
    private int all;

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        boolean bodied = request.getContentLengthLong() > 0 || request.getHeader("Transfer-Encoding") != null;
        if (!bodied || isSignedIn(request)) {
            chain.doFilter(request, response);
            return;
        }
        if (request.getContentLengthLong() > MOST_BYTES) {
            refused(request, response, HttpStatus.CONTENT_TOO_LARGE);
            return;
        }
        // What comes at once holds nobody up, and needs no place among those that are waited for.
        boolean here = comesAtOnce(request);
        if (!here && !begin(request.getRemoteAddr())) {
            refused(request, response, HttpStatus.TOO_MANY_REQUESTS);
            return;
        }
        byte[] body;
        try {
            body = read(request.getInputStream());
        } catch (IOException tooSlow) {
            refused(request, response, HttpStatus.REQUEST_TIMEOUT);
            return;
        } finally {
            if (!here) {
                end(request.getRemoteAddr());
            }
        }
        if (body == null) {
            refused(request, response, HttpStatus.CONTENT_TOO_LARGE);
        } else {
            chain.doFilter(new ReadRequest(request, body), response);
        }
    }

    /** A browser sends a form right behind its header, perhaps in a packet of its own. */
    private static boolean comesAtOnce(HttpServletRequest request) {
        long length = request.getContentLengthLong();
        for (int looks = 0; length >= 0 && looks < LOOKS; looks++) {
            if (Sender.arrived(request) >= length) {
                return true;
            }
            try {
                Thread.sleep(LOOK_EVERY_MILLIS);
            } catch (InterruptedException asked) {
                Thread.currentThread().interrupt();
                return false;
            }
        }
        return false;
    }

    private static boolean isSignedIn(HttpServletRequest request) {
        HttpSession session = request.getSession(false);
        return session != null && session.getAttribute(HttpSessionSecurityContextRepository.SPRING_SECURITY_CONTEXT_KEY) != null;
    }

    /** The connection goes with the answer: what is still to come of it is not waited for. */
    private static void refused(HttpServletRequest request, HttpServletResponse response, HttpStatus status) throws IOException {
        Sender.letGo(request);
        response.setHeader("Connection", "close");
        response.sendError(status.value());
    }

    /** All of it, or nothing when it is longer or slower than anything of ours; each single wait is bounded by the connector. */
    private static byte[] read(InputStream in) throws IOException {
        long end = System.nanoTime() + LONGEST.toNanos();
        ByteArrayOutputStream out = new ByteArrayOutputStream(1_024);
        byte[] buffer = new byte[8_192];
        int got;
        while ((got = in.read(buffer)) >= 0) {
            out.write(buffer, 0, got);
            if (out.size() > MOST_BYTES || System.nanoTime() > end) {
                return null;
            }
        }
        return out.toByteArray();
    }

    private synchronized boolean begin(String address) {
        boolean free = all < MOST_AT_ONCE && reading.getOrDefault(address, 0) < MOST_OF_ONE;
        if (free) {
            all++;
            reading.merge(address, 1, Integer::sum);
        }
        return free;
    }

    private synchronized void end(String address) {
        all--;
        reading.computeIfPresent(address, (key, count) -> count == 1 ? null : count - 1);
    }
}
