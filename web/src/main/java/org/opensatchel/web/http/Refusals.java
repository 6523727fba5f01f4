package org.opensatchel.web.http;

import jakarta.servlet.AsyncContext;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicInteger;
import org.opensatchel.core.words.Words;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.i18n.LocaleContextHolder;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.scheduling.TaskScheduler;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.i18n.AcceptHeaderLocaleResolver;
import org.thymeleaf.context.Context;
import org.thymeleaf.spring6.SpringTemplateEngine;

/**
 * Pages that refuse a request before anything is known of it, made once for each reason and language: who is refused a thousand times a second
 * costs next to nothing.
 */
@Component
class Refusals {

    private static final String LATE = Refusals.class.getName() + ".late";
    private static final Logger LOG = LoggerFactory.getLogger(Refusals.class);
    /** Long enough that whoever asks again at once costs little, and short enough for somebody who wonders. */
    private static final Duration LATER = Duration.ofSeconds(4);
    private static final int MOST_LATER = 2_000;

    private final AtomicInteger waiting = new AtomicInteger();
    private final AcceptHeaderLocaleResolver browser = new AcceptHeaderLocaleResolver();
    private final SpringTemplateEngine templates;
    private final StaticFiles files;
    private final TaskScheduler looks;
    private final Map<Kind, byte[]> made = new ConcurrentHashMap<>();

    private record Kind(HttpStatus status, Locale language) {}

    Refusals(SpringTemplateEngine templates, StaticFiles files, TaskScheduler looks) {
        this.looks = looks;
        this.templates = templates;
        this.files = files;
        browser.setSupportedLocales(List.copyOf(Words.languages()));
        browser.setDefaultLocale(Locale.ENGLISH);
    }

    /**
     * Answers in a while, and holds no thread until then: whoever asks for too much at once, and again as soon as they are answered, asks for
     * less so.
     */
    void refuseLater(HttpServletRequest request, HttpServletResponse response, HttpStatus status) throws IOException {
        if (waiting.incrementAndGet() > MOST_LATER) {
            waiting.decrementAndGet();
            refuseWhole(request, response, status);
            return;
        }
        AsyncContext context = request.startAsync(request, response);
        context.setTimeout(0);
        request.setAttribute(LATE, status);
        looks.schedule(() -> call(context), Instant.now().plus(LATER));
    }

    private void call(AsyncContext context) {
        waiting.decrementAndGet();
        try {
            context.dispatch();
        } catch (IllegalStateException gone) {
            LOG.trace("a refusal was not waited for", gone);
        }
    }

    /** Whether this is somebody who was to be answered later, and is now. */
    boolean isRefused(HttpServletRequest request, HttpServletResponse response) throws IOException {
        if (!(request.getAttribute(LATE) instanceof HttpStatus status)) {
            return false;
        }
        refuseWhole(request, response, status);
        return true;
    }

    /** Refuses, and the connection goes with the answer: what is still to come of a body is not waited for. */
    void refuseWhole(HttpServletRequest request, HttpServletResponse response, HttpStatus status) throws IOException {
        Sender.letGo(request);
        response.setHeader("Connection", "close");
        refuse(request, response, status);
    }

    /** Answers with a page that says why, and what to do. */
    void refuse(HttpServletRequest request, HttpServletResponse response, HttpStatus status) throws IOException {
        byte[] page = made.computeIfAbsent(new Kind(status, browser.resolveLocale(request)), this::page);
        response.setStatus(status.value());
        response.setContentType(MediaType.TEXT_HTML_VALUE);
        response.setCharacterEncoding(StandardCharsets.UTF_8.name());
        response.setContentLength(page.length);
        response.setHeader("Cache-Control", "no-store");
        response.setHeader("X-Content-Type-Options", "nosniff");
        response.getOutputStream().write(page);
    }

    private byte[] page(Kind kind) {
        Locale before = LocaleContextHolder.getLocale();
        try {
            LocaleContextHolder.setLocale(kind.language);
            // Nothing is known of the database here: it is the machine that has too much to do.
            ErrorWords words = kind.status == HttpStatus.SERVICE_UNAVAILABLE ? ErrorWords.busy() : ErrorWords.of(kind.status.value());
            return templates.process("page/refused", new Context(kind.language, Map.of("words", words, "files", files.folder())))
                    .getBytes(StandardCharsets.UTF_8);
        } finally {
            LocaleContextHolder.setLocale(before);
        }
    }
}
