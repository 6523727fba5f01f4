package org.opensatchel.web.http;

import jakarta.servlet.AsyncContext;
import jakarta.servlet.DispatcherType;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.time.Duration;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.opensatchel.web.errand.Places;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.scheduling.TaskScheduler;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Reads the bodies of forms and of what scripts send before anything else is done with them, and holds no thread while they come: however many
 * people send a byte every few seconds, pages are answered. What comes too slowly, too long, or from one person too often at once is refused.
 * Uploads of files go past here to where they are kept.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 10)
class Bodies extends OncePerRequestFilter {

    private static final String BODY = Bodies.class.getName() + ".body";
    private static final String REFUSED = Bodies.class.getName() + ".refused";
    private static final Duration LOOK_EVERY = Duration.ofMillis(500);
    private static final int MOST_AT_ONCE = 600;
    private static final long MOST_HELD = 128L << 20;
    /** Whoever sends more slowly than this, after a while, sends nothing anybody waits for. */
    private static final int LEAST_A_SECOND = 256;
    private static final Duration PATIENCE = Duration.ofSeconds(10);
    /** A body that stands still is given up before the connector does that, which would leave whoever sends it without a sentence. */
    private static final Duration STILL = Duration.ofSeconds(6);

    /** What somebody may send: how much, for how long, how many at once, in how many fields. */
    private record Allowance(int bytes, Duration time, int atOnce, int fields) {
        private static final Allowance STRANGER = new Allowance(256 << 10, Duration.ofSeconds(8), 60, 1_000);
        private static final Allowance SIGNED_IN = new Allowance(20 << 20, Duration.ofMinutes(2), 8, 20_000);
    }

    private final Set<Coming> coming = new HashSet<>();
    private final Places<String> places = new Places<>(MOST_AT_ONCE, 0);
    private final Refusals refusals;
    private long held;

    Bodies(Refusals refusals, TaskScheduler looks) {
        this.refusals = refusals;
        looks.scheduleWithFixedDelay(this::look, LOOK_EVERY);
    }

    /** What was read is handed on in a dispatch of its own, which is this request's first for everything behind. */
    @Override
    protected boolean shouldNotFilterAsyncDispatch() {
        return false;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (request.getDispatcherType() == DispatcherType.ASYNC) {
            handOn(request, response, chain);
            return;
        }
        boolean bodied = request.getContentLengthLong() > 0 || request.getHeader("Transfer-Encoding") != null;
        Allowance allowance = isSignedIn(request) ? Allowance.SIGNED_IN : Allowance.STRANGER;
        if (!bodied || (allowance == Allowance.SIGNED_IN && !isForm(request))) {
            chain.doFilter(request, response);
        } else if (request.getContentLengthLong() > allowance.bytes) {
            refusals.refuseWhole(request, response, HttpStatus.CONTENT_TOO_LARGE);
        } else if (request.getContentLengthLong() > 0 && Sender.arrived(request) >= request.getContentLengthLong()) {
            // What has come already holds nobody up.
            byte[] body = request.getInputStream().readNBytes((int) request.getContentLengthLong());
            read(request, response, chain, body, allowance);
        } else {
            await(request, response, allowance);
        }
    }

    private void handOn(HttpServletRequest request, HttpServletResponse response, FilterChain chain) throws ServletException, IOException {
        Object refusal = request.getAttribute(REFUSED);
        Object body = request.getAttribute(BODY);
        request.removeAttribute(REFUSED);
        request.removeAttribute(BODY);
        if (refusal instanceof HttpStatus status) {
            refusals.refuseWhole(request, response, status);
        } else if (body instanceof byte[] bytes) {
            read(new FirstDispatch(request), response, chain, bytes, isSignedIn(request) ? Allowance.SIGNED_IN : Allowance.STRANGER);
        } else {
            chain.doFilter(request, response);
        }
    }

    private void read(HttpServletRequest request, HttpServletResponse response, FilterChain chain, byte[] body, Allowance allowance)
            throws ServletException, IOException {
        if (ReadRequest.fields(request, body) > allowance.fields) {
            refusals.refuseWhole(request, response, HttpStatus.CONTENT_TOO_LARGE);
        } else {
            chain.doFilter(new ReadRequest(request, body), response);
        }
    }

    /** The list of a folder that is sent may be longer than any form; it is kept as it comes, in a place for uploads. */
    static boolean isList(HttpServletRequest request) {
        return request.getServletPath().endsWith("/sendings");
    }

    private static boolean isForm(HttpServletRequest request) {
        if (isList(request)) {
            return false;
        }
        String type = request.getContentType() == null ? "" : request.getContentType().toLowerCase(Locale.ROOT);
        return type.startsWith("application/x-www-form-urlencoded") || type.startsWith("application/json") || type.startsWith("text/")
                || type.isEmpty();
    }

    private static boolean isSignedIn(HttpServletRequest request) {
        HttpSession session = request.getSession(false);
        return session != null && session.getAttribute(HttpSessionSecurityContextRepository.SPRING_SECURITY_CONTEXT_KEY) != null;
    }

    private void await(HttpServletRequest request, HttpServletResponse response, Allowance allowance) throws IOException {
        String sender = allowance == Allowance.SIGNED_IN ? request.getSession(false).getId() : request.getRemoteAddr();
        Coming one = new Coming(sender, allowance);
        if (!begin(one)) {
            refusals.refuseLater(request, response, HttpStatus.TOO_MANY_REQUESTS);
            return;
        }
        one.context = request.startAsync(request, response);
        one.context.setTimeout(0);
        one.in = request.getInputStream();
        one.in.setReadListener(one);
    }

    /** The body of one request on its way. */
    private final class Coming implements ReadListener {
        private final String sender;
        private final Allowance allowance;
        private final long began = System.nanoTime();
        private volatile long moved = began;
        private final ByteArrayOutputStream body = new ByteArrayOutputStream(1_024);
        private final byte[] buffer = new byte[8_192];
        private AsyncContext context;
        private ServletInputStream in;
        private boolean ended;

        Coming(String sender, Allowance allowance) {
            this.sender = sender;
            this.allowance = allowance;
        }

        @Override
        public void onDataAvailable() throws IOException {
            while (in.isReady() && !in.isFinished()) {
                int got = in.read(buffer);
                if (got < 0) {
                    return;
                }
                moved = System.nanoTime();
                body.write(buffer, 0, got);
                boolean room = hold(got);
                if (body.size() > allowance.bytes || !room) {
                    end(REFUSED, body.size() > allowance.bytes ? HttpStatus.CONTENT_TOO_LARGE : HttpStatus.SERVICE_UNAVAILABLE);
                    return;
                }
            }
        }

        @Override
        public void onAllDataRead() {
            end(BODY, body.toByteArray());
        }

        @Override
        public void onError(Throwable gone) {
            if (finish(this)) {
                context.complete();
            }
        }

        void end(String attribute, Object value) {
            if (finish(this)) {
                context.getRequest().setAttribute(attribute, value);
                context.dispatch();
            }
        }

        boolean isTooSlow() {
            Duration since = Duration.ofNanos(System.nanoTime() - began);
            return since.compareTo(allowance.time) > 0 || System.nanoTime() - moved > STILL.toNanos()
                    || (since.compareTo(PATIENCE) > 0 && body.size() < since.toSeconds() * LEAST_A_SECOND);
        }
    }

    private synchronized boolean begin(Coming one) {
        return places.take(one.sender, one.allowance.atOnce) && coming.add(one);
    }

    private synchronized boolean hold(int bytes) {
        held += bytes;
        return held <= MOST_HELD;
    }

    /** Whether it is this caller's to end. */
    private synchronized boolean finish(Coming one) {
        if (one.ended) {
            return false;
        }
        one.ended = true;
        coming.remove(one);
        held -= one.body.size();
        places.giveBack(one.sender);
        return true;
    }

    private void look() {
        List<Coming> slow;
        synchronized (this) {
            slow = coming.stream().filter(one -> one.context != null && one.isTooSlow()).toList();
        }
        for (Coming one : slow) {
            try {
                one.end(REFUSED, HttpStatus.REQUEST_TIMEOUT);
            } catch (IllegalStateException gone) {
                // It ended by itself.
                logger.trace("a body that was given up was gone already", gone);
            }
        }
    }
}
