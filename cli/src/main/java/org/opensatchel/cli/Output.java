package org.opensatchel.cli;

import java.io.PrintStream;
import org.opensatchel.base.json.JsonDocuments;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** The ways a command prints what it found. */
enum Output {
    text, json;

    static ObjectNode object() {
        return JsonDocuments.MAPPER.createObjectNode();
    }

    static void print(JsonNode json, PrintStream out) {
        out.println(JsonDocuments.MAPPER.writerWithDefaultPrettyPrinter().writeValueAsString(json));
        out.flush();
    }

    static ObjectNode kit(org.opensatchel.core.kit.Kit kit) {
        return object().put("title", kit.title()).put("version", kit.version());
    }
}
