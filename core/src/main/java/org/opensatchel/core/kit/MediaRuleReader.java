package org.opensatchel.core.kit;

import java.util.Optional;
import java.util.regex.Pattern;
import org.opensatchel.core.json.StrictObject;
import org.opensatchel.core.kit.Kit.MediaRule;
import tools.jackson.databind.JsonNode;

/** Reads the media part of a file rule. */
final class MediaRuleReader {

    private static final Pattern ASPECT = Pattern.compile("[1-9][0-9]{0,4}:[1-9][0-9]{0,4}");

    private MediaRuleReader() {
    }

    static MediaRule read(StrictObject object) {
        Optional<String> aspect = object.text("aspect");
        if (aspect.isPresent() && !ASPECT.matcher(aspect.get()).matches()) {
            object.fault("aspect", KitWording.ASPECT.say());
        }
        MediaRule rule = new MediaRule(object.integer("width", 1), object.integer("height", 1), aspect, object.number("frameRate"),
                object.number("minSeconds"), object.number("maxSeconds"), object.texts("codecs"),
                object.has("sound") ? Optional.of(object.flag("sound", true)) : Optional.empty(),
                object.node("peakDb").flatMap(node -> peak(object, node)));
        object.close();
        return rule;
    }

    private static Optional<double[]> peak(StrictObject object, JsonNode node) {
        if (!node.isArray() || node.size() != 2 || !node.get(0).isNumber() || !node.get(1).isNumber()
                || node.get(0).doubleValue() > node.get(1).doubleValue()) {
            object.fault("peakDb", KitWording.PEAK.say());
            return Optional.empty();
        }
        return Optional.of(new double[]{node.get(0).doubleValue(), node.get(1).doubleValue()});
    }
}
