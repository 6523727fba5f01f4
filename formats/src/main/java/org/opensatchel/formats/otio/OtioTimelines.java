package org.opensatchel.formats.otio;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.base.place.SourcePosition;
import org.opensatchel.formats.timeline.Timeline;
import org.opensatchel.formats.timeline.Timeline.Item;
import org.opensatchel.formats.timeline.Timeline.Kind;
import org.opensatchel.formats.timeline.Timeline.Track;
import org.opensatchel.formats.timeline.TimelineReader;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;

/**
 * OpenTimelineIO timelines, JSON serialisation: timelines alone and in collections, stacks and tracks that stand for themselves, clips of
 * both schema versions. What is nested in a track counts as one clip. Effects change no times there, and are not read.
 */
final class OtioTimelines implements TimelineReader {

    private static final String SCHEMA = "OTIO_SCHEMA";
    private static final int MOST_TIMELINES = 200;
    private static final int MOST_ITEMS = 100_000;
    private static final int DEEPEST = 60;
    private static final double LONGEST = 1e9;

    @Override
    public List<Timeline> read(ProjectPath document, byte[] bytes) {
        try {
            Reading reading = new Reading(document);
            reading.walk(JsonDocuments.MAPPER.readTree(bytes), "", 0);
            return reading.out;
        } catch (JacksonException broken) {
            // Told where its links are read.
            return List.of();
        }
    }

    private static boolean is(JsonNode node, String schema) {
        return text(node, SCHEMA).startsWith(schema + ".");
    }

    private static String text(JsonNode node, String key) {
        JsonNode value = node.get(key);
        return value != null && value.isString() ? value.stringValue() : "";
    }

    private static final class Reading {
        private final ProjectPath document;
        private final List<Timeline> out = new ArrayList<>();
        private int items;

        Reading(ProjectPath document) {
            this.document = document;
        }

        void walk(JsonNode node, String pointer, int depth) {
            if (out.size() >= MOST_TIMELINES || depth > DEEPEST) {
                return;
            }
            if (is(node, "SerializableCollection")) {
                JsonNode children = node.path("children");
                for (int i = 0; i < children.size(); i++) {
                    walk(children.get(i), pointer + "/children/" + i, depth + 1);
                }
            } else if (is(node, "Timeline")) {
                timeline(node, pointer, node.path("tracks"), pointer + "/tracks");
            } else if (is(node, "Stack") || is(node, "Track")) {
                timeline(node, pointer, node, pointer);
            }
        }

        private void timeline(JsonNode node, String pointer, JsonNode stack, String stackPointer) {
            SourcePosition at = place(pointer);
            List<Track> tracks = new ArrayList<>();
            if (is(stack, "Track")) {
                tracks.add(track(stack, stackPointer));
            } else {
                JsonNode children = stack.path("children");
                for (int i = 0; i < children.size(); i++) {
                    tracks.add(track(children.get(i), stackPointer + "/children/" + i));
                }
            }
            Optional<JsonNode> start = Optional.ofNullable(node.get("global_start_time")).filter(JsonNode::isObject);
            OptionalDouble said = start.map(time -> positive(time, "rate")).orElse(OptionalDouble.empty());
            out.add(new Timeline(document, at, text(node, "name"), said.isPresent() ? said : usual(tracks), true,
                    start.isPresent() ? OptionalDouble.of(seconds(start.get()).orElse(0.0)) : OptionalDouble.empty(), tracks));
        }

        /** The rate that most of what is seen has. */
        private static OptionalDouble usual(List<Track> tracks) {
            Map<Double, Integer> counts = new HashMap<>();
            tracks.stream().filter(track -> track.kind() == Kind.VIDEO).flatMap(track -> track.items().stream())
                    .forEach(item -> item.rate().ifPresent(rate -> counts.merge(rate, 1, Integer::sum)));
            return counts.entrySet().stream()
                    .max(Map.Entry.<Double, Integer>comparingByValue().thenComparing(Map.Entry.comparingByKey()))
                    .map(most -> OptionalDouble.of(most.getKey())).orElse(OptionalDouble.empty());
        }

        private Track track(JsonNode node, String pointer) {
            SourcePosition at = place(pointer);
            List<Item> list = new ArrayList<>();
            if (!is(node, "Track")) {
                // What lies in the stack by itself is a track of one clip.
                item(node, pointer, 0).ifPresent(list::add);
                return new Track(Kind.VIDEO, text(node, "name"), at, true, list);
            }
            double start = 0;
            JsonNode children = node.path("children");
            for (int i = 0; i < children.size(); i++) {
                Optional<Item> item = item(children.get(i), pointer + "/children/" + i, start);
                if (item.isPresent()) {
                    list.add(item.get());
                    start = item.get().end();
                }
            }
            String kind = text(node, "kind");
            return new Track(kind.equals("Audio") ? Kind.SOUND : kind.isEmpty() || kind.equals("Video") ? Kind.VIDEO : Kind.OTHER,
                    text(node, "name"), at, isEnabled(node), list);
        }

        /** Transitions lie over what they join, and take no time of their own. */
        private Optional<Item> item(JsonNode node, String pointer, double start) {
            if (!node.isObject() || is(node, "Transition") || ++items > MOST_ITEMS) {
                return Optional.empty();
            }
            SourcePosition at = place(pointer);
            Optional<JsonNode> duration = duration(node);
            double length = Math.max(0, duration.map(time -> seconds(time).orElse(0.0)).orElseGet(() -> nested(node, 0)));
            OptionalDouble rate = duration.map(time -> positive(time, "rate")).orElse(OptionalDouble.empty());
            Reference reference = is(node, "Clip") ? Reference.of(node, pointer) : Reference.NONE;
            return Optional.of(new Item(is(node, "Gap"), text(node, "name"), at, start, length, rate, isEnabled(node), reference.offline,
                    reference.link));
        }

        private static boolean isEnabled(JsonNode node) {
            JsonNode enabled = node.get("enabled");
            return enabled == null || !enabled.isBoolean() || enabled.booleanValue();
        }

        private SourcePosition place(String pointer) {
            return new SourcePosition.InTree(pointer, ++items);
        }

        private static Optional<JsonNode> duration(JsonNode node) {
            JsonNode own = node.path("source_range").path("duration");
            if (own.isObject()) {
                return Optional.of(own);
            }
            JsonNode available = Reference.media(node).path("available_range").path("duration");
            return available.isObject() ? Optional.of(available) : Optional.empty();
        }

        private static double nested(JsonNode node, int depth) {
            double sum = 0;
            double longest = 0;
            for (JsonNode child : depth > DEEPEST ? List.<JsonNode>of() : node.path("children")) {
                double length = is(child, "Transition") ? 0
                        : duration(child).map(time -> seconds(time).orElse(0.0)).orElseGet(() -> nested(child, depth + 1));
                sum += length;
                longest = Math.max(longest, length);
            }
            return is(node, "Track") ? sum : longest;
        }
    }

    /** The media of a clip: which of several it uses, and where that says its file. */
    private record Reference(boolean offline, Optional<String> link) {

        private static final Reference NONE = new Reference(false, Optional.empty());

        static Reference of(JsonNode clip, String pointer) {
            JsonNode media = media(clip);
            if (media.isMissingNode() || media.isNull() || is(media, "MissingReference")) {
                return new Reference(true, Optional.empty());
            }
            String way = pointer + (clip.path("media_references").isObject() ? "/media_references/" + escaped(key(clip))
                    : "/media_reference");
            boolean names = is(media, "ExternalReference") || is(media, "ImageSequenceReference");
            String leaf = is(media, "ExternalReference") ? "target_url"
                    : text(media, "target_url_base").isEmpty() ? "name_prefix" : "target_url_base";
            return new Reference(false, names ? Optional.of(way + "/" + leaf) : Optional.empty());
        }

        static JsonNode media(JsonNode clip) {
            JsonNode several = clip.path("media_references");
            return several.isObject() ? several.path(key(clip)) : clip.path("media_reference");
        }

        private static String key(JsonNode clip) {
            String used = text(clip, "active_media_reference_key");
            return used.isEmpty() ? "DEFAULT_MEDIA" : used;
        }

        private static String escaped(String key) {
            return key.replace("~", "~0").replace("/", "~1");
        }
    }

    private static OptionalDouble positive(JsonNode time, String key) {
        JsonNode value = time.get(key);
        return value != null && value.isNumber() && value.doubleValue() >= 0.01 && value.doubleValue() < 1e9
                ? OptionalDouble.of(value.doubleValue())
                : OptionalDouble.empty();
    }

    /** A rational time in seconds. */
    private static Optional<Double> seconds(JsonNode time) {
        OptionalDouble rate = positive(time, "rate");
        JsonNode value = time.get("value");
        // Longer than anybody lives is no time.
        boolean sound = rate.isPresent() && value != null && value.isNumber()
                && Math.abs(value.doubleValue() / rate.getAsDouble()) < LONGEST;
        return sound ? Optional.of(value.doubleValue() / rate.getAsDouble()) : Optional.empty();
    }
}
