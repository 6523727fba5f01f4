package org.opensatchel.core.kit;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.regex.Pattern;
import org.opensatchel.base.json.StrictObject;
import org.opensatchel.core.kit.TimelineRule.Offline;
import org.opensatchel.core.kit.TimelineRule.Tracks;
import org.opensatchel.core.naming.NamePattern;
import tools.jackson.databind.JsonNode;

/** What is asked of a timeline in the kit document. */
final class TimelineShape {

    private static final Pattern TIME = Pattern.compile("[0-9]{2}:[0-5][0-9]:[0-5][0-9][:;][0-9]{2,3}");

    static final Shape<Tracks> TRACKS = Shape.of(Tracks.class,
            Field.of("atLeast", Tracks::atLeast, FieldTypes.maybeNumber(0)),
            Field.of("atMost", Tracks::atMost, FieldTypes.maybeNumber(0)),
            Field.of("names", Tracks::names, oneOrSomeNames())).checked(TimelineShape::fewestBelowMost);

    static final Shape<TimelineRule> TIMELINE = Shape.of(TimelineRule.class,
            Field.of("video", TimelineRule::video, FieldTypes.unless(TRACKS, Schemas.reference("tracks"), Tracks.ANY)),
            Field.of("sound", TimelineRule::sound, FieldTypes.unless(TRACKS, Schemas.reference("tracks"), Tracks.ANY)),
            Field.of("name", TimelineRule::name, maybeName()),
            Field.of("startsAt", TimelineRule::startsAt, time()),
            Field.of("minSeconds", TimelineRule::minSeconds, FieldTypes.positive()),
            Field.of("maxSeconds", TimelineRule::maxSeconds, FieldTypes.positive()),
            Field.of("frameRate", TimelineRule::frameRate, FieldTypes.positive()),
            Field.of("maxGapFrames", TimelineRule::maxGapFrames, FieldTypes.maybeNumber(0)),
            Field.of("minClipFrames", TimelineRule::minClipFrames, FieldTypes.maybeNumber(1)),
            Field.of("offline", TimelineRule::offline, FieldTypes.wordUnless(Offline.values(), Offline.ALLOW)))
            .checked(TimelineShape::shortestBelowLongest);

    private TimelineShape() {
    }

    private static void fewestBelowMost(StrictObject object, Tracks tracks, KitContext in) {
        OptionalInt least = tracks.atLeast();
        if (least.isPresent() && tracks.atMost().isPresent() && least.getAsInt() > tracks.atMost().getAsInt()) {
            object.fault("atMost", KitWording.MOST_UNDER_LEAST.say());
        }
    }

    private static void shortestBelowLongest(StrictObject object, TimelineRule rule, KitContext in) {
        if (FieldTypes.isAbove(rule.minSeconds(), rule.maxSeconds())) {
            object.fault("maxSeconds", KitWording.MOST_UNDER_LEAST.say());
        }
    }

    /** A moment: a time code, or seconds. */
    private static FieldType<Optional<String>> time() {
        return FieldTypes.simple(Schemas.anyOf(Schemas.type("number"), Schemas.type("string").put("pattern", "^" + TIME.pattern() + "$")),
                (object, key) -> {
                    Optional<JsonNode> node = object.node(key);
                    Optional<String> time = node.filter(JsonNode::isNumber).map(number -> number.numberValue().toString())
                            .or(() -> node.filter(JsonNode::isString).map(JsonNode::stringValue)
                                    .filter(text -> TIME.matcher(text).matches()));
                    if (node.isPresent() && time.isEmpty()) {
                        object.fault(key, KitWording.STARTS_AT.say());
                    }
                    return time;
                }, (out, key, value) -> value.ifPresent(time -> {
                    if (time.contains(":")) {
                        out.put(key, time);
                    } else {
                        out.put(key, new BigDecimal(time));
                    }
                }));
    }

    /** Patterns for names: one, or several in a list. */
    private static FieldType<List<NamePattern>> oneOrSomeNames() {
        return FieldTypes.simple(Schemas.anyOf(Schemas.type("string"), Schemas.list(Schemas.type("string"))), TimelineShape::names,
                (FieldTypes.WriteTo<List<NamePattern>>) (out, key, value) -> Schemas.texts(
                        out.putArray(key), value.stream().map(NamePattern::text).toList()))
                .quiet(List::isEmpty);
    }

    /** A pattern for a name, where there is one. */
    private static FieldType<Optional<NamePattern>> maybeName() {
        return FieldTypes.simple(Schemas.type("string"), (object, key) -> names(object, key).stream().findFirst(),
                (out, key, value) -> value.ifPresent(name -> out.put(key, name.text())));
    }

    private static List<NamePattern> names(StrictObject object, String key) {
        Optional<JsonNode> node = object.node(key);
        List<String> texts = node.filter(JsonNode::isString).isPresent() ? List.of(node.get().stringValue()) : object.texts(key);
        return texts.stream().map(text -> KitContext.name(object, key, text)).flatMap(Optional::stream).toList();
    }
}
