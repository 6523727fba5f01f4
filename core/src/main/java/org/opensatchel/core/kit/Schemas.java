package org.opensatchel.core.kit;

import java.util.List;
import java.util.Map;
import org.opensatchel.base.json.JsonDocuments;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
/** Pieces of a JSON Schema (draft 2020-12). */
final class Schemas {

    private Schemas() {
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

    static ObjectNode anyOf(ObjectNode... forms) {
        ObjectNode out = JsonDocuments.MAPPER.createObjectNode();
        List.of(forms).forEach(out.putArray("oneOf")::add);
        return out;
    }

    static ObjectNode reference(String definition) {
        return JsonDocuments.MAPPER.createObjectNode().put("$ref", "#/$defs/" + definition);
    }

    static ObjectNode path() {
        return type("string").put("minLength", 1).put("pattern", "^[^\\\\/][^\\\\]*$");
    }

    static void texts(ArrayNode out, List<String> texts) {
        texts.forEach(out::add);
    }
}
