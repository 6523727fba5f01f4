package org.opensatchel.core.kit;

import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.KEY;
import static org.opensatchel.base.fact.FactName.TYPES;

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
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.json.JsonWording;
import org.opensatchel.base.json.StrictObject;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.naming.NamePattern;
import tools.jackson.databind.node.ObjectNode;

/** What fields of the kit document hold. */
final class FieldTypes {

    private static final Pattern SHA256 = Pattern.compile("[0-9a-f]{64}");

    private FieldTypes() {
    }

    /** The parts of one kind, put together. */
    record Simple<T>(ReadBy<T> reading, WriteTo<T> writing, ObjectNode schema, boolean isRequired, Predicate<T> saysNothing)
            implements
                FieldType<T> {
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

    interface ReadBy<T> {
        T read(StrictObject object, String key, KitContext in);
    }

    interface WriteTo<T> {
        void write(ObjectNode out, String key, T value);
    }

    static <T> Simple<T> simple(ObjectNode schema, BiFunction<StrictObject, String, T> reading, WriteTo<T> writing) {
        return new Simple<>((object, key, in) -> reading.apply(object, key), writing, schema, false, value -> false);
    }

    private static <T> Simple<T> required(ObjectNode schema, ReadBy<T> reading, WriteTo<T> writing) {
        return new Simple<>(reading, writing, schema, true, value -> false);
    }

    /** A text that has to be there. */
    static FieldType<String> needed() {
        return required(Schemas.type("string"), (object, key, in) -> object.requiredText(key), ObjectNode::put);
    }

    /**
     * The same, with something that must not be.
     *
     * @param pattern what a schema can say of it: a regular expression as ECMA-262 has them
     */
    static FieldType<String> needed(String pattern, BiConsumer<Given, KitContext> check) {
        return required(Schemas.type("string").put("pattern", pattern), (object, key, in) -> {
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
    static FieldType<String> hash() {
        return required(Schemas.type("string").put("pattern", "^[0-9a-fA-F]{64}$"), (object, key, in) -> {
            String text = object.requiredText(key).toLowerCase(Locale.ROOT);
            if (!SHA256.matcher(text).matches()) {
                object.fault(key, KitWording.BAD_HASH.say());
            }
            return text;
        }, ObjectNode::put);
    }

    /** A text, empty where there is none. */
    static FieldType<String> text() {
        return simple(Schemas.type("string"), (object, key) -> object.text(key).orElse(""), ObjectNode::put);
    }

    /** A text, where there is one. */
    static FieldType<Optional<String>> maybe() {
        return simple(Schemas.type("string"), StrictObject::text, (out, key, value) -> value.ifPresent(text -> out.put(key, text)));
    }

    /** Whether something is so, which it is not where nothing is said. */
    static FieldType<Boolean> flag() {
        return simple(Schemas.type("boolean"), (object, key) -> object.flag(key, false), (WriteTo<Boolean>) ObjectNode::put)
                .quiet(value -> !value);
    }

    /** The same, said either way. */
    static FieldType<Boolean> saidFlag(boolean otherwise) {
        return simple(Schemas.type("boolean"), (object, key) -> object.flag(key, otherwise), ObjectNode::put);
    }

    /** A number where 0 asks for nothing. */
    static FieldType<Integer> count(int least) {
        return simple(Schemas.integer(least), (object, key) -> object.integer(key, least, 0), (WriteTo<Integer>) ObjectNode::put)
                .quiet(value -> value == 0);
    }

    /** A number that is always said. */
    static FieldType<Integer> number(int least, int otherwise) {
        return simple(Schemas.integer(least), (object, key) -> object.integer(key, least, otherwise), ObjectNode::put);
    }

    /** A length in bytes that is always said. */
    static FieldType<Long> length() {
        return simple(Schemas.type("integer").put("minimum", 0), (object, key) -> object.integer(key, 0).orElse(0), ObjectNode::put);
    }

    /** A size in bytes, where there is one. */
    static FieldType<OptionalLong> size() {
        return simple(Schemas.type("integer").put("minimum", 1), (object, key) -> object.integer(key, 1),
                (out, key, value) -> value.ifPresent(bytes -> out.put(key, bytes)));
    }

    /** A number, where there is one. */
    static FieldType<OptionalInt> maybeNumber(int least) {
        return simple(Schemas.integer(least), (object, key) -> whole(object.integer(key, least)),
                (out, key, value) -> value.ifPresent(number -> out.put(key, number)));
    }

    static OptionalInt whole(OptionalLong value) {
        return value.isPresent() ? OptionalInt.of((int) Math.min(Integer.MAX_VALUE, value.getAsLong())) : OptionalInt.empty();
    }

    /** A number inside an object of its own; 1 where the object says none. */
    static FieldType<OptionalInt> numberWithin(String inner, int least) {
        return simple(Schemas.object(Map.of(inner, Schemas.integer(least))), (object, key) -> object.object(key).map(own -> {
            int number = own.integer(inner, least, 1);
            own.close();
            return OptionalInt.of(number);
        }).orElse(OptionalInt.empty()), (out, key, value) -> value.ifPresent(number -> out.putObject(key).put(inner, number)));
    }

    /** The words of constants, as documents write them. */
    static <E extends Enum<E>> Map<String, E> words(E[] values) {
        return Stream.of(values).collect(Collectors.toMap(FieldTypes::word, value -> value, (a, b) -> a, LinkedHashMap::new));
    }

    static String word(Enum<?> value) {
        return value.name().toLowerCase(Locale.ROOT);
    }

    /** One of a few words. */
    static <E extends Enum<E>> FieldType<E> word(E[] values, E otherwise) {
        Map<String, E> words = words(values);
        return simple(Schemas.oneOf(words.keySet()), (object, key) -> object.choice(key, words, otherwise),
                (out, key, value) -> out.put(key, word(value)));
    }

    /** One of a few words, not said where it is the usual one. */
    static <E extends Enum<E>> FieldType<E> wordUnless(E[] values, E usual) {
        Map<String, E> words = words(values);
        return simple(Schemas.oneOf(words.keySet()), (object, key) -> object.choice(key, words, usual),
                (WriteTo<E>) (out, key, value) -> out.put(key, word(value))).quiet(usual::equals);
    }

    /** One of a few words, where there is one. */
    static <E extends Enum<E>> FieldType<Optional<E>> maybeWord(E[] values) {
        Map<String, E> words = words(values);
        return simple(Schemas.oneOf(words.keySet()), (object, key) -> Optional.ofNullable(object.choice(key, words, null)),
                (out, key, value) -> value.ifPresent(one -> out.put(key, word(one))));
    }

    /** One of two words for yes and no. */
    static FieldType<Boolean> either(String yes, String no, boolean otherwise) {
        return simple(Schemas.oneOf(List.of(yes, no)), (object, key) -> object.choice(key, Map.of(yes, true, no, false), otherwise),
                (out, key, value) -> out.put(key, value ? yes : no));
    }

    /** Some of a few words. */
    static <E extends Enum<E>> FieldType<List<E>> someWords(E[] values) {
        Map<String, E> words = words(values);
        return simple(Schemas.list(Schemas.oneOf(words.keySet())), (object, key) -> {
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
        }, (out, key, value) -> Schemas.texts(out.putArray(key), value.stream().map(FieldTypes::word).toList()));
    }

    static FieldType<List<String>> texts() {
        return simple(Schemas.list(Schemas.type("string")), StrictObject::texts,
                (out, key, value) -> Schemas.texts(out.putArray(key), value));
    }

    /** The same, not said where there is none. */
    static FieldType<List<String>> someTexts() {
        return simple(Schemas.list(Schemas.type("string")), StrictObject::texts,
                (WriteTo<List<String>>) (out, key, value) -> Schemas.texts(out.putArray(key), value))
                .quiet(List::isEmpty);
    }

    /** Types of files: extensions in lower case without their dots. */
    static FieldType<List<String>> types() {
        return simple(Schemas.list(Schemas.type("string")), FieldTypes::extensions,
                (out, key, value) -> Schemas.texts(out.putArray(key), value));
    }

    /** The same, not said where anything is taken. */
    static FieldType<List<String>> someTypes() {
        return simple(Schemas.list(Schemas.type("string")), FieldTypes::extensions,
                (WriteTo<List<String>>) (out, key, value) -> Schemas.texts(out.putArray(key), value))
                .quiet(List::isEmpty);
    }

    static List<String> extensions(StrictObject object, String key) {
        return object.texts(key).stream().map(text -> text.startsWith(".") ? text.substring(1) : text)
                .map(text -> text.toLowerCase(Locale.ROOT)).distinct().toList();
    }

    /** A pattern for one name. */
    static FieldType<NamePattern> name() {
        return required(Schemas.type("string"), (object, key, in) -> in.pattern(object, key),
                (out, key, value) -> out.put(key, value.text()));
    }

    /** A folder's path, or a pattern for it. */
    static FieldType<FolderPattern> folder() {
        return required(Schemas.path(), (object, key, in) -> in.folder(object, key, object.requiredText(key)),
                (out, key, value) -> out.put(key, value.text()));
    }

    /** The same, where there is one. */
    static FieldType<Optional<FolderPattern>> maybeFolder() {
        return new Simple<>((object, key, in) -> object.text(key).map(text -> in.folder(object, key, text)),
                (out, key, value) -> value.ifPresent(folder -> out.put(key, folder.text())), Schemas.type("string"), false, value -> false);
    }

    /** The folder that something is to be in, which may be a pattern; the project's own where none is said. */
    static FieldType<ProjectPath> place() {
        return new Simple<>((object, key, in) -> in.place().orElseGet(() -> {
            String text = object.text(key).orElse("");
            if (!text.isEmpty()) {
                in.wrongPath(text).ifPresentOrElse(wrong -> object.fault(key, wrong), () -> in.patterns(object, key, text));
            }
            return ProjectPath.of(text);
        }), (out, key, value) -> out.put(key, value.text()), Schemas.type("string"), false, value -> false);
    }

    /** The path of a file. */
    static FieldType<ProjectPath> file() {
        return required(Schemas.path(), (object, key, in) -> {
            String path = object.requiredText(key);
            in.wrongPath(path).ifPresent(wrong -> object.fault(key, wrong));
            return ProjectPath.of(path);
        }, (out, key, value) -> out.put(key, value.text()));
    }

    /** The same, where there is one. */
    static FieldType<Optional<ProjectPath>> maybeFile() {
        return new Simple<>((object, key, in) -> {
            Optional<String> path = object.text(key);
            path.flatMap(in::wrongPath).ifPresent(wrong -> object.fault(key, wrong));
            return path.map(ProjectPath::of);
        }, (out, key, value) -> value.ifPresent(path -> out.put(key, path.text())), Schemas.type("string"), false, value -> false);
    }

    /** An object of another shape, where there is one. */
    static <R extends Record> FieldType<Optional<R>> maybe(Shape<R> shape, String definition, Predicate<R> saysNothing) {
        return new Simple<>((object, key, in) -> object.object(key).map(own -> shape.readWhole(own, in)).filter(saysNothing.negate()),
                (out, key, value) -> value.ifPresent(one -> shape.write(out.putObject(key), one)), Schemas.reference(definition), false,
                value -> false);
    }

    /** An object of another shape; one that asks for nothing where there is none. */
    static <R extends Record> FieldType<R> unless(Shape<R> shape, ObjectNode schema, R nothing) {
        return new Simple<>((object, key, in) -> object.object(key).map(own -> shape.readWhole(own, in)).orElse(nothing),
                (out, key, value) -> shape.write(out.putObject(key), value), schema, false, nothing::equals);
    }

    /** Whether something is so or not, where that is said. */
    static FieldType<Optional<Boolean>> maybeFlag() {
        return simple(Schemas.type("boolean"), (object, key) -> object.has(key) ? Optional.of(object.flag(key, true)) : Optional.empty(),
                (out, key, value) -> value.ifPresent(yes -> out.put(key, yes)));
    }

    /** A number above 0, where there is one. Kits that went out before that was asked for may hold others, which ask for nothing. */
    static FieldType<OptionalDouble> positive() {
        return new Simple<>((object, key, in) -> {
            OptionalDouble value = object.number(key);
            if (value.isPresent() && !(value.getAsDouble() > 0 && Double.isFinite(value.getAsDouble()))) {
                if (!in.isPublished()) {
                    object.fault(key, KitWording.NOT_ABOVE_ZERO.say(Facts.of(KEY, key)));
                }
                return OptionalDouble.empty();
            }
            return value;
        }, (out, key, value) -> value.ifPresent(number -> out.put(key, number)), Schemas.type("number").put("exclusiveMinimum", 0), false,
                value -> false);
    }

    static boolean isAbove(OptionalDouble least, OptionalDouble most) {
        return least.isPresent() && most.isPresent() && least.getAsDouble() > most.getAsDouble();
    }

}
