package org.opensatchel.web.http;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Lets few requests be at work at once until it is known what they are: refused, handed a file, or waiting for a turn. There are threads for many
 * who send or read slowly; were all of them at work, the machine would share itself out among them, and what makes the rest quicker (the
 * compiler of the virtual machine above all) would stand in line with hundreds.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class Gate extends OncePerRequestFilter {

    private static final String KEY = Gate.class.getName();
    private static final long LONGEST_SECONDS = 30;

    private final Semaphore gate = new Semaphore(2 * Runtime.getRuntime().availableProcessors() + 2, true);

    private final Refusals refusals;

    Gate(Refusals refusals) {
        this.refusals = refusals;
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return Turns.isUpload(request);
    }

    @Override
    protected boolean shouldNotFilterAsyncDispatch() {
        return false;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (refusals.isRefused(request, response)) {
            return;
        }
        if (!isIn()) {
            refusals.refuse(request, response, HttpStatus.SERVICE_UNAVAILABLE);
            return;
        }
        Once pass = new Once(gate::release);
        request.setAttribute(KEY, pass);
        try {
            chain.doFilter(request, response);
        } finally {
            pass.end();
        }
    }

    private boolean isIn() {
        try {
            return gate.tryAcquire(LONGEST_SECONDS, TimeUnit.SECONDS);
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
            return false;
        }
    }

    /** It is known what this is, and it goes on by other rules. */
    static void leave(HttpServletRequest request) {
        Once.end(request.getAttribute(KEY));
    }
}
