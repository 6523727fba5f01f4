package org.opensatchel.base.fact;

import static org.opensatchel.base.fact.FactName.COUNT;
import static org.opensatchel.base.fact.FactName.NAME;
import static org.opensatchel.base.fact.FactName.TEXT;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Collections;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;

/**
 * The facts of a finding, or of anything else that is said, by their names; immutable. In JSON a text is a string, a number a
 * number, several texts a list ({@code {"first": […], "all": N}} where not all of them are told), and a phrase an object whose
 * {@code is} names its wording.
 */
public final class Facts {

    /** Of more texts in one fact only so many are kept, and their number. */
    public static final int MOST_TEXTS = 100;

    public static final Facts NONE = new Facts(new EnumMap<>(FactName.class));

    private static final String IS = "is";

    private final Map<FactName, Fact> values;

    private Facts(Map<FactName, Fact> values) {
        this.values = values;
    }

    public static Facts of(FactName name, Object value) {
        return NONE.and(name, value);
    }

    /** With one more fact; an absent one adds nothing. */
    public Facts and(FactName name, Object value) {
        Object given = value instanceof Optional<?> optional ? optional.orElse(null) : value;
        return given == null ? this : with(name, fact(name, given));
    }

    private Facts with(FactName name, Fact fact) {
        EnumMap<FactName, Fact> more = new EnumMap<>(FactName.class);
        more.putAll(values);
        more.put(name, fact);
        return new Facts(more);
    }

    /** All of both; where both have one, the other's. */
    public Facts and(Facts other) {
        EnumMap<FactName, Fact> more = new EnumMap<>(FactName.class);
        more.putAll(values);
        more.putAll(other.values);
        return new Facts(more);
    }

    private static Fact fact(FactName name, Object value) {
        return switch (name.kind()) {
            case COUNT, BYTES -> new Fact.Number(((Number) value).longValue());
            case NAMES, TEXTS, WORDS -> texts((List<?>) value);
            case DECIMAL, SECONDS -> new Fact.Decimal(((Number) value).doubleValue());
            case PHRASE -> new Fact.Said((Phrase) value);
            case PHRASES -> new Fact.SaidAll(((List<?>) value).stream().map(Phrase.class::cast).toList());
            case WORD -> new Fact.Text(text(value));
            case NAME, TEXT, TERM -> new Fact.Text(value.toString());
        };
    }

    private static Fact texts(List<?> all) {
        return new Fact.Texts(all.stream().limit(MOST_TEXTS).map(Facts::text).toList(), all.size());
    }

    private static String text(Object value) {
        return value instanceof Enum<?> constant ? Wording.word(constant) : value.toString();
    }

    /** Whether a text among them is of some kind. */
    public boolean mentions(Predicate<String> kind) {
        return values.values().stream().anyMatch(fact -> fact instanceof Fact.Text text ? kind.test(text.value())
                : fact instanceof Fact.Texts texts && texts.values().stream().anyMatch(kind));
    }

    public boolean isEmpty() {
        return values.isEmpty();
    }

    public Set<FactName> names() {
        return Collections.unmodifiableSet(values.keySet());
    }

    public Optional<Fact> get(FactName name) {
        return Optional.ofNullable(values.get(name));
    }

    /** A text by its name; absent where there is none, or it is no text. */
    public Optional<String> text(FactName name) {
        return get(name).flatMap(fact -> fact instanceof Fact.Text text ? Optional.of(text.value()) : Optional.empty());
    }

    /** Texts by their name, as many as are kept; empty where there are none. */
    public List<String> texts(FactName name) {
        return get(name).map(fact -> fact instanceof Fact.Texts texts ? texts.values() : List.<String>of()).orElse(List.of());
    }

    /** A number by its name, 0 where there is none. */
    public long number(FactName name) {
        return get(name).map(fact -> fact instanceof Fact.Number number ? number.value() : 0L).orElse(0L);
    }

    /** The same facts with every text shortened. */
    public Facts shortened(UnaryOperator<String> shorter) {
        EnumMap<FactName, Fact> out = new EnumMap<>(FactName.class);
        values.forEach((name, fact) -> out.put(name, shortened(fact, shorter)));
        return new Facts(out);
    }

    private static Fact shortened(Fact fact, UnaryOperator<String> shorter) {
        if (fact instanceof Fact.Text text) {
            return new Fact.Text(shorter.apply(text.value()));
        }
        if (fact instanceof Fact.Texts texts) {
            return new Fact.Texts(texts.values().stream().limit(10).map(shorter).toList(), texts.all());
        }
        if (fact instanceof Fact.SaidAll all) {
            return new Fact.SaidAll(all.phrases().stream().map(phrase -> shortened(phrase, shorter)).toList());
        }
        return fact instanceof Fact.Said said ? new Fact.Said(shortened(said.phrase(), shorter)) : fact;
    }

    private static Phrase shortened(Phrase phrase, UnaryOperator<String> shorter) {
        return new Phrase(phrase.key(), phrase.facts().shortened(shorter));
    }

    @JsonValue
    public Map<String, Object> json() {
        Map<String, Object> out = new LinkedHashMap<>();
        values.forEach((name, fact) -> out.put(name.word(), json(fact)));
        return out;
    }

    private static Object json(Fact fact) {
        if (fact instanceof Fact.Text text) {
            return text.value();
        }
        if (fact instanceof Fact.Number number) {
            return number.value();
        }
        if (fact instanceof Fact.Texts texts) {
            return texts.all() == texts.values().size() ? texts.values() : part(texts);
        }
        if (fact instanceof Fact.Decimal decimal) {
            return decimal.value();
        }
        if (fact instanceof Fact.SaidAll all) {
            return all.phrases().stream().map(Facts::json).toList();
        }
        return json(((Fact.Said) fact).phrase());
    }

    private static Map<String, Object> part(Fact.Texts texts) {
        Map<String, Object> out = new LinkedHashMap<>();
        out.put("first", texts.values());
        out.put("all", texts.all());
        return out;
    }

    /** A phrase as JSON writes it. */
    public static Map<String, Object> json(Phrase phrase) {
        Map<String, Object> out = new LinkedHashMap<>();
        out.put(IS, phrase.key());
        out.putAll(phrase.facts().json());
        return out;
    }

    /** The facts of a JSON object; names that are not known, and values of another type than theirs, are passed over. */
    @JsonCreator
    public static Facts fromJson(Map<String, Object> object) {
        EnumMap<FactName, Fact> out = new EnumMap<>(FactName.class);
        object.forEach((word, value) -> FactName.of(word).ifPresent(name -> fromJson(name, value).ifPresent(fact -> out.put(name, fact))));
        return new Facts(out);
    }

    /** The phrase of a JSON object; absent where it names no wording. */
    public static Optional<Phrase> phrase(Map<?, ?> object) {
        return object.get(IS) instanceof String key ? Optional.of(new Phrase(key, fromJson(strings(object)))) : Optional.empty();
    }

    private static Optional<Fact> fromJson(FactName name, Object value) {
        return Optional.ofNullable(switch (name.kind()) {
            case COUNT, BYTES -> value instanceof Number number ? new Fact.Number(number.longValue()) : null;
            case NAMES, TEXTS, WORDS -> textsFromJson(value);
            case PHRASE -> value instanceof Map<?, ?> object ? phrase(object).<Fact>map(Fact.Said::new).orElse(null) : null;
            case DECIMAL, SECONDS -> value instanceof Number number ? new Fact.Decimal(number.doubleValue()) : null;
            case PHRASES -> value instanceof List<?> list
                    ? new Fact.SaidAll(list.stream()
                            .flatMap(one -> one instanceof Map<?, ?> object ? phrase(object).stream() : Stream.empty()).toList())
                    : null;
            case NAME, TEXT, TERM, WORD -> value instanceof String text ? new Fact.Text(text) : null;
        });
    }

    private static Fact textsFromJson(Object value) {
        if (value instanceof List<?> list) {
            return texts(list);
        }
        return value instanceof Map<?, ?> part && part.get("first") instanceof List<?> first && part.get("all") instanceof Number all
                ? new Fact.Texts(first.stream().limit(MOST_TEXTS).map(Object::toString).toList(), all.intValue())
                : null;
    }

    private static Map<String, Object> strings(Map<?, ?> object) {
        Map<String, Object> out = new LinkedHashMap<>();
        object.forEach((key, value) -> out.put(String.valueOf(key), value));
        return out;
    }

    /** The fact names that are declared together, in the order of the list. */
    public static Set<FactName> declared(FactName... names) {
        return Collections.unmodifiableSet(new LinkedHashSet<>(List.of(names)));
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Facts facts && values.equals(facts.values);
    }

    @Override
    public int hashCode() {
        return values.hashCode();
    }

    /** For ordering and for tests, not for people. */
    @Override
    public String toString() {
        return json().toString();
    }
}
