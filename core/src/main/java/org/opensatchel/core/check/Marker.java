package org.opensatchel.core.check;

import java.io.IOException;
import java.io.InputStream;
import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import org.opensatchel.core.json.JsonDocuments;
import org.opensatchel.core.naming.RosterField;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.path.ProjectPath;
import org.opensatchel.core.project.ProjectFile;
import org.opensatchel.core.project.ProjectSource;
import org.opensatchel.core.project.ProjectTree;
import org.opensatchel.core.project.RootFinder;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;

/**
 * The marker file of a hand-out, {@code satchel.kit.json} in the root: it tells whom the kit was made for, and from which version.
 *
 * @param version the kit's version, absent when it does not tell
 */
public record Marker(RosterFields fields, OptionalInt version) {

    /** Where there is no marker, or a broken one. */
    public static final Marker NONE = new Marker(RosterFields.NONE, OptionalInt.empty());


    private static final int MAX_BYTES = 64 << 10;

    /** What it tells; nothing when it is not there or broken, which never stops a check. */
    static Marker read(ProjectSource source, ProjectTree tree) {
        Optional<ProjectFile> file = tree.file(ProjectPath.of(RootFinder.MARKER)).filter(marker -> source.hasContent(marker.entry()) && marker.bytes() <= MAX_BYTES);
        if (file.isEmpty()) {
            return NONE;
        }
        try (InputStream content = source.open(file.get().entry())) {
            JsonNode marker = JsonDocuments.MAPPER.readTree(content.readNBytes(MAX_BYTES));
            JsonNode version = marker.path("kit").path("version");
            return new Marker(fields(marker.path("for")), version.isInt() && version.intValue() > 0 ? OptionalInt.of(version.intValue()) : OptionalInt.empty());
        } catch (IOException | JacksonException broken) {
            return NONE;
        }
    }

    private static RosterFields fields(JsonNode whom) {
        Map<RosterField, String> values = new EnumMap<>(RosterField.class);
        for (RosterField field : RosterField.values()) {
            JsonNode value = whom.path(field.word());
            if (value.isString() && !value.stringValue().isBlank()) {
                values.put(field, value.stringValue());
            }
        }
        return new RosterFields(values);
    }
}
