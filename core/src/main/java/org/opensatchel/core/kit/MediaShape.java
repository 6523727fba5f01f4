package org.opensatchel.core.kit;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.OptionalLong;
import org.opensatchel.base.json.StrictObject;
import org.opensatchel.core.kit.MediaRule.Aspect;
import org.opensatchel.core.kit.MediaRule.Band;
import org.opensatchel.core.kit.MediaRule.Frame;
import org.opensatchel.core.kit.MediaRule.Hearing;
import org.opensatchel.core.kit.MediaRule.Pace;

/** What a brief of pictures, films and sounds looks like in the kit document. */
final class MediaShape {

    private static final Field<MediaRule, OptionalInt> WIDTH = Field.of("width", rule -> rule.frame().width(), Holds.maybeNumber(1));
    private static final Field<MediaRule, OptionalInt> HEIGHT = Field.of("height", rule -> rule.frame().height(), Holds.maybeNumber(1));
    private static final Field<MediaRule, Optional<Aspect>> ASPECT = Field.of("aspect", rule -> rule.frame().aspect(), Holds.aspect());
    private static final Field<MediaRule, OptionalDouble> RATE = Field.of("frameRate", rule -> rule.pace().frameRate(), Holds.positive());
    private static final Field<MediaRule, Optional<Boolean>> CONSTANT = Field.of("constantRate", rule -> rule.pace().constant(),
            Holds.maybeFlag());
    private static final Field<MediaRule, OptionalDouble> SHORTEST = Field.of("minSeconds", rule -> rule.pace().minSeconds(),
            Holds.positive());
    private static final Field<MediaRule, OptionalDouble> LONGEST = Field.of("maxSeconds", rule -> rule.pace().maxSeconds(),
            Holds.positive());
    private static final Field<MediaRule, List<String>> CODECS = Field.of("codecs", MediaRule::codecs, Holds.someTexts());
    private static final Field<MediaRule, Optional<Boolean>> SOUND = Field.of("sound", rule -> rule.sound().wanted(), Holds.maybeFlag());
    private static final Field<MediaRule, Optional<Band>> PEAK = Field.of("peakDb", rule -> rule.sound().peakDb(),
            Holds.band(KitWording.PEAK));
    private static final Field<MediaRule, Optional<Band>> LOUDNESS = Field.of("loudness", rule -> rule.sound().loudness(),
            Holds.band(KitWording.LOUDNESS));
    private static final Field<MediaRule, OptionalInt> SAMPLE_RATE = Field.of("sampleRate", rule -> rule.sound().rate(),
            Holds.maybeNumber(1));
    private static final Field<MediaRule, OptionalInt> CHANNELS = Field.of("channels", rule -> rule.sound().channels(),
            Holds.maybeNumber(1));
    private static final Field<MediaRule, OptionalInt> BITS = Field.of("bitDepth", MediaRule::bits, Holds.maybeNumber(1));
    private static final Field<MediaRule, Optional<Boolean>> ALPHA = Field.of("alpha", rule -> rule.frame().alpha(), Holds.maybeFlag());
    private static final Field<MediaRule, OptionalLong> FEWEST = Field.of("minPixels", rule -> rule.frame().minPixels(), Holds.size());
    private static final Field<MediaRule, OptionalLong> MOST = Field.of("maxPixels", rule -> rule.frame().maxPixels(), Holds.size());
    private static final Field<MediaRule, OptionalInt> MULTIPLE = Field.of("multipleOf", rule -> rule.frame().multipleOf(),
            Holds.maybeNumber(1));

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
        if (!in.isPublished() && Holds.isAbove(pace.minSeconds(), pace.maxSeconds())) {
            object.fault(LONGEST.key(), KitWording.MOST_UNDER_LEAST.say());
        }
    }
}
