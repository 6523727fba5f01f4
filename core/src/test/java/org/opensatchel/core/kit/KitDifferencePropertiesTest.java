package org.opensatchel.core.kit;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Random;
import java.util.stream.LongStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.core.check.SampleProject;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.KitReader;
import org.opensatchel.core.kit.KitWriter;
import org.opensatchel.core.words.Words;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** No change to a kit goes unsaid, and a kit that is written and read again has not changed. */
class KitDifferencePropertiesTest {

    static LongStream seeds() {
        return LongStream.range(0, 120);
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void everyChangeIsSaid(long seed) {
        Random random = new Random(seed);
        ObjectNode document = (ObjectNode) JsonDocuments.MAPPER.readTree(SampleProject.kit());
        Kit before = KitReader.read(JsonDocuments.MAPPER.writeValueAsBytes(document)).kit().orElseThrow();
        for (int i = random.nextInt(4); i >= 0; i--) {
            change(document, random);
        }
        Kit after = KitReader.read(JsonDocuments.MAPPER.writeValueAsBytes(document)).kit().orElseThrow();
        boolean same = java.util.Arrays.equals(KitWriter.write(before), KitWriter.write(after));
        List<KitChange> changes = KitDifference.between(before, after);
        assertThat(changes.isEmpty()).as("seed %d: %s", seed, changes).isEqualTo(same);
        assertThat(KitDifference.between(after, before).isEmpty()).as("seed %d, the other way round", seed).isEqualTo(same);
        assertThat(changes)
                .allSatisfy(change -> assertThat(Words.ENGLISH.text(change.what())).endsWith(".").doesNotContain("Optional", "null", "["));
        Kit again = KitReader.read(KitWriter.write(after)).kit().orElseThrow();
        assertThat(KitDifference.between(after, again)).as("seed %d: written and read again", seed).isEmpty();
    }

    private static void change(ObjectNode kit, Random random) {
        ArrayNode folders = kit.get("folders").asArray();
        ObjectNode folder = (ObjectNode) folders.get(random.nextInt(folders.size()));
        switch (random.nextInt(12)) {
            case 0 -> folder.put("purpose", "Another " + random.nextInt(9));
            case 1 -> folder.put("need", List.of("required", "optional", "forbidden").get(random.nextInt(3)));
            case 2 -> folder.put("atLeast", random.nextInt(3));
            case 3 -> folder.put("sealed", random.nextBoolean());
            case 4 -> folders.addObject().put("path", "more_" + random.nextInt(1_000_000));
            case 5 -> ((ObjectNode) kit.get("names")).put("maxLength", 20 + random.nextInt(50));
            case 6 -> kit.put("title", "Title " + random.nextInt(5));
            case 7 -> ((ObjectNode) kit.get("documents").get(0)).put("versions", random.nextInt(4));
            case 8 -> ((ObjectNode) kit.get("files").get(0)).putObject("media").put("width", 100 + random.nextInt(3)).put("maxSeconds",
                    random.nextInt(20) + 0.5);
            // Never note, which is what these are anyway: to say so changes nothing.
            case 9 -> kit.putObject("severities").put(List.of("asset.unused", "link.remote", "name.space").get(random.nextInt(3)),
                    List.of("must", "should", "off").get(random.nextInt(3)));
            case 10 -> kit.putArray("steps").addObject().put("title", "Step " + random.nextInt(3)).put("text", "Text " + random.nextInt(3))
                    .put("confirm", random.nextBoolean());
            default -> ((ObjectNode) kit.get("starter").get(0)).put("treat", List.of("keep", "edit", "free").get(random.nextInt(3)));
        }
    }
}
