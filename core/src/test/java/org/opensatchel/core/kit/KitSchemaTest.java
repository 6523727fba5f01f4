package org.opensatchel.core.kit;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.core.check.SampleProject;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** What the schema of kits says is what is read, and no field's change goes unsaid. */
class KitSchemaTest {

    /** A rate that need not be constant asks for nothing; how long a starter file is goes with what it holds. */
    private static final Set<String> SAYS_NOTHING = Set.of("constantRate = false", "bytes = 7", "bytes = 12");

    private static final JsonNode SCHEMA = JsonDocuments.MAPPER.readTree(KitSchema.text());

    /** Print it with {@code ./satchel kit schema} when it changed. */
    @Test
    void theDocumentedSchemaIsThisOne() throws IOException {
        assertThat(Files.readString(Path.of("../docs/schema/kit.schema.json"))).isEqualTo(KitSchema.text());
    }

    /**
     * A field somewhere in the document, and another value for it.
     *
     * @param at the JSON pointer of the object it is a field of
     */
    record Other(String at, String key, JsonNode value) {
        @Override
        public String toString() {
            return at + "/" + key + " = " + value;
        }
    }

    static Stream<Other> others() {
        List<Other> out = new ArrayList<>();
        others(SCHEMA, "", out);
        return out.stream();
    }

    /** Of each list the first item. What a field holds is an object or list of them, or a value. */
    private static void others(JsonNode schema, String at, List<Other> out) {
        for (var property : schema.path("properties").properties()) {
            JsonNode held = resolved(property.getValue());
            String key = property.getKey();
            if (held.has("properties")) {
                others(held, at + "/" + key, out);
            } else if (resolved(held.path("items")).has("properties")) {
                others(resolved(held.get("items")), at + "/" + key + "/0", out);
            } else {
                values(held).forEach(value -> out.add(new Other(at, key, value)));
            }
        }
    }

    private static JsonNode resolved(JsonNode schema) {
        return schema.has("$ref") ? SCHEMA.at(schema.get("$ref").stringValue().substring(1)) : schema;
    }

    private static List<JsonNode> values(JsonNode held) {
        var make = JsonDocuments.MAPPER.getNodeFactory();
        if (held.has("enum")) {
            return held.get("enum").valueStream().toList();
        }
        return switch (held.path("type").asString("")) {
            case "boolean" -> List.of(make.booleanNode(true), make.booleanNode(false));
            case "integer" -> List.of(make.numberNode(7), make.numberNode(12));
            case "number" -> List.of(make.numberNode(1.5), make.numberNode(2.25));
            case "string" -> List.of(make.stringNode("frame"), make.stringNode("board_{number:3}"), make.stringNode("{original}_small"),
                    make.stringNode("/a"), make.stringNode("16:9"));
            case "array" -> held.path("items").has("enum") ? List.of(list(held.get("items").get("enum").get(0)))
                    : held.has("minItems")
                            ? List.of(list(make.numberNode(-9), make.numberNode(-4)), list(make.numberNode(-8), make.numberNode(-3)))
                            : List.of(list(make.stringNode("exr")), list(make.stringNode("wav"), make.stringNode("flac")));
            default -> List.of();
        };
    }

    private static ArrayNode list(JsonNode... items) {
        ArrayNode out = JsonDocuments.MAPPER.createArrayNode();
        Stream.of(items).forEach(out::add);
        return out;
    }

    private static Optional<Kit> read(JsonNode document) {
        return KitReader.read(JsonDocuments.MAPPER.writeValueAsBytes(document)).kit();
    }

    /** The sample with an object wherever one may stand, and that field changed; empty where such a thing is no kit. */
    private static Optional<Kit> with(Other other) {
        ObjectNode document = (ObjectNode) JsonDocuments.MAPPER.readTree(SampleProject.kit());
        JsonNode node = document;
        String[] names = other.at.isEmpty() ? new String[0] : other.at.substring(1).split("/");
        for (int i = 0; i < names.length; i++) {
            String name = names[i];
            if (node instanceof ArrayNode list) {
                node = list.isEmpty() ? list.addObject() : list.get(0);
            } else {
                boolean isList = i + 1 < names.length && names[i + 1].equals("0");
                ObjectNode object = (ObjectNode) node;
                if (!object.has(name)) {
                    object.set(name, isList ? JsonDocuments.MAPPER.createArrayNode() : JsonDocuments.MAPPER.createObjectNode());
                }
                node = object.get(name);
            }
        }
        ((ObjectNode) node).set(other.key, other.value);
        return read(document);
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("others")
    void whatChangesTheKitIsSaid(Other other) {
        Kit before = read(JsonDocuments.MAPPER.readTree(SampleProject.kit())).orElseThrow();
        with(other).ifPresent(after -> {
            boolean same = before.equals(after.withVersion(before.version())) || SAYS_NOTHING.contains(other.key + " = " + other.value);
            assertThat(KitDifference.between(before, after).isEmpty()).as("%s", KitDifference.between(before, after)).isEqualTo(same);
            assertThat(new String(KitWriter.write(read(JsonDocuments.MAPPER.readTree(KitWriter.write(after))).orElseThrow()),
                    StandardCharsets.UTF_8))
                    .isEqualTo(new String(KitWriter.write(after), StandardCharsets.UTF_8));
        });
    }

    /** Else the test above would say nothing. */
    @Test
    void mostFieldsCanBeTriedAlone() {
        List<Other> some = others().toList();
        assertThat(some).hasSizeGreaterThan(150);
        assertThat(some.stream().filter(other -> with(other).isPresent()).count()).isGreaterThan(some.size() / 2);
    }
}
