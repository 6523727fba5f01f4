package org.opensatchel.web.text;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.core.words.Words;
import org.springframework.context.i18n.LocaleContext;
import org.springframework.context.i18n.LocaleContextHolder;

/** The words of the language a request is answered in: those of the core, and those of the pages. */
public final class Speech {

    private static final Map<Locale, Words> ALL = Words.languages().stream()
            .collect(Collectors.toUnmodifiableMap(Function.identity(), locale -> Words.in(locale).including(Speech.class)));

    /** Where a session keeps its language for a while; whoever changes one takes it away. */
    public static final String OF_SESSION = "satchel.language";

    /** What the scripts of all pages say; those of one page have a prefix like {@code js-plan.} beside it. */
    private static final String OF_SCRIPTS = "js.";
    private static final Map<String, String> SCRIPTS = new ConcurrentHashMap<>();

    private Speech() {
    }

    /** A language there is, by its short name; empty for any other text. */
    public static String known(String language) {
        return Words.languages().stream().map(Locale::getLanguage).filter(language::equals).findFirst().orElse("");
    }

    private static String json(Words words, String part) {
        Map<String, String> said = new TreeMap<>();
        words.keys().stream().filter(key -> key.startsWith(OF_SCRIPTS) || (part != null && key.startsWith("js-" + part + ".")))
                .forEach(key -> said.put(key, words.plain(key)));
        return JsonDocuments.MAPPER.writeValueAsString(said);
    }

    /** The words of a page's scripts as JSON. */
    static String scripts(String part) {
        Words words = words();
        return SCRIPTS.computeIfAbsent(words.locale() + " " + part, key -> json(words, part));
    }

    /** The words of whoever is asking; outside of a request, English. */
    public static Words words() {
        return in(LocaleContextHolder.getLocale());
    }

    /** What is done later, by another thread, in the language of whoever is asking now. */
    public static <A, B> Function<A, B> kept(Function<A, B> later) {
        LocaleContext mine = LocaleContextHolder.getLocaleContext();
        return value -> {
            LocaleContext before = LocaleContextHolder.getLocaleContext();
            LocaleContextHolder.setLocaleContext(mine);
            try {
                return later.apply(value);
            } finally {
                LocaleContextHolder.setLocaleContext(before);
            }
        };
    }

    public static Words in(Locale locale) {
        return ALL.get(Words.in(locale).locale());
    }

    public static String text(Phrase phrase) {
        return words().text(phrase);
    }

    /** Several things said one after the other. */
    public static List<String> texts(List<Phrase> phrases) {
        return phrases.stream().map(Speech::text).toList();
    }

    /** What stands under a key, filled in order. */
    public static String say(String key, Object... values) {
        return words().fill(key, values);
    }
}
