package org.opensatchel.core.words;

import com.ibm.icu.text.MessageFormat;
import com.ibm.icu.text.MessagePattern;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Properties;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;

/** The words of one language: patterns in ICU's message syntax by their keys, parsed when they are first needed. */
final class Bundle {

    private final Locale locale;
    private final Map<String, String> patterns;
    private final Map<String, Pattern> parsed = new ConcurrentHashMap<>();

    /**
     * A pattern that was read.
     *
     * @param names the facts it names
     * @param choosing those of them that choose a form
     * @param constant what it says when it names none, made once: most words of a page are such
     */
    record Pattern(MessageFormat format, Set<String> names, Set<String> choosing, Optional<String> constant) {

        String format(Map<String, Object> values) {
            if (constant.isPresent()) {
                return constant.get();
            }
            // A format is no thing for two threads.
            synchronized (format) {
                return format.format(values);
            }
        }
    }

    private Bundle(Locale locale, Map<String, String> patterns) {
        this.locale = locale;
        this.patterns = patterns;
    }

    /**
     * These words, and those that lie beside a class of another module.
     *
     * @param owner a class in the package of the file {@code messages_LANGUAGE.properties}
     */
    Bundle and(Class<?> owner) {
        Map<String, String> all = new HashMap<>(patterns);
        all.putAll(read(owner, locale));
        return new Bundle(locale, Map.copyOf(all));
    }

    /** @throws IllegalStateException when the language's file is not part of this build, which a test does not let pass */
    static Bundle of(Locale locale) {
        return new Bundle(locale, Map.copyOf(read(Bundle.class, locale)));
    }

    private static Map<String, String> read(Class<?> owner, Locale locale) {
        Properties properties = new Properties();
        try (InputStream in = owner.getResourceAsStream("messages_" + locale.getLanguage() + ".properties")) {
            properties.load(new InputStreamReader(Objects.requireNonNull(in, "no words in " + locale), StandardCharsets.UTF_8));
        } catch (IOException broken) {
            throw new UncheckedIOException(broken);
        }
        Map<String, String> patterns = new HashMap<>();
        properties.stringPropertyNames().forEach(key -> patterns.put(key, properties.getProperty(key)));
        return patterns;
    }

    Locale locale() {
        return locale;
    }

    Set<String> keys() {
        return patterns.keySet();
    }

    boolean has(String key) {
        return patterns.containsKey(key);
    }

    /** A text without facts. */
    String text(String key) {
        return patterns.getOrDefault(key, key);
    }

    Pattern pattern(String key) {
        return parsed.computeIfAbsent(key, this::parse);
    }

    /** All names are looked for, also those that stand inside a form: the format itself tells only the outer ones. */
    private Pattern parse(String key) {
        MessagePattern pattern = new MessagePattern(text(key));
        Set<String> names = new HashSet<>();
        Set<String> choosing = new HashSet<>();
        for (int i = 0; i < pattern.countParts(); i++) {
            MessagePattern.Part part = pattern.getPart(i);
            if (part.getType() == MessagePattern.Part.Type.ARG_START) {
                String name = pattern.getSubstring(pattern.getPart(i + 1));
                names.add(name);
                if (part.getArgType() == MessagePattern.ArgType.SELECT) {
                    choosing.add(name);
                }
            }
        }
        MessageFormat format = new MessageFormat(text(key), locale);
        return new Pattern(format, names, choosing, names.isEmpty() ? Optional.of(format.format(Map.of())) : Optional.empty());
    }
}
