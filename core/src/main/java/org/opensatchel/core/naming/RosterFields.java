package org.opensatchel.core.naming;

import java.util.Collections;
import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;

/** The roster fields of one student or team, as the roster writes them. A field that is absent is not judged. */
public record RosterFields(Map<RosterField, String> values) {

    public static final RosterFields NONE = new RosterFields(Map.of());

    public RosterFields {
        EnumMap<RosterField, String> copy = new EnumMap<>(RosterField.class);
        copy.putAll(values);
        values = Collections.unmodifiableMap(copy);
    }

    /** The value in file-name form; empty when the field is absent. */
    public Optional<String> fileName(RosterField field, boolean ascii) {
        return Optional.ofNullable(values.get(field)).map(value -> FileNameForm.of(value, ascii));
    }

    /** Whether this is somebody with one name: there is a last one, and it is known that there is no first one. */
    boolean isOneName(boolean ascii) {
        return fileName(RosterField.FIRST, ascii).filter(String::isEmpty).isPresent()
                && fileName(RosterField.LAST, ascii).filter(name -> !name.isEmpty()).isPresent();
    }

    public RosterFields with(RosterField field, String value) {
        EnumMap<RosterField, String> copy = new EnumMap<>(RosterField.class);
        copy.putAll(values);
        copy.put(field, value);
        return new RosterFields(copy);
    }

    /** These fields, with those of the other where this has none. */
    public RosterFields or(RosterFields other) {
        EnumMap<RosterField, String> merged = new EnumMap<>(RosterField.class);
        merged.putAll(other.values);
        merged.putAll(values);
        return new RosterFields(merged);
    }
}
