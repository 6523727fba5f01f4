package org.opensatchel.core.kit;

import static org.opensatchel.base.fact.FactName.MOST;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.OptionalLong;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.opensatchel.base.json.StrictObject;
import org.opensatchel.core.kit.MediaRule.Aspect;
import org.opensatchel.core.kit.MediaRule.Band;
import org.opensatchel.core.kit.MediaRule.Frame;
import org.opensatchel.core.kit.MediaRule.Hearing;
import org.opensatchel.core.kit.MediaRule.Pace;
import tools.jackson.databind.JsonNode;

/** What a brief of pictures, films and sounds looks like in the kit document. */
final class MediaShape {

    private static final Pattern ASPECTS = Pattern.compile("[1-9][0-9]{0,4}:[1-9][0-9]{0,4}");

    private static final Field<MediaRule, OptionalInt> WIDTH = Field.of("width", rule -> rule.frame().width(), FieldTypes.maybeNumber(1));
    private static final Field<MediaRule, OptionalInt> HEIGHT = Field.of("height", rule -> rule.frame().height(),
            FieldTypes.maybeNumber(1));
    private static final Field<MediaRule, Optional<Aspect>> ASPECT = Field.of("aspect", rule -> rule.frame().aspect(), aspect());
    private static final Field<MediaRule, OptionalDouble> RATE = Field.of("frameRate", rule -> rule.pace().frameRate(),
            FieldTypes.positive());
    private static final Field<MediaRule, Optional<Boolean>> CONSTANT = Field.of("constantRate", rule -> rule.pace().constant(),
            FieldTypes.maybeFlag());
    private static final Field<MediaRule, OptionalDouble> SHORTEST = Field.of("minSeconds", rule -> rule.pace().minSeconds(),
            FieldTypes.positive());
    private static final Field<MediaRule, OptionalDouble> LONGEST = Field.of("maxSeconds", rule -> rule.pace().maxSeconds(),
            FieldTypes.positive());
    private static final Field<MediaRule, List<String>> CODECS = Field.of("codecs", MediaRule::codecs, FieldTypes.someTexts());
    private static final Field<MediaRule, Optional<Boolean>> SOUND = Field.of("sound", rule -> rule.sound().wanted(),
            FieldTypes.maybeFlag());
    private static final Field<MediaRule, Optional<Band>> PEAK = Field.of("peakDb", rule -> rule.sound().peakDb(),
            band(KitWording.PEAK));
    private static final Field<MediaRule, Optional<Band>> LOUDNESS = Field.of("loudness", rule -> rule.sound().loudness(),
            band(KitWording.LOUDNESS));
    private static final Field<MediaRule, OptionalInt> SAMPLE_RATE = Field.of("sampleRate", rule -> rule.sound().rate(),
            FieldTypes.maybeNumber(1));
    private static final Field<MediaRule, OptionalInt> CHANNELS = Field.of("channels", rule -> rule.sound().channels(),
            FieldTypes.maybeNumber(1));
    private static final Field<MediaRule, OptionalInt> BITS = Field.of("bitDepth", MediaRule::bits, FieldTypes.maybeNumber(1));
    private static final Field<MediaRule, Optional<Boolean>> ALPHA = Field.of("alpha", rule -> rule.frame().alpha(),
            FieldTypes.maybeFlag());
    private static final Field<MediaRule, OptionalLong> FEWEST = Field.of("minPixels", rule -> rule.frame().minPixels(), FieldTypes.size());
    private static final Field<MediaRule, OptionalLong> MOST = Field.of("maxPixels", rule -> rule.frame().maxPixels(), FieldTypes.size());
    private static final Field<MediaRule, OptionalInt> MULTIPLE = Field.of("multipleOf", rule -> rule.frame().multipleOf(),
            FieldTypes.maybeNumber(1));

    static final Shape<MediaRule> MEDIA = Shape.of(values -> new MediaRule(
            new Frame(values.of(WIDTH), values.of(HEIGHT), values.of(ASPECT), values.of(FEWEST), values.of(MOST), values.of(MULTIPLE),
                    values.of(ALPHA)),
            new Pace(values.of(RATE), values.of(CONSTANT), values.of(SHORTEST), values.of(LONGEST)),
            new Hearing(values.of(SOUND), values.of(SAMPLE_RATE), values.of(CHANNELS), values.of(PEAK), values.of(LOUDNESS)),
            values.of(CODECS), values.of(BITS)), WIDTH, HEIGHT, ASPECT, RATE, CONSTANT, SHORTEST, LONGEST, CODECS, SOUND, PEAK, LOUDNESS,
            SAMPLE_RATE, CHANNELS, BITS, ALPHA, FEWEST, MOST, MULTIPLE).checked(MediaShape::leastBelowMost);

    private MediaShape() {
    }

    private static void leastBelowMost(StrictObject object, MediaRule rule, KitContext in) {
        Frame frame = rule.frame();
        if (frame.minPixels().isPresent() && frame.maxPixels().isPresent()
                && frame.minPixels().getAsLong() > frame.maxPixels().getAsLong()) {
            object.fault(MOST.key(), KitWording.MOST_UNDER_LEAST.say());
        }
        Pace pace = rule.pace();
        if (!in.isPublished() && FieldTypes.isAbove(pace.minSeconds(), pace.maxSeconds())) {
            object.fault(LONGEST.key(), KitWording.MOST_UNDER_LEAST.say());
        }
    }

    /** Width to height, like 16:9. */
    private static FieldType<Optional<Aspect>> aspect() {
        return FieldTypes.simple(Schemas.type("string").put("pattern", "^" + ASPECTS.pattern() + "$"), (object, key) -> {
            Optional<String> text = object.text(key);
            Optional<Matcher> parts = text.map(ASPECTS::matcher).filter(Matcher::matches);
            if (text.isPresent() && parts.isEmpty()) {
                object.fault(key, KitWording.ASPECT.say());
            }
            return parts.map(part -> part.group().split(":")).map(part -> new Aspect(Integer.parseInt(part[0]), Integer.parseInt(part[1])));
        }, (out, key, value) -> value.ifPresent(aspect -> out.put(key, aspect.toString())));
    }

    /** From one number to another. */
    private static FieldType<Optional<Band>> band(KitWording wrong) {
        return FieldTypes.simple(Schemas.list(Schemas.type("number")).put("minItems", 2).put("maxItems", 2), (object, key) -> {
            Optional<JsonNode> node = object.node(key);
            Optional<Band> band = node.filter(MediaShape::isBand)
                    .map(pair -> new Band(pair.get(0).doubleValue(), pair.get(1).doubleValue()));
            if (node.isPresent() && band.isEmpty()) {
                object.fault(key, wrong.say());
            }
            return band;
        }, (out, key, value) -> value.ifPresent(band -> out.putArray(key).add(band.low()).add(band.high())));
    }

    private static boolean isBand(JsonNode node) {
        return node.isArray() && node.size() == 2 && node.get(0).isNumber() && node.get(1).isNumber()
                && node.get(0).doubleValue() <= node.get(1).doubleValue();
    }
}
