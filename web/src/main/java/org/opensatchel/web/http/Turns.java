package org.opensatchel.web.http;

import jakarta.servlet.AsyncContext;
import jakarta.servlet.DispatcherType;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.io.IOException;
import java.time.Duration;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.LongSupplier;
import org.opensatchel.web.http.TurnQueue.Share;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.scheduling.TaskScheduler;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Lets no more pages be made at once than there are connections to the database for: the rest wait their turn before they begin, and not in the
 * middle, where waiting ends in an error. Who waits holds no thread, and of one person a few are made at once, so that nobody who asks for a
 * thousand pages keeps the others waiting. Uploads, and answers that have become large, take no turn from anybody.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 15)
class Turns extends OncePerRequestFilter {

    private static final String KEY = Turns.class.getName();
    private static final String LATE = Turns.class.getName() + ".late";
    private static final int CORES = Runtime.getRuntime().availableProcessors();
    /** A page asks the database one thing at a time, but for what is noted beside it; and more than a few on each core only slow each other down. */
    private static final int AT_ONCE = Math.min(16, Math.max(6, 4 * CORES));
    private static final Duration LONGEST = Duration.ofMinutes(2);
    /** Longer than a server with very much to do takes to begin with somebody whose turn has come. */
    private static final Duration COMES_WITHIN = Duration.ofSeconds(30);
    private static final Duration LOOK_EVERY = Duration.ofMillis(500);
    private static final String SIGNED_IN = "account ";
    /** As long as fewer pages are made than there are cores, whoever wants many gets them. */
    private static final int BUSY = CORES;
    /** A browser asks for a few things at once, and waits for one as well as for several; whoever wants very much has a part of the machine. */
    private static final Share OF_A_PERSON = new Share(Math.max(1, CORES / 2), 600);
    /** Behind one address may be a whole school that signs in. */
    private static final Share OF_AN_ADDRESS = new Share(Math.max(3, AT_ONCE / 2), 1_000);

    private final TurnQueue<Waiting> turns = new TurnQueue<>(AT_ONCE, BUSY, Turns::share);
    private final Set<Waiting> waiting = ConcurrentHashMap.newKeySet();

    private final Refusals refusals;
    /** Nanoseconds that only grow, whatever happens to the time of day. */
    private final LongSupplier clock;

    @Autowired
    Turns(Refusals refusals, TaskScheduler looks) {
        this(refusals, looks, System::nanoTime);
    }

    Turns(Refusals refusals, TaskScheduler looks, LongSupplier clock) {
        this.refusals = refusals;
        this.clock = clock;
        looks.scheduleWithFixedDelay(this::look, LOOK_EVERY);
    }

    /** A request that waits for its turn. */
    private static final class Waiting {
        private final String who;
        private final long since;
        private AsyncContext context;
        private boolean called;
        private long calledAt;
        private boolean settled;

        Waiting(String who, long since) {
            this.who = who;
            this.since = since;
        }

        /** It waits from now on; whether its turn came before. */
        synchronized boolean waits(AsyncContext from) {
            context = from;
            return called;
        }

        /** Its turn has come; whether it waits already. */
        synchronized boolean isCalled(long now) {
            called = true;
            calledAt = now;
            return context != null;
        }

        /** Who settles what becomes of its turn, once: whoever takes it, or whoever finds that nobody does. */
        synchronized boolean isSettledHere() {
            boolean first = !settled;
            settled = true;
            return first;
        }

        synchronized boolean isOverdue(long now) {
            return called && now - calledAt > COMES_WITHIN.toNanos();
        }
    }

    private static Share share(String who) {
        return who.startsWith(SIGNED_IN) ? OF_A_PERSON : OF_AN_ADDRESS;
    }

    /** By the account where somebody is signed in: a session more is no turn more. */
    private static String who(HttpServletRequest request) {
        HttpSession session = request.getSession(false);
        Object context = session == null ? null : session.getAttribute(HttpSessionSecurityContextRepository.SPRING_SECURITY_CONTEXT_KEY);
        return context instanceof SecurityContext signedIn && signedIn.getAuthentication() != null
                ? SIGNED_IN + signedIn.getAuthentication().getName()
                : request.getRemoteAddr();
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        String path = request.getServletPath();
        return isUpload(request) || path.startsWith("/css/") || path.startsWith("/js/") || path.startsWith("/fonts/")
                || path.startsWith("/webjars/")
                || path.startsWith("/files/") || path.startsWith("/livez") || path.startsWith("/readyz") || path.startsWith("/actuator/");
    }

    /** Whether a file is sent, which keeps its thread for as long as that takes. */
    static boolean isUpload(HttpServletRequest request) {
        String type = request.getContentType() == null ? "" : request.getContentType().toLowerCase(Locale.ROOT);
        return type.startsWith("application/octet-stream") || type.startsWith("application/zip") || type.startsWith("multipart/")
                || "POST".equals(request.getMethod()) && Bodies.isList(request);
    }

    /** Whose turn it is after a wait comes in a dispatch of its own, which is the request's first for everything behind. */
    @Override
    protected boolean shouldNotFilterAsyncDispatch() {
        return false;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (request.getDispatcherType() != DispatcherType.ASYNC) {
            enter(request, response, chain);
        } else if (request.getAttribute(LATE) != null) {
            request.removeAttribute(LATE);
            refusals.refuse(request, response, HttpStatus.SERVICE_UNAVAILABLE);
        } else if (request.getAttribute(KEY) instanceof Waiting waited) {
            take(waited, new FirstDispatch(request), response, chain);
        } else {
            chain.doFilter(request, response);
        }
    }

    private void enter(HttpServletRequest request, HttpServletResponse response, FilterChain chain) throws ServletException, IOException {
        String who = who(request);
        Waiting one = new Waiting(who, clock.getAsLong());
        switch (turns.enter(who, one)) {
            case GOES -> go(who, request, response, chain);
            case WAITS -> await(one, request, response);
            default -> refusals.refuseLater(request, response, HttpStatus.TOO_MANY_REQUESTS);
        }
    }

    /** It may be its turn before it waits: then it goes as soon as it does. */
    private void await(Waiting one, HttpServletRequest request, HttpServletResponse response) {
        AsyncContext context = request.startAsync(request, response);
        context.setTimeout(0);
        waiting.add(one);
        if (one.waits(context) && !isDispatched(one, KEY, one) && one.isSettledHere()) {
            goOn(turns.leave(one.who));
        }
    }

    /** Who comes for their turn too late waits for another. */
    private void take(Waiting waited, HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        waiting.remove(waited);
        if (waited.isSettledHere()) {
            go(waited.who, request, response, chain);
        } else {
            enter(request, response, chain);
        }
    }

    private void go(String who, HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        Once turn = new Once(() -> goOn(turns.leave(who)));
        request.setAttribute(KEY, turn);
        Gate.leave(request);
        try {
            chain.doFilter(request, response);
        } finally {
            turn.end();
        }
    }

    private void goOn(List<Waiting> next) {
        Deque<Waiting> going = new ArrayDeque<>(next);
        while (!going.isEmpty()) {
            Waiting one = going.poll();
            if (one.isCalled(clock.getAsLong()) && !isDispatched(one, KEY, one) && one.isSettledHere()) {
                going.addAll(turns.leave(one.who));
            }
        }
    }

    /** False when whoever asked is gone: their turn is over before it began. */
    private boolean isDispatched(Waiting one, String attribute, Object value) {
        try {
            one.context.getRequest().setAttribute(attribute, value);
            one.context.dispatch();
            return true;
        } catch (IllegalStateException gone) {
            waiting.remove(one);
            logger.trace("a page was not waited for", gone);
            return false;
        }
    }

    /**
     * Whoever waited too long is told so. Whoever was called and does not come is gone, because a connection that ends at that moment tells
     * nobody: their turn is the next one's.
     */
    void look() {
        long now = clock.getAsLong();
        for (Waiting one : waiting) {
            if (now - one.since > LONGEST.toNanos() && turns.forget(one.who, one)) {
                waiting.remove(one);
                isDispatched(one, LATE, true);
            } else if (one.isOverdue(now) && one.isSettledHere()) {
                waiting.remove(one);
                goOn(turns.leave(one.who));
            }
        }
    }

    /** What goes on for longer than a page is made takes no turn any more. */
    static void end(HttpServletRequest request) {
        Gate.leave(request);
        Once.end(request.getAttribute(KEY));
    }
}
