package org.opensatchel.core.kit;

import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.core.naming.RosterField;
import org.opensatchel.core.naming.RosterFields;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * The marker file of a hand-out, {@code satchel.kit.json} in the root: it tells whom the kit was made for, and from which version
 * of which kit. It holds no time, so that a hand-out is the same bytes each time.
 *
 * @param title the kit's title, absent when it does not tell
 * @param version the kit's version, absent when it does not tell
 * @param sha256 the hash of the kit document
 * @param fields whom it was made for
 */
public record Marker(Optional<String> title, OptionalInt version, Optional<String> sha256, RosterFields fields) {

    /** The marker's own name. */
    public static final String FILE = "satchel.kit.json";

    /** The guide that every hand-out has beside it. */
    public static final String GUIDE = "START-HERE.html";

    /** Where there is no marker, or a broken one. */
    public static final Marker NONE = new Marker(Optional.empty(), OptionalInt.empty(), Optional.empty(), RosterFields.NONE);

    /** A marker is never longer, in bytes; a longer file is none. */
    public static final int MAX_BYTES = 64 << 10;

    /** What a marker's content tells; nothing when it is broken, which never stops a check. */
    public static Marker read(byte[] content) {
        try {
            JsonNode marker = JsonDocuments.MAPPER.readTree(content);
            JsonNode kit = marker.path("kit");
            JsonNode version = kit.path("version");
            return new Marker(text(kit.path("title")),
                    version.isInt() && version.intValue() > 0 ? OptionalInt.of(version.intValue()) : OptionalInt.empty(),
                    text(kit.path("sha256")),
                    fields(marker.path("for")));
        } catch (JacksonException broken) {
            return NONE;
        }
    }

    private static RosterFields fields(JsonNode whom) {
        Map<RosterField, String> values = new EnumMap<>(RosterField.class);
        for (RosterField field : RosterField.values()) {
            text(whom.path(field.word())).ifPresent(value -> values.put(field, value));
        }
        if (whom.path(RosterField.FIRST.word()).isString()) {
            values.putIfAbsent(RosterField.FIRST, "");
        }
        return new RosterFields(values);
    }

    private static Optional<String> text(JsonNode value) {
        return value.isString() && !value.stringValue().isBlank() ? Optional.of(value.stringValue()) : Optional.empty();
    }

    /** The marker's content. */
    public byte[] content() {
        ObjectNode marker = JsonDocuments.MAPPER.createObjectNode();
        marker.put("marker", 1);
        ObjectNode kit = marker.putObject("kit").put("title", title.orElse("")).put("version", version.orElse(1));
        sha256.ifPresent(hash -> kit.put("sha256", hash));
        ObjectNode whom = marker.putObject("for");
        fields.values().forEach((field, value) -> {
            // That somebody has no first name is said, so that nobody looks for one.
            if (!value.isEmpty() || field == RosterField.FIRST && !fields.values().getOrDefault(RosterField.LAST, "").isEmpty()) {
                whom.put(field.word(), value);
            }
        });
        return JsonDocuments.MAPPER.writerWithDefaultPrettyPrinter().writeValueAsBytes(marker);
    }
}
