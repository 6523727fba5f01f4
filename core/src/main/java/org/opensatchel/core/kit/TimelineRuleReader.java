package org.opensatchel.core.kit;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.OptionalLong;
import java.util.regex.Pattern;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.json.StrictObject;
import org.opensatchel.core.kit.TimelineRule.Offline;
import org.opensatchel.core.kit.TimelineRule.Tracks;
import org.opensatchel.core.naming.NamePattern;
import tools.jackson.databind.JsonNode;

/** Reads the timeline part of a document rule, and writes it again. */
final class TimelineRuleReader {

    private static final Pattern TIME = Pattern.compile("\\d{2}:[0-5]\\d:[0-5]\\d[:;]\\d{2,3}");
    private static final Map<String, Offline> OFFLINE = Map.of("allow", Offline.ALLOW, "note", Offline.NOTE, "forbid", Offline.FORBID);

    private final StrictObject object;

    private TimelineRuleReader(StrictObject object) {
        this.object = object;
    }

    static TimelineRule read(StrictObject object) {
        TimelineRule rule = new TimelineRuleReader(object).rule();
        object.close();
        return rule;
    }

    private TimelineRule rule() {
        OptionalDouble least = positive("minSeconds");
        OptionalDouble most = positive("maxSeconds");
        if (least.isPresent() && most.isPresent() && least.getAsDouble() > most.getAsDouble()) {
            object.fault("maxSeconds", KitWording.MOST_UNDER_LEAST.say());
        }
        return new TimelineRule(tracks("video"), tracks("sound"), names("name").stream().findFirst(), startsAt(), least, most,
                positive("frameRate"), number(object, "maxGapFrames", 0), number(object, "minClipFrames", 1),
                object.choice("offline", OFFLINE, Offline.ALLOW));
    }

    private Tracks tracks(String key) {
        return object.object(key).map(tracks -> {
            OptionalInt least = number(tracks, "atLeast", 0);
            OptionalInt most = number(tracks, "atMost", 0);
            if (least.isPresent() && most.isPresent() && least.getAsInt() > most.getAsInt()) {
                tracks.fault("atMost", KitWording.MOST_UNDER_LEAST.say());
            }
            Tracks out = new Tracks(least, most, new TimelineRuleReader(tracks).names("names"));
            tracks.close();
            return out;
        }).orElse(Tracks.ANY);
    }

    /** One pattern, or several in a list. */
    private List<NamePattern> names(String key) {
        Optional<JsonNode> node = object.node(key);
        List<String> texts = node.filter(JsonNode::isString).isPresent() ? List.of(node.get().stringValue()) : object.texts(key);
        List<NamePattern> out = new ArrayList<>();
        for (String text : texts) {
            NamePattern.Reading reading = NamePattern.read(text);
            reading.fault().ifPresent(fault -> object.fault(key, KitWording.PATTERN_AT
                    .say(Facts.of(FactName.NUMBER, fault.at() + 1).and(FactName.PATTERN, text).and(FactName.FAULT, fault.what()))));
            reading.pattern().ifPresent(out::add);
        }
        return out;
    }

    private Optional<String> startsAt() {
        Optional<JsonNode> node = object.node("startsAt");
        Optional<String> time = node.filter(JsonNode::isNumber).map(number -> number.numberValue().toString())
                .or(() -> node.filter(JsonNode::isString).map(JsonNode::stringValue).filter(text -> TIME.matcher(text).matches()));
        if (node.isPresent() && time.isEmpty()) {
            object.fault("startsAt", KitWording.STARTS_AT.say());
        }
        return time;
    }

    private static OptionalInt number(StrictObject object, String key, int least) {
        OptionalLong value = object.integer(key, least);
        return value.isPresent() ? OptionalInt.of((int) Math.min(Integer.MAX_VALUE, value.getAsLong())) : OptionalInt.empty();
    }

    private OptionalDouble positive(String key) {
        OptionalDouble value = object.number(key);
        if (value.isPresent() && !(value.getAsDouble() > 0 && Double.isFinite(value.getAsDouble()))) {
            object.fault(key, KitWording.NOT_ABOVE_ZERO.say(Facts.of(FactName.KEY, key)));
            return OptionalDouble.empty();
        }
        return value;
    }
}
