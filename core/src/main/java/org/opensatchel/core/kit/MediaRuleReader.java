package org.opensatchel.core.kit;

import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.OptionalLong;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.json.StrictObject;
import org.opensatchel.core.kit.MediaRule.Aspect;
import org.opensatchel.core.kit.MediaRule.Band;
import tools.jackson.databind.JsonNode;

/** Reads the media part of a rule. */
final class MediaRuleReader {

    private static final Pattern ASPECT = Pattern.compile("([1-9][0-9]{0,4}):([1-9][0-9]{0,4})");

    private final StrictObject object;
    private final boolean published;

    private MediaRuleReader(StrictObject object, boolean published) {
        this.object = object;
        this.published = published;
    }

    /** @param published whether it went out already, perhaps with numbers that nothing can be and that were no fault then */
    static MediaRule read(StrictObject object, boolean published) {
        MediaRule rule = new MediaRuleReader(object, published).rule();
        object.close();
        return rule;
    }

    private MediaRule rule() {
        return new MediaRule(frame(), pace(),
                new MediaRule.Hearing(flag("sound"), number("sampleRate"), number("channels"), band("peakDb", KitWording.PEAK),
                        band("loudness", KitWording.LOUDNESS)),
                object.texts("codecs"), number("bitDepth"));
    }

    private MediaRule.Frame frame() {
        OptionalLong least = object.integer("minPixels", 1);
        OptionalLong most = object.integer("maxPixels", 1);
        if (least.isPresent() && most.isPresent() && least.getAsLong() > most.getAsLong()) {
            object.fault("maxPixels", KitWording.MOST_UNDER_LEAST.say());
        }
        return new MediaRule.Frame(number("width"), number("height"), aspect(), least, most, number("multipleOf"), flag("alpha"));
    }

    private MediaRule.Pace pace() {
        OptionalDouble rate = positive("frameRate");
        OptionalDouble least = positive("minSeconds");
        OptionalDouble most = positive("maxSeconds");
        if (!published && least.isPresent() && most.isPresent() && least.getAsDouble() > most.getAsDouble()) {
            object.fault("maxSeconds", KitWording.MOST_UNDER_LEAST.say());
        }
        return new MediaRule.Pace(rate, flag("constantRate"), least, most);
    }

    private Optional<Aspect> aspect() {
        Optional<String> text = object.text("aspect");
        Optional<Matcher> parts = text.map(ASPECT::matcher).filter(Matcher::matches);
        if (text.isPresent() && parts.isEmpty()) {
            object.fault("aspect", KitWording.ASPECT.say());
        }
        return parts.map(part -> new Aspect(Integer.parseInt(part.group(1)), Integer.parseInt(part.group(2))));
    }

    private OptionalInt number(String key) {
        OptionalLong value = object.integer(key, 1);
        return value.isPresent() ? OptionalInt.of((int) Math.min(Integer.MAX_VALUE, value.getAsLong())) : OptionalInt.empty();
    }

    private OptionalDouble positive(String key) {
        OptionalDouble value = object.number(key);
        boolean sound = value.isEmpty() || value.getAsDouble() > 0 && Double.isFinite(value.getAsDouble());
        if (!sound && !published) {
            object.fault(key, KitWording.NOT_ABOVE_ZERO.say(Facts.of(FactName.KEY, key)));
        }
        return sound ? value : OptionalDouble.empty();
    }

    private Optional<Boolean> flag(String key) {
        return object.has(key) ? Optional.of(object.flag(key, true)) : Optional.empty();
    }

    private Optional<Band> band(String key, KitWording wrong) {
        Optional<JsonNode> node = object.node(key);
        Optional<Band> band = node.filter(MediaRuleReader::isBand)
                .map(pair -> new Band(pair.get(0).doubleValue(), pair.get(1).doubleValue()));
        if (node.isPresent() && band.isEmpty()) {
            object.fault(key, wrong.say());
        }
        return band;
    }

    private static boolean isBand(JsonNode node) {
        return node.isArray() && node.size() == 2 && node.get(0).isNumber() && node.get(1).isNumber()
                && node.get(0).doubleValue() <= node.get(1).doubleValue();
    }
}
