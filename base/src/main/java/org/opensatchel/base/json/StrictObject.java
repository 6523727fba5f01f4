package org.opensatchel.base.json;

import static org.opensatchel.base.fact.FactName.EXPECTED;
import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.KEY;
import static org.opensatchel.base.fact.FactName.LEAST;
import static org.opensatchel.base.fact.FactName.TYPES;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import java.util.Set;
import java.util.function.Function;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Phrase;
import tools.jackson.databind.JsonNode;

/**
 * A JSON object read key by key, strictly: a key nobody asked for, a wrong type and a missing key are faults with their
 * places. Faults are collected, and reading goes on with a harmless value, so that all of them are told at once.
 */
public final class StrictObject {

    private final JsonNode node;
    private final String pointer;
    private final List<JsonFault> faults;
    private final Set<String> asked = new HashSet<>();

    public StrictObject(JsonNode node, String pointer, List<JsonFault> faults) {
        this.node = node;
        this.pointer = pointer;
        this.faults = faults;
        if (!node.isObject()) {
            fault(JsonWording.NO_OBJECT.say());
        }
    }

    public String pointer() {
        return pointer;
    }

    public String pointer(String key) {
        return pointer + "/" + escaped(key);
    }

    public void fault(Phrase what) {
        faults.add(new JsonFault(pointer, what));
    }

    public void fault(String key, Phrase what) {
        faults.add(new JsonFault(pointer(key), what));
    }

    /** @param below the rest of the pointer, from this object on */
    public void faultAt(String below, Phrase what) {
        faults.add(new JsonFault(pointer + "/" + below, what));
    }

    public boolean has(String key) {
        return node.has(key);
    }

    public Optional<JsonNode> node(String key) {
        asked.add(key);
        return Optional.ofNullable(node.get(key));
    }

    public Optional<String> text(String key) {
        Optional<JsonNode> value = node(key);
        if (value.isPresent() && !value.get().isString()) {
            fault(key, JsonWording.NO_TEXT.say(Facts.of(KEY, key)));
            return Optional.empty();
        }
        return value.map(JsonNode::stringValue);
    }

    public String requiredText(String key) {
        if (!has(key)) {
            asked.add(key);
            fault(JsonWording.MISSING.say(Facts.of(KEY, key)));
            return "";
        }
        return text(key).orElse("");
    }

    public boolean flag(String key, boolean otherwise) {
        Optional<JsonNode> value = node(key);
        if (value.isPresent() && !value.get().isBoolean()) {
            fault(key, JsonWording.NO_FLAG.say(Facts.of(KEY, key)));
            return otherwise;
        }
        return value.map(JsonNode::booleanValue).orElse(otherwise);
    }

    /** A whole number that is not below a least value. */
    public OptionalLong integer(String key, long least) {
        Optional<JsonNode> value = node(key);
        if (value.isEmpty()) {
            return OptionalLong.empty();
        }
        if (!value.get().isIntegralNumber() || !value.get().canConvertToLong() || value.get().longValue() < least) {
            fault(key, JsonWording.NO_INTEGER.say(Facts.of(KEY, key).and(LEAST, least)));
            return OptionalLong.empty();
        }
        return OptionalLong.of(value.get().longValue());
    }

    /** A whole number, cut to the largest {@code int}; {@code otherwise} where there is none, or a fault. */
    public int integer(String key, int least, int otherwise) {
        return (int) Math.min(Integer.MAX_VALUE, integer(key, least).orElse(otherwise));
    }

    /** A number with or without a fraction; empty where there is none, or a fault. */
    public OptionalDouble number(String key) {
        Optional<JsonNode> value = node(key);
        if (value.isPresent() && !value.get().isNumber()) {
            fault(key, JsonWording.NO_NUMBER.say(Facts.of(KEY, key)));
            return OptionalDouble.empty();
        }
        return value.isPresent() ? OptionalDouble.of(value.get().doubleValue()) : OptionalDouble.empty();
    }

    /** One of a few words. */
    public <T> T choice(String key, Map<String, T> choices, T otherwise) {
        Optional<String> value = text(key);
        if (value.isPresent() && !choices.containsKey(value.get())) {
            fault(key, JsonWording.NO_CHOICE.say(Facts.of(KEY, key).and(FOUND, value.get()).and(TYPES, List.copyOf(choices.keySet()))));
            return otherwise;
        }
        return value.map(choices::get).orElse(otherwise);
    }

    public List<String> texts(String key) {
        List<String> out = new ArrayList<>();
        forEach(key, (item, at) -> {
            if (item.isString()) {
                out.add(item.stringValue());
            } else {
                faults.add(new JsonFault(at, JsonWording.NO_TEXTS.say(Facts.of(KEY, key))));
            }
        });
        return out;
    }

    public Optional<StrictObject> object(String key) {
        return node(key).map(value -> new StrictObject(value, pointer(key), faults));
    }

    /** The objects of a list, each read and closed. */
    public <T> List<T> objects(String key, Function<StrictObject, T> reader) {
        List<T> out = new ArrayList<>();
        forEach(key, (item, at) -> {
            StrictObject object = new StrictObject(item, at, faults);
            if (item.isObject()) {
                out.add(reader.apply(object));
                object.close();
            }
        });
        return out;
    }

    /** Names every key that was never asked for. */
    public void close() {
        for (String key : node.propertyNames()) {
            if (!asked.contains(key)) {
                fault(key, JsonWording.UNKNOWN_KEY.say(Facts.of(KEY, key).and(EXPECTED, nearest(key))));
            }
        }
    }

    public List<String> keys() {
        List<String> keys = new ArrayList<>(node.propertyNames());
        asked.addAll(keys);
        return keys;
    }

    private interface Item {
        void take(JsonNode item, String at);
    }

    private void forEach(String key, Item taker) {
        Optional<JsonNode> list = node(key);
        if (list.isEmpty()) {
            return;
        }
        if (!list.get().isArray()) {
            fault(key, JsonWording.NO_LIST.say(Facts.of(KEY, key)));
            return;
        }
        int i = 0;
        for (JsonNode item : list.get()) {
            taker.take(item, pointer(key) + "/" + i++);
        }
    }

    private Optional<String> nearest(String key) {
        return asked.stream().filter(known -> known.equalsIgnoreCase(key) || known.startsWith(key) || key.startsWith(known)).findFirst();
    }

    /** A key as it stands in a JSON pointer (RFC 6901, section 3). */
    public static String escaped(String key) {
        return key.replace("~", "~0").replace("/", "~1");
    }
}
