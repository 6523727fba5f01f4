package org.opensatchel.core.kit;

import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.KEY;
import static org.opensatchel.base.fact.FactName.MOST;
import static org.opensatchel.base.fact.FactName.TYPES;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.OptionalLong;
import java.util.function.BiConsumer;
import java.util.function.BiFunction;
import java.util.function.Predicate;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.base.json.JsonWording;
import org.opensatchel.base.json.StrictObject;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.kit.MediaRule.Aspect;
import org.opensatchel.core.kit.MediaRule.Band;
import org.opensatchel.core.naming.NamePattern;
import org.opensatchel.core.naming.ProxyName;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** What fields of the kit document hold. */
final class Holds {

    /** More than that is a slip of the keyboard. */
    private static final int MOST_OFF = 1_000;
    private static final Pattern SHA256 = Pattern.compile("[0-9a-f]{64}");
    private static final Pattern ASPECT = Pattern.compile("[1-9][0-9]{0,4}:[1-9][0-9]{0,4}");
    private static final Pattern TIME = Pattern.compile("[0-9]{2}:[0-5][0-9]:[0-5][0-9][:;][0-9]{2,3}");

    private Holds() {
    }

    /** The parts of one kind, put together. */
    private record Simple<T>(ReadBy<T> reading, WriteTo<T> writing, ObjectNode schema, boolean isRequired, Predicate<T> saysNothing)
            implements
                Held<T> {
        @Override
        public T read(StrictObject object, String key, KitContext in) {
            return reading.read(object, key, in);
        }

        @Override
        public void write(ObjectNode out, String key, T value) {
            if (!saysNothing.test(value)) {
                writing.write(out, key, value);
            }
        }

        @Override
        public ObjectNode schema() {
            return schema.deepCopy();
        }

        Simple<T> quiet(Predicate<T> when) {
            return new Simple<>(reading, writing, schema, isRequired, when);
        }
    }

    private interface ReadBy<T> {
        T read(StrictObject object, String key, KitContext in);
    }

    private interface WriteTo<T> {
        void write(ObjectNode out, String key, T value);
    }

    private static <T> Simple<T> simple(ObjectNode schema, BiFunction<StrictObject, String, T> reading, WriteTo<T> writing) {
        return new Simple<>((object, key, in) -> reading.apply(object, key), writing, schema, false, value -> false);
    }

    private static <T> Simple<T> required(ObjectNode schema, ReadBy<T> reading, WriteTo<T> writing) {
        return new Simple<>(reading, writing, schema, true, value -> false);
    }

    static ObjectNode type(String name) {
        return JsonDocuments.MAPPER.createObjectNode().put("type", name);
    }

    static ObjectNode list(ObjectNode items) {
        ObjectNode out = type("array");
        out.set("items", items);
        return out;
    }

    static ObjectNode integer(int least) {
        return type("integer").put("minimum", least);
    }

    /** An object that holds nothing but these. */
    static ObjectNode object(Map<String, ObjectNode> properties, String... required) {
        ObjectNode out = type("object");
        ObjectNode all = out.putObject("properties");
        properties.entrySet().stream().sorted(Map.Entry.comparingByKey()).forEach(one -> all.set(one.getKey(), one.getValue()));
        out.put("additionalProperties", false);
        if (required.length > 0) {
            texts(out.putArray("required"), List.of(required));
        }
        return out;
    }

    static ObjectNode oneOf(Iterable<String> words) {
        ObjectNode out = JsonDocuments.MAPPER.createObjectNode();
        ArrayNode list = out.putArray("enum");
        words.forEach(list::add);
        return out;
    }

    /** A text that has to be there. */
    static Held<String> needed() {
        return required(type("string"), (object, key, in) -> object.requiredText(key), ObjectNode::put);
    }

    /**
     * The same, with something that must not be.
     *
     * @param pattern what a schema can say of it: a regular expression as ECMA-262 has them
     */
    static Held<String> needed(String pattern, BiConsumer<Given, KitContext> check) {
        return required(type("string").put("pattern", pattern), (object, key, in) -> {
            Given given = new Given(object, key, object.requiredText(key));
            check.accept(given, in);
            return given.text;
        }, ObjectNode::put);
    }

    /** A text as it stands in an object. */
    record Given(StrictObject object, String key, String text) {
        boolean isThere() {
            return object.has(key);
        }

        void fault(KitWording what) {
            object.fault(key, what.say());
        }
    }

    /** A SHA-256 in hexadecimal digits, which are read in either case. */
    static Held<String> hash() {
        return required(type("string").put("pattern", "^[0-9a-fA-F]{64}$"), (object, key, in) -> {
            String text = object.requiredText(key).toLowerCase(Locale.ROOT);
            if (!SHA256.matcher(text).matches()) {
                object.fault(key, KitWording.BAD_HASH.say());
            }
            return text;
        }, ObjectNode::put);
    }

    /** A text, empty where there is none. */
    static Held<String> text() {
        return simple(type("string"), (object, key) -> object.text(key).orElse(""), ObjectNode::put);
    }

    /** A text, where there is one. */
    static Held<Optional<String>> maybe() {
        return simple(type("string"), StrictObject::text, (out, key, value) -> value.ifPresent(text -> out.put(key, text)));
    }

    /** Whether something is so, which it is not where nothing is said. */
    static Held<Boolean> flag() {
        return simple(type("boolean"), (object, key) -> object.flag(key, false), (WriteTo<Boolean>) ObjectNode::put).quiet(value -> !value);
    }

    /** The same, said either way. */
    static Held<Boolean> saidFlag(boolean otherwise) {
        return simple(type("boolean"), (object, key) -> object.flag(key, otherwise), ObjectNode::put);
    }

    /** A number where 0 asks for nothing. */
    static Held<Integer> count(int least) {
        return simple(integer(least), (object, key) -> object.integer(key, least, 0), (WriteTo<Integer>) ObjectNode::put)
                .quiet(value -> value == 0);
    }

    /** A number that is always said. */
    static Held<Integer> number(int least, int otherwise) {
        return simple(integer(least), (object, key) -> object.integer(key, least, otherwise), ObjectNode::put);
    }

    /** A length in bytes that is always said. */
    static Held<Long> length() {
        return simple(type("integer").put("minimum", 0), (object, key) -> object.integer(key, 0).orElse(0), ObjectNode::put);
    }

    /** A size in bytes, where there is one. */
    static Held<OptionalLong> size() {
        return simple(type("integer").put("minimum", 1), (object, key) -> object.integer(key, 1),
                (out, key, value) -> value.ifPresent(bytes -> out.put(key, bytes)));
    }

    /** A number, where there is one. */
    static Held<OptionalInt> maybeNumber(int least) {
        return simple(integer(least), (object, key) -> whole(object.integer(key, least)),
                (out, key, value) -> value.ifPresent(number -> out.put(key, number)));
    }

    static OptionalInt whole(OptionalLong value) {
        return value.isPresent() ? OptionalInt.of((int) Math.min(Integer.MAX_VALUE, value.getAsLong())) : OptionalInt.empty();
    }

    /** A number inside an object of its own; 1 where the object says none. */
    static Held<OptionalInt> numberWithin(String inner, int least) {
        return simple(object(Map.of(inner, integer(least))), (object, key) -> object.object(key).map(own -> {
            int number = own.integer(inner, least, 1);
            own.close();
            return OptionalInt.of(number);
        }).orElse(OptionalInt.empty()), (out, key, value) -> value.ifPresent(number -> out.putObject(key).put(inner, number)));
    }

    /** The words of constants, as documents write them. */
    static <E extends Enum<E>> Map<String, E> words(E[] values) {
        return Stream.of(values).collect(Collectors.toMap(Holds::word, value -> value, (a, b) -> a, LinkedHashMap::new));
    }

    static String word(Enum<?> value) {
        return value.name().toLowerCase(Locale.ROOT);
    }

    /** One of a few words. */
    static <E extends Enum<E>> Held<E> word(E[] values, E otherwise) {
        Map<String, E> words = words(values);
        return simple(oneOf(words.keySet()), (object, key) -> object.choice(key, words, otherwise),
                (out, key, value) -> out.put(key, word(value)));
    }

    /** One of a few words, not said where it is the usual one. */
    static <E extends Enum<E>> Held<E> wordUnless(E[] values, E usual) {
        Map<String, E> words = words(values);
        return simple(oneOf(words.keySet()), (object, key) -> object.choice(key, words, usual),
                (WriteTo<E>) (out, key, value) -> out.put(key, word(value))).quiet(usual::equals);
    }

    /** One of a few words, where there is one. */
    static <E extends Enum<E>> Held<Optional<E>> maybeWord(E[] values) {
        Map<String, E> words = words(values);
        return simple(oneOf(words.keySet()), (object, key) -> Optional.ofNullable(object.choice(key, words, null)),
                (out, key, value) -> value.ifPresent(one -> out.put(key, word(one))));
    }

    /** One of two words for yes and no. */
    static Held<Boolean> either(String yes, String no, boolean otherwise) {
        return simple(oneOf(List.of(yes, no)), (object, key) -> object.choice(key, Map.of(yes, true, no, false), otherwise),
                (out, key, value) -> out.put(key, value ? yes : no));
    }

    /** Some of a few words. */
    static <E extends Enum<E>> Held<List<E>> someWords(E[] values) {
        Map<String, E> words = words(values);
        return simple(list(oneOf(words.keySet())), (object, key) -> {
            List<E> out = new ArrayList<>();
            for (String word : object.texts(key)) {
                if (words.containsKey(word)) {
                    out.add(words.get(word));
                } else {
                    object.fault(key, JsonWording.NO_CHOICE
                            .say(Facts.of(KEY, key).and(FOUND, word).and(TYPES, List.copyOf(words.keySet()))));
                }
            }
            return out;
        }, (out, key, value) -> texts(out.putArray(key), value.stream().map(Holds::word).toList()));
    }

    static Held<List<String>> texts() {
        return simple(list(type("string")), StrictObject::texts, (out, key, value) -> texts(out.putArray(key), value));
    }

    /** The same, not said where there is none. */
    static Held<List<String>> someTexts() {
        return simple(list(type("string")), StrictObject::texts,
                (WriteTo<List<String>>) (out, key, value) -> texts(out.putArray(key), value))
                .quiet(List::isEmpty);
    }

    /** Types of files: extensions in lower case without their dots. */
    static Held<List<String>> types() {
        return simple(list(type("string")), Holds::extensions, (out, key, value) -> texts(out.putArray(key), value));
    }

    /** The same, not said where anything is taken. */
    static Held<List<String>> someTypes() {
        return simple(list(type("string")), Holds::extensions, (WriteTo<List<String>>) (out, key, value) -> texts(out.putArray(key), value))
                .quiet(List::isEmpty);
    }

    static List<String> extensions(StrictObject object, String key) {
        return object.texts(key).stream().map(text -> text.startsWith(".") ? text.substring(1) : text)
                .map(text -> text.toLowerCase(Locale.ROOT)).distinct().toList();
    }

    static void texts(ArrayNode out, List<String> texts) {
        texts.forEach(out::add);
    }

    /** A pattern for one name. */
    static Held<NamePattern> name() {
        return required(type("string"), (object, key, in) -> in.pattern(object, key), (out, key, value) -> out.put(key, value.text()));
    }

    /** A folder's path, or a pattern for it. */
    static Held<FolderPattern> folder() {
        return required(path(), (object, key, in) -> in.folder(object, key, object.requiredText(key)),
                (out, key, value) -> out.put(key, value.text()));
    }

    /** The same, where there is one. */
    static Held<Optional<FolderPattern>> maybeFolder() {
        return new Simple<>((object, key, in) -> object.text(key).map(text -> in.folder(object, key, text)),
                (out, key, value) -> value.ifPresent(folder -> out.put(key, folder.text())), type("string"), false, value -> false);
    }

    /** The folder that something is to be in, which may be a pattern; the project's own where none is said. */
    static Held<ProjectPath> place() {
        return new Simple<>((object, key, in) -> in.place().orElseGet(() -> {
            String text = object.text(key).orElse("");
            if (!text.isEmpty()) {
                in.wrongPath(text).ifPresentOrElse(wrong -> object.fault(key, wrong), () -> in.patterns(object, key, text));
            }
            return ProjectPath.of(text);
        }), (out, key, value) -> out.put(key, value.text()), type("string"), false, value -> false);
    }

    private static ObjectNode path() {
        return type("string").put("minLength", 1).put("pattern", "^[^\\\\/][^\\\\]*$");
    }

    /** The path of a file. */
    static Held<ProjectPath> file() {
        return required(path(), (object, key, in) -> {
            String path = object.requiredText(key);
            in.wrongPath(path).ifPresent(wrong -> object.fault(key, wrong));
            return ProjectPath.of(path);
        }, (out, key, value) -> out.put(key, value.text()));
    }

    /** The same, where there is one. */
    static Held<Optional<ProjectPath>> maybeFile() {
        return new Simple<>((object, key, in) -> {
            Optional<String> path = object.text(key);
            path.flatMap(in::wrongPath).ifPresent(wrong -> object.fault(key, wrong));
            return path.map(ProjectPath::of);
        }, (out, key, value) -> value.ifPresent(path -> out.put(key, path.text())), type("string"), false, value -> false);
    }

    /** How a proxy is called. */
    static Held<Optional<ProxyName>> proxyName() {
        return simple(type("string").put("pattern", "^[^{}/\\\\]*\\{original\\}[^{}/\\\\]*$"), (object, key) -> {
            Optional<String> text = object.text(key);
            Optional<ProxyName> name = text.flatMap(ProxyName::read);
            text.filter(given -> name.isEmpty()).ifPresent(given -> object.fault(key, KitWording.PROXY_NAME.say(Facts.of(FOUND, given))));
            return name;
        }, (out, key, value) -> value.ifPresent(name -> out.put(key, name.text())));
    }

    /** An object of another shape, where there is one. */
    static <R extends Record> Held<Optional<R>> maybe(Shape<R> shape, String definition, Predicate<R> saysNothing) {
        return new Simple<>((object, key, in) -> object.object(key).map(own -> shape.readWhole(own, in)).filter(saysNothing.negate()),
                (out, key, value) -> value.ifPresent(one -> shape.write(out.putObject(key), one)), reference(definition), false,
                value -> false);
    }

    /** An object of another shape; one that asks for nothing where there is none. */
    static <R extends Record> Held<R> unless(Shape<R> shape, ObjectNode schema, R nothing) {
        return new Simple<>((object, key, in) -> object.object(key).map(own -> shape.readWhole(own, in)).orElse(nothing),
                (out, key, value) -> shape.write(out.putObject(key), value), schema, false, nothing::equals);
    }

    static ObjectNode reference(String definition) {
        return JsonDocuments.MAPPER.createObjectNode().put("$ref", "#/$defs/" + definition);
    }

    /** Whether something is so or not, where that is said. */
    static Held<Optional<Boolean>> maybeFlag() {
        return simple(type("boolean"), (object, key) -> object.has(key) ? Optional.of(object.flag(key, true)) : Optional.empty(),
                (out, key, value) -> value.ifPresent(yes -> out.put(key, yes)));
    }

    /** A number above 0, where there is one. Kits that went out before that was asked for may hold others, which ask for nothing. */
    static Held<OptionalDouble> positive() {
        return new Simple<>((object, key, in) -> {
            OptionalDouble value = object.number(key);
            if (value.isPresent() && !(value.getAsDouble() > 0 && Double.isFinite(value.getAsDouble()))) {
                if (!in.isPublished()) {
                    object.fault(key, KitWording.NOT_ABOVE_ZERO.say(Facts.of(KEY, key)));
                }
                return OptionalDouble.empty();
            }
            return value;
        }, (out, key, value) -> value.ifPresent(number -> out.put(key, number)), type("number").put("exclusiveMinimum", 0), false,
                value -> false);
    }

    static boolean isAbove(OptionalDouble least, OptionalDouble most) {
        return least.isPresent() && most.isPresent() && least.getAsDouble() > most.getAsDouble();
    }

    /** Width to height, like 16:9. */
    static Held<Optional<Aspect>> aspect() {
        return simple(type("string").put("pattern", "^" + ASPECT.pattern() + "$"), (object, key) -> {
            Optional<String> text = object.text(key);
            Optional<Matcher> parts = text.map(ASPECT::matcher).filter(Matcher::matches);
            if (text.isPresent() && parts.isEmpty()) {
                object.fault(key, KitWording.ASPECT.say());
            }
            return parts.map(part -> part.group().split(":")).map(part -> new Aspect(Integer.parseInt(part[0]), Integer.parseInt(part[1])));
        }, (out, key, value) -> value.ifPresent(aspect -> out.put(key, aspect.toString())));
    }

    /** From one number to another. */
    static Held<Optional<Band>> band(KitWording wrong) {
        return simple(list(type("number")).put("minItems", 2).put("maxItems", 2), (object, key) -> {
            Optional<JsonNode> node = object.node(key);
            Optional<Band> band = node.filter(Holds::isBand).map(pair -> new Band(pair.get(0).doubleValue(), pair.get(1).doubleValue()));
            if (node.isPresent() && band.isEmpty()) {
                object.fault(key, wrong.say());
            }
            return band;
        }, (out, key, value) -> value.ifPresent(band -> out.putArray(key).add(band.low()).add(band.high())));
    }

    private static boolean isBand(JsonNode node) {
        return node.isArray() && node.size() == 2 && node.get(0).isNumber() && node.get(1).isNumber()
                && node.get(0).doubleValue() <= node.get(1).doubleValue();
    }

    /** A moment: a time code, or seconds. */
    static Held<Optional<String>> time() {
        return simple(anyOf(type("number"), type("string").put("pattern", "^" + TIME.pattern() + "$")), (object, key) -> {
            Optional<JsonNode> node = object.node(key);
            Optional<String> time = node.filter(JsonNode::isNumber).map(number -> number.numberValue().toString())
                    .or(() -> node.filter(JsonNode::isString).map(JsonNode::stringValue).filter(text -> TIME.matcher(text).matches()));
            if (node.isPresent() && time.isEmpty()) {
                object.fault(key, KitWording.STARTS_AT.say());
            }
            return time;
        }, (out, key, value) -> value.ifPresent(time -> {
            if (time.contains(":")) {
                out.put(key, time);
            } else {
                out.put(key, new BigDecimal(time));
            }
        }));
    }

    static ObjectNode anyOf(ObjectNode... forms) {
        ObjectNode out = JsonDocuments.MAPPER.createObjectNode();
        List.of(forms).forEach(out.putArray("oneOf")::add);
        return out;
    }

    /** Patterns for names: one, or several in a list. */
    static Held<List<NamePattern>> oneOrSomeNames() {
        return simple(anyOf(type("string"), list(type("string"))), Holds::names, (WriteTo<List<NamePattern>>) (out, key, value) -> texts(
                out.putArray(key), value.stream().map(NamePattern::text).toList())).quiet(List::isEmpty);
    }

    /** A pattern for a name, where there is one. */
    static Held<Optional<NamePattern>> maybeName() {
        return simple(type("string"), (object, key) -> names(object, key).stream().findFirst(),
                (out, key, value) -> value.ifPresent(name -> out.put(key, name.text())));
    }

    private static List<NamePattern> names(StrictObject object, String key) {
        Optional<JsonNode> node = object.node(key);
        List<String> texts = node.filter(JsonNode::isString).isPresent() ? List.of(node.get().stringValue()) : object.texts(key);
        return texts.stream().map(text -> KitContext.name(object, key, text)).flatMap(Optional::stream).toList();
    }

    /** What something takes off, in hundredths of a point at most: a finer rule nobody could follow on paper. */
    static Held<BigDecimal> deduction(BigDecimal usual) {
        return simple(type("number").put("minimum", 0).put("maximum", MOST_OFF), (object, key) -> {
            OptionalDouble given = object.number(key);
            if (given.isEmpty()) {
                return usual;
            }
            boolean plain = given.getAsDouble() >= 0 && given.getAsDouble() <= MOST_OFF
                    && BigDecimal.valueOf(given.getAsDouble()).stripTrailingZeros().scale() <= 2;
            if (!plain) {
                object.fault(key, KitWording.POINTS_OFF.say(Facts.of(MOST, MOST_OFF)));
                return usual;
            }
            BigDecimal bare = BigDecimal.valueOf(given.getAsDouble()).stripTrailingZeros();
            return bare.scale() < 0 ? bare.setScale(0) : bare;
        }, ObjectNode::put);
    }
}
