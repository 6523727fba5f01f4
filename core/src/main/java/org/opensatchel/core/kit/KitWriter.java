package org.opensatchel.core.kit;

import java.util.List;
import java.util.Locale;
import org.opensatchel.base.json.JsonDocuments;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Writes a kit as version 1 of the kit document; reading it again gives an equal kit. */
public final class KitWriter {

    private KitWriter() {
    }

    public static byte[] write(Kit kit) {
        ObjectNode out = JsonDocuments.MAPPER.createObjectNode();
        out.put("kit", 1).put("title", kit.title()).put("version", kit.version());
        kit.assignment().ifPresent(code -> out.put("assignment", code));
        out.putObject("root").put("name", kit.root().text());
        kit.names().ifPresent(rules -> KitShapes.NAMES.write(out.putObject("names"), rules, kit));
        all(out, "folders", KitShapes.FOLDER, kit.folders(), kit);
        out.put("otherFolders", word(kit.otherFolders()));
        all(out, "companions", KitShapes.COMPANION, kit.companions(), kit);
        all(out, "documents", KitShapes.DOCUMENT, kit.documents(), kit);
        all(out, "files", KitShapes.FILE, kit.files(), kit);
        all(out, "starter", KitShapes.STARTER, kit.starter(), kit);
        LinksShape.LINKS.write(out.putObject("links"), kit.links());
        kit.location().ifPresent(policy -> KitShapes.LOCATION.write(out.putObject("location"), policy, kit));
        texts(out.putArray("machines"), kit.machines());
        rest(out, kit);
        return JsonDocuments.MAPPER.writerWithDefaultPrettyPrinter().writeValueAsBytes(out);
    }

    private static <R extends Record> void all(ObjectNode out, String key, Shape<R> shape, List<R> records, Kit kit) {
        ArrayNode list = out.putArray(key);
        records.forEach(record -> shape.write(list.addObject(), record, kit));
    }

    /** The same, where there are some. */
    private static <R extends Record> void some(ObjectNode out, String key, Shape<R> shape, List<R> records, Kit kit) {
        if (!records.isEmpty()) {
            all(out, key, shape, records, kit);
        }
    }

    private static void rest(ObjectNode out, Kit kit) {
        KitShapes.LIMITS.write(out.putObject("limits"), kit.limits(), kit);
        some(out, "forbidden", KitDemands.FORBIDDEN, kit.demands(Demand.Forbidden.class), kit);
        some(out, "proxies", KitDemands.PROXIES, kit.demands(Demand.Proxies.class), kit);
        some(out, "rootFiles", KitShapes.ROOT_FILE, kit.rootFiles(), kit);
        if (!kit.ignored().isEmpty()) {
            texts(out.putArray("ignore"), kit.ignored());
        }
        all(out, "steps", KitShapes.STEP, kit.steps(), kit);
        ObjectNode severities = out.putObject("severities");
        kit.severities().entrySet().stream().sorted(java.util.Map.Entry.comparingByKey())
                .forEach(entry -> severities.put(entry.getKey().id(), entry.getValue().map(severity -> severity.word()).orElse("off")));
        kit.points().ifPresent(points -> PointsShape.POINTS.write(out.putObject("points"), points));
    }

    private static void texts(ArrayNode out, List<String> texts) {
        texts.forEach(out::add);
    }

    private static String word(Enum<?> value) {
        return value.name().toLowerCase(Locale.ROOT);
    }
}
