package org.opensatchel.core.kit;

import java.util.List;
import java.util.Objects;
import java.util.function.Function;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Phrase;

/**
 * One field of an object of the kit document.
 *
 * @param key how it is called there
 * @param component the component of the record that it fills
 * @param of where the record has it
 * @param type what it holds
 * @param change what a person would say when it is another
 * @param <R> the record
 * @param <T> what it is in code
 */
record Field<R, T>(String key, String component, Function<R, T> of, FieldType<T> type, Change<T> change) {

    static <R, T> Field<R, T> of(String key, Function<R, T> of, FieldType<T> type, Change<T> change) {
        return new Field<>(key, key, of, type, change);
    }

    /** One of whose change something else tells, or which is the name by which two are told apart. */
    static <R, T> Field<R, T> of(String key, Function<R, T> of, FieldType<T> type) {
        return of(key, of, type, (name, before, after) -> List.of());
    }

    /** The same where the record calls it otherwise than the document. */
    Field<R, T> as(String name) {
        return new Field<>(key, name, of, type, change);
    }

    List<Phrase> changes(Facts name, R before, R after) {
        T was = of.apply(before);
        T is = of.apply(after);
        return Objects.equals(was, is) ? List.of() : change.say(name, was, is);
    }
}
