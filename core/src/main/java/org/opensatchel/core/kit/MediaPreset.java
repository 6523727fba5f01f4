package org.opensatchel.core.kit;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.base.json.JsonFault;
import org.opensatchel.base.json.StrictObject;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.node.ObjectNode;

/**
 * A brief that is used again and again, under a name. A kit holds what it asks for and not its name, so changing a preset changes no kit.
 *
 * @param word what it is called in the bundles of words
 * @param brief as the kit document writes it
 */
public record MediaPreset(String word, String brief) {

    /** Three for a start; every school has its own beside them. */
    public static final List<MediaPreset> SHIPPED = List.of(
            new MediaPreset("screen", "{\"width\": 1280, \"height\": 720, \"aspect\": \"16:9\"}"),
            new MediaPreset("square", "{\"width\": 1080, \"height\": 1080, \"aspect\": \"1:1\"}"),
            new MediaPreset("stereo", "{\"sound\": true, \"channels\": 2, \"sampleRate\": 48000, \"peakDb\": [-12, -3]}"));

    /** What a brief says, or what is wrong with it. */
    public record Reading(Optional<MediaRule> rule, List<JsonFault> faults) {}

    /** Reads a brief alone, as strictly as in a kit; one that asks for nothing is none, and no fault. */
    public static Reading read(String brief) {
        List<JsonFault> faults = new ArrayList<>();
        try {
            MediaRule rule = MediaShape.MEDIA.readWhole(new StrictObject(JsonDocuments.MAPPER.readTree(brief), "", faults),
                    new KitContext(false));
            return new Reading(faults.isEmpty() && !rule.isNone() ? Optional.of(rule) : Optional.empty(), faults);
        } catch (JacksonException broken) {
            return new Reading(Optional.empty(), List.of(JsonDocuments.fault(broken)));
        }
    }

    /** A brief as the kit document writes it. */
    public static String written(MediaRule rule) {
        ObjectNode out = JsonDocuments.MAPPER.createObjectNode();
        MediaShape.MEDIA.write(out, rule);
        return new String(JsonDocuments.MAPPER.writeValueAsBytes(out), StandardCharsets.UTF_8);
    }
}
