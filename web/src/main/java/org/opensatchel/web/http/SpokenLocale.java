package org.opensatchel.web.http;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.io.Serializable;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.opensatchel.core.words.Words;
import org.opensatchel.web.account.AccountService;
import org.opensatchel.web.account.SignedIn;
import org.opensatchel.web.course.CourseService;
import org.opensatchel.web.text.Speech;
import org.springframework.dao.DataAccessException;
import org.springframework.security.core.Authentication;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionException;
import org.springframework.web.servlet.LocaleResolver;
import org.springframework.web.servlet.i18n.AcceptHeaderLocaleResolver;

/**
 * Which language a request is answered in: the one a person chose, else that of their newest course, else the first the browser
 * asks for that there is. What the database says is kept in the session for a minute.
 */
@Component("localeResolver")
class SpokenLocale implements LocaleResolver {

    private static final Duration KEPT = Duration.ofMinutes(1);

    private final AcceptHeaderLocaleResolver browser = new AcceptHeaderLocaleResolver();
    private final AccountService accounts;
    private final CourseService courses;
    private final Clock clock;

    SpokenLocale(AccountService accounts, CourseService courses, Clock clock) {
        this.accounts = accounts;
        this.courses = courses;
        this.clock = clock;
        browser.setSupportedLocales(List.copyOf(Words.languages()));
        browser.setDefaultLocale(Locale.ENGLISH);
    }

    /** What a session knows for a while; the language is empty where the browser says. */
    private record Kept(String language, Instant until) implements Serializable {}

    @Override
    public Locale resolveLocale(HttpServletRequest request) {
        Optional<String> own = request.getUserPrincipal() instanceof Authentication authentication
                && authentication.getPrincipal() instanceof SignedIn me ? own(me, request.getSession(false)) : Optional.empty();
        return own.filter(language -> !language.isEmpty()).map(Locale::forLanguageTag).orElseGet(() -> browser.resolveLocale(request));
    }

    private Optional<String> own(SignedIn me, HttpSession session) {
        if (session == null) {
            return Optional.empty();
        }
        if (session.getAttribute(Speech.OF_SESSION) instanceof Kept kept && clock.instant().isBefore(kept.until())) {
            return Optional.of(kept.language());
        }
        try {
            String language = accounts.language(me.accountId()).or(() -> courses.languageOf(me.accountId())).orElse("");
            session.setAttribute(Speech.OF_SESSION, new Kept(language, clock.instant().plus(KEPT)));
            return Optional.of(language);
        } catch (DataAccessException | TransactionException away) {
            // The page that says so is shown in the browser's language.
            return Optional.empty();
        }
    }

    @Override
    public void setLocale(HttpServletRequest request, HttpServletResponse response, Locale locale) {
        throw new UnsupportedOperationException("a language is chosen on the account's or the course's page");
    }
}
