package org.opensatchel.web.page;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.opensatchel.core.words.Words;
import org.springframework.context.i18n.LocaleContextHolder;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
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

    private final AcceptHeaderLocaleResolver browser = new AcceptHeaderLocaleResolver();
    private final SpringTemplateEngine templates;
    private final StaticFiles files;
    private final Map<Kind, byte[]> made = new ConcurrentHashMap<>();

    private record Kind(HttpStatus status, Locale language) {}

    Refusals(SpringTemplateEngine templates, StaticFiles files) {
        this.templates = templates;
        this.files = files;
        browser.setSupportedLocales(List.copyOf(Words.languages()));
        browser.setDefaultLocale(Locale.ENGLISH);
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
