package org.opensatchel.web.audit;

import java.math.BigDecimal;
import java.time.Instant;
import java.time.ZoneId;
import java.util.Arrays;
import java.util.List;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.base.text.Shortened;
import org.opensatchel.core.words.Words;
import org.opensatchel.web.text.Times;

/**
 * What a line of the log says beside its deed: a text as somebody typed it, or facts, which are told in the language of who reads them.
 *
 * @param key the key of the words that the values are put into; empty for a text alone
 * @param values what is put into them, in order
 */
public record Detail(String key, List<Value> values) {

    /** Nothing. */
    public static final Detail NONE = text("");

    private static final int LONGEST = 1_000;

    public Detail {
        values = List.copyOf(values);
    }

    /** What a value is. */
    public enum Kind {
        /** As it is. */
        TEXT,
        /** A number, written as the language does. */
        NUMBER,
        /** The code of a finding, told by its title. */
        TITLE,
        /** The key of words. */
        WORDS,
        /** A moment and a zone. */
        TIME
    }

    /** A value as it is kept. */
    public record Value(Kind kind, String value) {

        public static Value title(String code) {
            return new Value(Kind.TITLE, code);
        }

        public static Value words(String key) {
            return new Value(Kind.WORDS, key);
        }

        public static Value time(Instant at, ZoneId zone) {
            return new Value(Kind.TIME, at + " " + zone);
        }

        private static Value of(Object plain) {
            return plain instanceof Value value ? value
                    : plain instanceof Number number ? new Value(Kind.NUMBER, number.toString())
                            : new Value(Kind.TEXT, cut(plain.toString()));
        }

        private Object said(Words words) {
            return switch (kind) {
                case TEXT -> value;
                case NUMBER -> new BigDecimal(value);
                case TITLE -> words.title(value);
                case WORDS -> words.fill(value);
                case TIME -> {
                    int blank = value.indexOf(' ');
                    yield Times.full(Instant.parse(value.substring(0, blank)), ZoneId.of(value.substring(blank + 1)), words);
                }
            };
        }
    }

    /** A text as somebody typed it; one that is longer than a line of the log is cut. */
    public static Detail text(String text) {
        return new Detail("", List.of(Value.of(text)));
    }

    /** @param values texts, numbers, and {@link Value}s */
    public static Detail of(String key, Object... values) {
        return new Detail(key, Arrays.stream(values).map(Value::of).toList());
    }

    private static String cut(String text) {
        return Shortened.end(text.replace("\0", ""), LONGEST);
    }

    /** In a language. */
    public String said(Words words) {
        Object[] all = values.stream().map(value -> value.said(words)).toArray();
        return key.isEmpty() ? String.valueOf(all[0]) : words.fill(key, all);
    }

    String json() {
        return JsonDocuments.MAPPER.writeValueAsString(this);
    }

    static Detail read(String json) {
        return JsonDocuments.MAPPER.readValue(json, Detail.class);
    }
}
