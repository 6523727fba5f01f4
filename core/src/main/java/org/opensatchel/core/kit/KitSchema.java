package org.opensatchel.core.kit;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.core.finding.Family;
import org.opensatchel.core.kit.Kit.Grade;
import org.opensatchel.core.kit.Kit.OtherFolders;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** The JSON Schema (draft 2020-12) of version 1 of the kit document, made of what its fields are. */
public final class KitSchema {

    private KitSchema() {
    }

    /** The whole of it, as it stands in {@code docs/schema}. */
    public static String text() {
        ObjectNode out = JsonDocuments.MAPPER.createObjectNode().put("$schema", "https://json-schema.org/draft/2020-12/schema")
                .put("title", "Open Satchel kit, version 1").put("type", "object");
        properties(out.putObject("properties"));
        out.put("additionalProperties", false);
        Schemas.texts(out.putArray("required"), List.of("kit", "title", "root"));
        ObjectNode definitions = out.putObject("$defs");
        definitions.set("media", MediaShape.MEDIA.schema());
        definitions.set("tracks", TimelineShape.TRACKS.schema());
        definitions.set("timeline", TimelineShape.TIMELINE.schema());
        return new String(JsonDocuments.MAPPER.writerWithDefaultPrettyPrinter().writeValueAsBytes(out), StandardCharsets.UTF_8) + "\n";
    }

    private static void properties(ObjectNode out) {
        out.putObject("kit").put("const", 1);
        out.set("title", Schemas.type("string").put("minLength", 1));
        out.set("version", Schemas.integer(1));
        out.set("assignment", Schemas.type("string"));
        out.set("root", Schemas.object(Map.of("name", Schemas.type("string").put("minLength", 1).put("pattern", "^[^/\\\\]+$")), "name"));
        out.set("names", KitShapes.NAMES.schema());
        out.set("folders", Schemas.list(KitShapes.FOLDER.schema()));
        out.set("otherFolders", Schemas.oneOf(FieldTypes.words(OtherFolders.values()).keySet()));
        out.set("companions", Schemas.list(KitShapes.COMPANION.schema()));
        out.set("documents", Schemas.list(KitShapes.DOCUMENT.schema()));
        out.set("files", Schemas.list(KitShapes.FILE.schema()));
        out.set("starter", Schemas.list(KitShapes.STARTER.schema()));
        out.set("links", LinksShape.LINKS.schema());
        out.set("location", KitShapes.LOCATION.schema());
        out.set("machines", Schemas.list(Schemas.type("string")));
        out.set("limits", KitShapes.LIMITS.schema());
        out.set("forbidden", Schemas.list(KitDemands.FORBIDDEN.schema()));
        out.set("proxies", Schemas.list(oneOfTwo(KitDemands.PROXIES.schema(), "in", "name")));
        out.set("rootFiles", Schemas.list(KitShapes.ROOT_FILE.schema()));
        out.set("ignore", Schemas.list(Schemas.type("string")));
        out.set("steps", Schemas.list(KitShapes.STEP.schema()));
        out.set("severities", severities());
        out.set("points", PointsShape.POINTS.schema());
    }

    /** An object that holds one of two keys, or both. */
    private static ObjectNode oneOfTwo(ObjectNode object, String one, String other) {
        ArrayNode ways = object.putArray("anyOf");
        Stream.of(one, other).forEach(key -> Schemas.texts(ways.addObject().putArray("required"), List.of(key)));
        return object;
    }

    private static ObjectNode severities() {
        ObjectNode out = Schemas.type("object");
        String families = String.join("|",
                List.of(Family.values()).stream().filter(family -> family != Family.PACKAGE).map(FieldTypes::word).toList());
        out.putObject("propertyNames").put("pattern", "^(" + families + ")\\.[a-z-]+$");
        out.set("additionalProperties", Schemas.oneOf(FieldTypes.words(Grade.values()).keySet()));
        return out;
    }
}
