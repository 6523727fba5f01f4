package org.opensatchel.core.kit;

import org.opensatchel.base.json.StrictObject;
import tools.jackson.databind.node.ObjectNode;

/**
 * What a field of the kit document holds: how it is read, written, and described by a JSON Schema (draft 2020-12).
 *
 * @param <T> what it is in code
 */
interface FieldType<T> {

    /** Reads it; where it is absent or at fault, which is told, something harmless. */
    T read(StrictObject object, String key, KitContext in);

    /** Writes it, unless it says nothing that is not so without it. */
    void write(ObjectNode out, String key, T value);

    ObjectNode schema();

    /** Whether it has to be there. */
    default boolean isRequired() {
        return false;
    }
}
