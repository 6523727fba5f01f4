package org.opensatchel.core.kit;

import java.lang.reflect.Constructor;
import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.RecordComponent;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.base.json.StrictObject;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * An object of the kit document, described field by field. From that it is read, written and compared, and its JSON Schema is made; what a
 * field is stands nowhere else.
 *
 * @param <R> the record it is in code
 */
final class Shape<R extends Record> {

    /**
     * What stands in an object of the document beside its fields, and is kept beside its record.
     *
     * @param <R> the record
     */
    interface Beside<R> {
        /** @param record what was read of the object's fields */
        void read(StrictObject object, R record, KitContext in);

        void write(ObjectNode out, R record, Kit kit);

        /** Its keys, with their JSON Schemas. */
        Map<String, ObjectNode> schema();
    }

    private final Function<Values, R> maker;
    private final List<Field<R, ?>> fields;
    private final List<Beside<R>> beside;
    private final List<Check<R>> checks;

    /**
     * Something that must not be, whatever each field for itself may hold.
     *
     * @param <R> the record
     */
    interface Check<R> {
        void look(StrictObject object, R record, KitContext in);
    }

    /** What was read of an object's fields. */
    static final class Values {
        private final Map<Field<?, ?>, Object> values = new HashMap<>();

        @SuppressWarnings("unchecked")
        <T> T of(Field<?, T> field) {
            return (T) values.get(field);
        }
    }

    /**
     * One of a record whose components its fields fill, each one of them.
     *
     * @throws IllegalArgumentException when they do not
     */
    @SafeVarargs
    @SuppressWarnings("varargs")
    static <R extends Record> Shape<R> of(Class<R> type, Field<R, ?>... fields) {
        Map<String, Field<R, ?>> byComponent = Stream.of(fields).collect(Collectors.toMap(Field::component, field -> field));
        List<String> components = Arrays.stream(type.getRecordComponents()).map(RecordComponent::getName).toList();
        if (!byComponent.keySet().equals(Set.copyOf(components))) {
            throw new IllegalArgumentException(type + " has " + components + ", and its fields fill " + byComponent.keySet());
        }
        try {
            Constructor<R> constructor = type.getDeclaredConstructor(
                    Arrays.stream(type.getRecordComponents()).map(RecordComponent::getType).toArray(Class<?>[]::new));
            return of(values -> make(constructor, components.stream().<Object>map(name -> values.of(byComponent.get(name))).toArray()),
                    fields);
        } catch (NoSuchMethodException impossible) {
            throw new IllegalStateException(impossible);
        }
    }

    /** One whose record is made of its fields in some other way. */
    @SafeVarargs
    @SuppressWarnings("varargs")
    static <R extends Record> Shape<R> of(Function<Values, R> maker, Field<R, ?>... fields) {
        return new Shape<>(maker, List.of(fields), List.of(), List.of());
    }

    private Shape(Function<Values, R> maker, List<Field<R, ?>> fields, List<Beside<R>> beside, List<Check<R>> checks) {
        this.maker = maker;
        this.fields = fields;
        this.beside = beside;
        this.checks = checks;
    }

    private static <R> R make(Constructor<R> constructor, Object[] values) {
        try {
            return constructor.newInstance(values);
        } catch (InvocationTargetException | InstantiationException | IllegalAccessException impossible) {
            throw new IllegalStateException(impossible);
        }
    }

    /** The same with something beside its fields. */
    @SafeVarargs
    @SuppressWarnings("varargs")
    final Shape<R> beside(Beside<R>... more) {
        return new Shape<>(maker, fields, List.of(more), checks);
    }

    /** The same with something that must not be. */
    Shape<R> checked(Check<R> check) {
        return new Shape<>(maker, fields, beside, Stream.concat(checks.stream(), Stream.of(check)).toList());
    }

    /** Reads an object of the document. Whoever asks closes it. */
    R read(StrictObject object, KitContext in) {
        Values values = new Values();
        fields.forEach(field -> values.values.put(field, field.type().read(object, field.key(), in)));
        R record = maker.apply(values);
        checks.forEach(check -> check.look(object, record, in));
        beside.forEach(one -> one.read(object, record, in));
        return record;
    }

    /** The same of an object that nobody else reads. */
    R readWhole(StrictObject object, KitContext in) {
        R record = read(object, in);
        object.close();
        return record;
    }

    /** Writes what its fields are. */
    void write(ObjectNode out, R record) {
        fields.forEach(field -> write(out, record, field));
    }

    /** The same with what the kit keeps beside its records. */
    void write(ObjectNode out, R record, Kit kit) {
        write(out, record);
        beside.forEach(one -> one.write(out, record, kit));
    }

    private static <R, T> void write(ObjectNode out, R record, Field<R, T> field) {
        field.type().write(out, field.key(), field.of().apply(record));
    }

    /** What a person would say had changed. */
    List<Phrase> changes(Facts name, R before, R after) {
        return fields.stream().flatMap(field -> field.changes(name, before, after).stream()).toList();
    }

    /** Which of its fields are flags with words of their own. */
    List<KitFlag> flags() {
        return fields.stream().map(Field::change).filter(Change.Flag.class::isInstance).map(Change.Flag.class::cast).map(Change.Flag::flag)
                .toList();
    }

    /** @param without keys that do not stand there */
    ObjectNode schema(String... without) {
        ObjectNode out = JsonDocuments.MAPPER.createObjectNode().put("type", "object");
        ObjectNode properties = out.putObject("properties");
        fields.forEach(field -> properties.set(field.key(), field.type().schema()));
        beside.forEach(one -> one.schema().forEach(properties::set));
        properties.remove(List.of(without));
        out.put("additionalProperties", false);
        List<String> required = fields.stream().filter(field -> field.type().isRequired()).map(Field::key).toList();
        if (!required.isEmpty()) {
            ArrayNode list = out.putArray("required");
            required.forEach(list::add);
        }
        return out;
    }
}
