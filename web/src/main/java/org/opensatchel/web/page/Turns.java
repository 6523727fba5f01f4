package org.opensatchel.web.page;

import jakarta.annotation.PreDestroy;
import jakarta.servlet.AsyncContext;
import jakarta.servlet.AsyncEvent;
import jakarta.servlet.AsyncListener;
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
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import org.apache.commons.lang3.concurrent.BasicThreadFactory;
import org.opensatchel.web.page.TurnQueue.Share;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
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
    private static final long LOOK_EVERY_MILLIS = 500;
    private static final String SIGNED_IN = "account ";
    /** A browser asks for a few things at once, and waits for one as well as for several; whoever wants very much has a part of the machine. */
    private static final Share OF_A_PERSON = new Share(Math.max(2, CORES / 2), 600);
    /** Behind one address may be a whole school that signs in. */
    private static final Share OF_AN_ADDRESS = new Share(Math.max(3, AT_ONCE / 2), 1_000);

    private final TurnQueue<Waiting> turns = new TurnQueue<>(AT_ONCE);
    private final Set<Waiting> waiting = ConcurrentHashMap.newKeySet();
    private final ScheduledExecutorService clock = Executors.newSingleThreadScheduledExecutor(
            BasicThreadFactory.builder().namingPattern("turns").daemon(true).build());

    private final Refusals refusals;

    Turns(Refusals refusals) {
        this.refusals = refusals;
        clock.scheduleWithFixedDelay(this::look, LOOK_EVERY_MILLIS, LOOK_EVERY_MILLIS, TimeUnit.MILLISECONDS);
    }

    @PreDestroy
    void close() {
        clock.shutdownNow();
    }

    /** One turn, given back once. */
    private final class Turn {
        private final AtomicBoolean over = new AtomicBoolean();
        private final String who;

        Turn(String who) {
            this.who = who;
        }

        void end() {
            if (over.compareAndSet(false, true)) {
                goOn(turns.leave(who, Turns::share));
            }
        }
    }

    /** A request that waits for its turn. */
    private static final class Waiting {
        private final String who;
        private final long since = System.nanoTime();
        private AsyncContext context;
        private boolean called;
        private boolean settled;

        Waiting(String who) {
            this.who = who;
        }

        /** It waits from now on; whether its turn came before. */
        synchronized boolean waits(AsyncContext from) {
            context = from;
            return called;
        }

        /** Its turn has come; whether it waits already. */
        synchronized boolean isCalled() {
            called = true;
            return context != null;
        }

        /** Its turn is used. */
        synchronized void goes() {
            settled = true;
        }

        /** Whether its turn came and is used by nobody; said once. */
        synchronized boolean isLost() {
            boolean lost = called && !settled;
            settled = true;
            return lost;
        }

        boolean isLate() {
            return System.nanoTime() - since > LONGEST.toNanos();
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
            waited.goes();
            go(waited.who, new FirstDispatch(request), response, chain);
        } else {
            chain.doFilter(request, response);
        }
    }

    private void enter(HttpServletRequest request, HttpServletResponse response, FilterChain chain) throws ServletException, IOException {
        String who = who(request);
        Waiting one = new Waiting(who);
        switch (turns.enter(who, share(who), one)) {
            case GOES -> go(who, request, response, chain);
            case WAITS -> await(one, request, response);
            default -> refusals.refuse(request, response, HttpStatus.TOO_MANY_REQUESTS);
        }
    }

    /** It may be its turn before it waits: then it goes as soon as it does. */
    private void await(Waiting one, HttpServletRequest request, HttpServletResponse response) {
        AsyncContext context = request.startAsync(request, response);
        context.setTimeout(0);
        context.addListener(new Departure(one));
        waiting.add(one);
        if (one.waits(context) && !isDispatched(one, KEY, one)) {
            lost(one);
        }
    }

    private void go(String who, HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        Turn turn = new Turn(who);
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
            if (one.isCalled() && !isDispatched(one, KEY, one) && one.isLost()) {
                going.addAll(turns.leave(one.who, Turns::share));
            }
        }
    }

    /** False when whoever asked is gone: their turn is over before it began. */
    private boolean isDispatched(Waiting one, String attribute, Object value) {
        waiting.remove(one);
        try {
            one.context.getRequest().setAttribute(attribute, value);
            one.context.dispatch();
            return true;
        } catch (IllegalStateException gone) {
            logger.trace("a page was not waited for", gone);
            return false;
        }
    }

    private void lost(Waiting one) {
        if (one.isLost()) {
            goOn(turns.leave(one.who, Turns::share));
        }
    }

    /** Whoever waits may go away at any time, also when their turn has come and before they take it: then it is the next one's. */
    private final class Departure implements AsyncListener {
        private final Waiting one;

        Departure(Waiting one) {
            this.one = one;
        }

        @Override
        public void onComplete(AsyncEvent event) {
            gone();
        }

        @Override
        public void onError(AsyncEvent event) {
            gone();
        }

        @Override
        public void onTimeout(AsyncEvent event) {
            // It has none: how long one waits is looked after here.
        }

        @Override
        public void onStartAsync(AsyncEvent event) {
            // What waits for something else has its turn behind it.
        }

        private void gone() {
            waiting.remove(one);
            if (!turns.forget(one.who, one)) {
                lost(one);
            }
        }
    }

    private void look() {
        waiting.stream().filter(Waiting::isLate).filter(one -> turns.forget(one.who, one)).forEach(one -> isDispatched(one, LATE, true));
    }

    /** What goes on for longer than a page is made takes no turn any more. */
    static void end(HttpServletRequest request) {
        Gate.leave(request);
        if (request.getAttribute(KEY) instanceof Turn turn) {
            turn.end();
        }
    }
}
