package org.opensatchel.formats.edl;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.base.place.SourcePosition;
import org.opensatchel.formats.text.Lines;
import org.opensatchel.formats.text.TextDecoding;
import org.opensatchel.formats.timeline.Timeline;
import org.opensatchel.formats.timeline.Timeline.Item;
import org.opensatchel.formats.timeline.Timeline.Kind;
import org.opensatchel.formats.timeline.Timeline.Track;
import org.opensatchel.formats.timeline.TimelineReader;

/**
 * CMX 3600 edit decision lists (SMPTE ST 258): one timeline of a list, with a track for each channel. A list says no rate; drop frame times
 * are those of 29.97 pictures a second, of others it is concluded from the highest number of a picture.
 */
final class EdlTimelines implements TimelineReader {

    private static final Pattern EVENT = Pattern.compile(
            "^\\s*(\\d{1,6})\\s+(\\S+)\\s+([A-Z0-9/]+)\\s+([CDWK][A-Z0-9]*)\\s+(?:\\d{1,3}\\s+)?(\\S+)\\s+(\\S+)\\s+(\\S+)\\s+(\\S+)\\s*$");
    private static final Pattern TIME = Pattern.compile("(\\d{1,2})[:;.](\\d{2})[:;.](\\d{2})([:;.])(\\d{2,3})");
    private static final int[] RATES = {24, 25, 30, 48, 50, 60, 100, 120};
    private static final int MOST_EVENTS = 100_000;
    private static final double DROP = 30_000.0 / 1_001;

    /** A moment as it is written. */
    private record Moment(int hours, int minutes, int seconds, int picture) {

        static Optional<Moment> of(String text) {
            Matcher time = TIME.matcher(text);
            return time.matches()
                    ? Optional.of(new Moment(Integer.parseInt(time.group(1)), Integer.parseInt(time.group(2)),
                            Integer.parseInt(time.group(3)), Integer.parseInt(time.group(5))))
                    : Optional.empty();
        }

        /** Of a clock that leaves out two numbers each minute but the tenth (SMPTE ST 12-1), or of one that leaves out none. */
        double at(int nominal, boolean drop) {
            long minute = hours * 60L + minutes;
            long pictures = (minute * 60 + seconds) * nominal + picture;
            return drop ? (pictures - 2 * (minute - minute / 10)) / DROP : (double) pictures / nominal;
        }
    }

    private static final class Event {
        private final String channel;
        private final boolean black;
        private final SourcePosition at;
        private final Moment from;
        private final Moment to;
        private String name;
        private Optional<String> link = Optional.empty();
        private boolean dissolved;

        Event(String channel, String reel, SourcePosition at, Moment from, Moment to) {
            this.channel = channel;
            this.black = reel.equals("BL") || reel.equals("BLACK");
            this.name = reel;
            this.at = at;
            this.from = from;
            this.to = to;
        }
    }

    @Override
    public List<Timeline> read(ProjectPath document, byte[] bytes) {
        List<Event> events = new ArrayList<>();
        String[] title = {""};
        boolean[] drop = {false};
        Lines.each(TextDecoding.decode(bytes), (number, line) -> {
            if (line.startsWith("TITLE:")) {
                title[0] = line.substring(6).strip();
            } else if (line.startsWith("FCM:")) {
                drop[0] |= events.isEmpty() && line.contains("DROP") && !line.contains("NON");
            } else if (line.length() < 10_000 && events.size() < MOST_EVENTS) {
                event(line, number).ifPresentOrElse(events::add, () -> about(line, number, events));
            }
        });
        return events.isEmpty() ? List.of() : List.of(timeline(document, title[0], drop[0], events));
    }

    private static Optional<Event> event(String line, int number) {
        Matcher event = EVENT.matcher(line);
        if (!event.matches()) {
            return Optional.empty();
        }
        Optional<Moment> from = Moment.of(event.group(7));
        Optional<Moment> to = Moment.of(event.group(8));
        return from.isEmpty() || to.isEmpty() || Moment.of(event.group(5)).isEmpty() ? Optional.empty()
                : Optional.of(new Event(event.group(3), event.group(2), new SourcePosition.InText(number, 1), from.get(), to.get()));
    }

    /** What stands under an event is about it: a clip's name, and the file that its link names. */
    private static void about(String line, int number, List<Event> events) {
        Optional<EdlComment> comment = events.isEmpty() ? Optional.empty() : EdlComment.of(line);
        if (comment.isEmpty() || events.get(events.size() - 1).dissolved && !comment.get().isOfNext()) {
            return;
        }
        Event event = events.get(events.size() - 1);
        // Of a dissolve the last event shows what it leads to.
        event.dissolved = comment.get().isOfNext();
        if (comment.get().isClipName()) {
            event.name = comment.get().text();
        }
        event.link = Optional.of(new SourcePosition.InText(number, comment.get().column()).text());
    }

    private static Timeline timeline(ProjectPath document, String title, boolean drop, List<Event> events) {
        int highest = events.stream().mapToInt(event -> Math.max(event.from.picture, event.to.picture)).max().orElse(0);
        int nominal = drop ? 30 : java.util.Arrays.stream(RATES).filter(rate -> rate > highest).findFirst().orElse(highest + 1);
        double first = events.stream().mapToDouble(event -> event.from.at(nominal, drop)).min().orElse(0);
        Map<String, List<Item>> channels = new TreeMap<>(Comparator.comparing(EdlTimelines::order).thenComparing(name -> name));
        Map<String, SourcePosition> places = new TreeMap<>();
        for (Event event : events) {
            double start = event.from.at(nominal, drop) - first;
            double length = event.to.at(nominal, drop) - first - start;
            // A cut before a dissolve takes no time.
            if (length > Timeline.SAME) {
                for (String channel : channels(event.channel)) {
                    places.putIfAbsent(channel, event.at);
                    channels.computeIfAbsent(channel, key -> new ArrayList<>()).add(new Item(event.black, event.name, event.at, start,
                            length, OptionalDouble.empty(), true, false, event.link));
                }
            }
        }
        List<Track> tracks = new ArrayList<>();
        channels.forEach((name, items) -> tracks.add(new Track(name.startsWith("V") ? Kind.VIDEO : Kind.SOUND, name, places.get(name), true,
                items.stream().sorted(Comparator.comparingDouble(Item::start)).toList())));
        return new Timeline(document, SourcePosition.WHOLE, title, OptionalDouble.of(drop ? DROP : nominal), drop, OptionalDouble.of(first),
                tracks);
    }

    private static int order(String channel) {
        return channel.startsWith("V") ? 0 : 1;
    }

    /** The channels an event is on: {@code V}, {@code A2}, {@code AA/V}; {@code B} is both, the first of each. */
    private static Set<String> channels(String text) {
        Set<String> out = new LinkedHashSet<>();
        for (String part : text.split("/")) {
            switch (part) {
                case "B" -> out.addAll(List.of("V", "A"));
                case "AA" -> out.addAll(List.of("A", "A2"));
                case "NONE" -> {
                    // Nothing is seen or heard.
                }
                default -> out.add(part.equals("V1") || part.equals("A1") ? part.substring(0, 1) : part);
            }
        }
        return out;
    }
}
