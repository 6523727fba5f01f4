package org.opensatchel.core.kit;

import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.opensatchel.core.kit.MediaRule.Band;
import tools.jackson.databind.node.ObjectNode;

/** Writes the media part of a rule. */
final class MediaRuleWriter {

    private final ObjectNode out;

    private MediaRuleWriter(ObjectNode out) {
        this.out = out;
    }

    static void write(ObjectNode out, MediaRule rule) {
        new MediaRuleWriter(out).write(rule);
    }

    private void write(MediaRule rule) {
        MediaRule.Frame frame = rule.frame();
        number("width", frame.width());
        number("height", frame.height());
        frame.aspect().ifPresent(value -> out.put("aspect", value.toString()));
        fraction("frameRate", rule.pace().frameRate());
        flag("constantRate", rule.pace().constant());
        fraction("minSeconds", rule.pace().minSeconds());
        fraction("maxSeconds", rule.pace().maxSeconds());
        if (!rule.codecs().isEmpty()) {
            rule.codecs().forEach(out.putArray("codecs")::add);
        }
        MediaRule.Hearing sound = rule.sound();
        flag("sound", sound.wanted());
        band("peakDb", sound.peakDb());
        band("loudness", sound.loudness());
        number("sampleRate", sound.rate());
        number("channels", sound.channels());
        number("bitDepth", rule.bits());
        flag("alpha", frame.alpha());
        frame.minPixels().ifPresent(value -> out.put("minPixels", value));
        frame.maxPixels().ifPresent(value -> out.put("maxPixels", value));
        number("multipleOf", frame.multipleOf());
    }

    private void number(String key, OptionalInt value) {
        value.ifPresent(number -> out.put(key, number));
    }

    private void fraction(String key, OptionalDouble value) {
        value.ifPresent(number -> out.put(key, number));
    }

    private void flag(String key, Optional<Boolean> value) {
        value.ifPresent(yes -> out.put(key, yes));
    }

    private void band(String key, Optional<Band> value) {
        value.ifPresent(band -> out.putArray(key).add(band.low()).add(band.high()));
    }
}
