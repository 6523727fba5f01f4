package org.opensatchel.formats.dawproject;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import javax.xml.stream.XMLStreamReader;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.base.place.SourcePosition;
import org.opensatchel.formats.link.DocumentContent;
import org.opensatchel.formats.link.Unreadable;
import org.opensatchel.formats.timeline.Tempo;
import org.opensatchel.formats.timeline.Timeline;
import org.opensatchel.formats.timeline.Timeline.Item;
import org.opensatchel.formats.timeline.Timeline.Kind;
import org.opensatchel.formats.timeline.Timeline.Track;
import org.opensatchel.formats.timeline.TimelineReader;
import org.opensatchel.formats.xml.XmlScan;
import org.opensatchel.formats.zip.Members;

/**
 * The arrangement of a DAWproject exchange package (version 1.0): {@code project.xml}, with a track for each of {@code Structure} that
 * holds sound, notes or pictures. Groups, the master and returns are no tracks of their own. Beats become seconds by the tempo, also where
 * it changes. What is nested in a clip counts as one.
 */
final class DawTimelines implements TimelineReader {

    /** Packages hold their sounds; longer ones are not read. */
    private static final int MOST_BYTES = 48 << 20;
    private static final long MOST_XML = 64L << 20;
    private static final int MOST_CLIPS = 100_000;
    private static final String PROJECT = "project.xml";
    private static final double LONGEST = 1e9;

    @Override
    public int mostBytes() {
        return MOST_BYTES;
    }

    @Override
    public List<Timeline> read(ProjectPath document, byte[] bytes) {
        try {
            byte[] xml = Members.read(new DocumentContent(document, new ByteArrayInputStream(bytes), MOST_XML), PROJECT::equals).contents()
                    .get(PROJECT);
            Reading reading = new Reading(document);
            if (xml != null) {
                new XmlScan(reading).read(new ByteArrayInputStream(xml));
            }
            return reading.timelines();
        } catch (Unreadable broken) {
            // Told where its links are read.
            return List.of();
        } catch (IOException impossible) {
            throw new UncheckedIOException(impossible);
        }
    }

    /** A track as it is being read. */
    private static final class Made {
        private final String name;
        private final SourcePosition at;
        private final String content;
        private boolean heard = true;
        private boolean hasRole;
        private final List<Clip> clips = new ArrayList<>();

        Made(String name, SourcePosition at, String content) {
            this.name = name;
            this.at = at;
            this.content = content;
        }

        /** Whether something is put on it. */
        boolean isTrack() {
            return !hasRole && !kinds().isEmpty() && !kinds().contains("tracks") || !clips.isEmpty();
        }

        private List<String> kinds() {
            return content.isBlank() ? List.of() : List.of(content.strip().split("\\s+"));
        }

        Kind kind() {
            return kinds().contains("video") ? Kind.VIDEO
                    : kinds().contains("audio") || kinds().contains("notes") ? Kind.SOUND : Kind.OTHER;
        }
    }

    /** A clip as it stands there; times in beats or in seconds. */
    private static final class Clip {
        private final SourcePosition at;
        private final double time;
        private final double duration;
        private final boolean beats;
        private final boolean enabled;
        private String name;
        private Optional<String> link = Optional.empty();

        Clip(SourcePosition at, String name, double time, double duration, boolean beats, boolean enabled) {
            this.at = at;
            this.name = name;
            this.time = time;
            this.duration = duration;
            this.beats = beats;
            this.enabled = enabled;
        }

        Item item(Tempo tempo) {
            double start = beats ? tempo.seconds(time) : time;
            double end = beats ? tempo.seconds(time + duration) : time + duration;
            return new Item(false, name, at, start, Math.max(0, end - start), OptionalDouble.empty(), enabled, false, link);
        }
    }

    /** What holds for all that stands in an element. */
    private record Around(String name, boolean beats, Optional<Made> track, Optional<Clip> clip) {}

    private static final class Reading implements XmlScan.Listener {
        private final ProjectPath document;
        private final Tempo tempo = new Tempo();
        private final Map<String, Made> tracks = new LinkedHashMap<>();
        private final Deque<Around> open = new ArrayDeque<>();
        private final Deque<Made> structure = new ArrayDeque<>();
        private Optional<SourcePosition> arrangement = Optional.empty();
        private String name = "";
        private int clips;

        Reading(ProjectPath document) {
            this.document = document;
        }

        @Override
        public void element(XmlScan.Element element, XMLStreamReader reader) {
            Around outer = open.isEmpty() ? new Around("", true, Optional.empty(), Optional.empty()) : open.peek();
            String unit = text(reader, "timeUnit");
            boolean beats = unit.isEmpty() ? outer.beats : !unit.equals("seconds");
            String what = element.localName();
            Optional<Made> track = outer.track;
            Optional<Clip> clip = outer.clip;
            switch (what) {
                case "Arrangement" -> {
                    arrangement = Optional.of(element.place());
                    name = text(reader, "name");
                }
                case "Tempo" -> tempo.usual(number(reader, "value", 0));
                case "Track" -> {
                    Made made = new Made(text(reader, "name"), element.place(), text(reader, "contentType"));
                    tracks.putIfAbsent(id(reader, tracks.size()), made);
                    structure.push(made);
                }
                case "Channel" -> {
                    String role = text(reader, "role");
                    if (!structure.isEmpty()) {
                        structure.peek().hasRole |= !role.isEmpty() && !role.equals("regular");
                    }
                }
                case "Mute" -> {
                    if (!structure.isEmpty()) {
                        structure.peek().heard &= !text(reader, "value").equals("true");
                    }
                }
                case "RealPoint" -> {
                    if (open.stream().anyMatch(one -> one.name.equals("TempoAutomation"))) {
                        tempo.at(number(reader, "time", -1), number(reader, "value", 0),
                                text(reader, "interpolation").equals("linear"));
                    }
                }
                case "Clip" -> clip = clip.isPresent() ? clip : clip(element, reader, outer);
                case "File" -> clip.ifPresent(one -> file(one, element, reader));
                default -> {
                    String id = text(reader, "track");
                    track = id.isEmpty() ? track : Optional.ofNullable(tracks.get(id));
                }
            }
            open.push(new Around(what, beats, track, clip));
        }

        @Override
        public void end(XmlScan.Element element) {
            open.pop();
            if (element.localName().equals("Track")) {
                structure.poll();
            }
        }

        /** Scenes hold clips too, which nobody hears unless they are started. */
        private Optional<Clip> clip(XmlScan.Element element, XMLStreamReader reader, Around outer) {
            boolean placed = open.stream().anyMatch(one -> one.name.equals("Arrangement"));
            if (!placed || outer.track.isEmpty() || ++clips > MOST_CLIPS) {
                return Optional.empty();
            }
            double time = number(reader, "time", 0);
            double duration = number(reader, "duration", number(reader, "playStop", 0) - number(reader, "playStart", 0));
            Clip clip = new Clip(element.place(), text(reader, "name"), Math.max(0, time), Math.max(0, duration), outer.beats,
                    !text(reader, "enable").equals("false"));
            outer.track.get().clips.add(clip);
            return Optional.of(clip);
        }

        /** The first file of a clip is what it plays; one inside the package is no link. */
        private static void file(Clip clip, XmlScan.Element element, XMLStreamReader reader) {
            String path = text(reader, "path");
            if (clip.link.isEmpty() && text(reader, "external").equals("true")) {
                clip.link = Optional.of(element.place("path").text());
            }
            clip.name = clip.name.isEmpty() ? path.substring(Math.max(path.lastIndexOf('/'), path.lastIndexOf('\\')) + 1) : clip.name;
        }

        private static String id(XMLStreamReader reader, int count) {
            String id = text(reader, "id");
            return id.isEmpty() ? "#" + count : id;
        }

        private static String text(XMLStreamReader reader, String key) {
            String value = reader.getAttributeValue(null, key);
            return value == null ? "" : value.strip();
        }

        /** A number; what is none, or longer than anybody lives, is another one. */
        private static double number(XMLStreamReader reader, String key, double otherwise) {
            try {
                double value = Double.parseDouble(text(reader, key));
                return Math.abs(value) < LONGEST ? value : otherwise;
            } catch (NumberFormatException none) {
                return otherwise;
            }
        }

        List<Timeline> timelines() {
            if (arrangement.isEmpty()) {
                return List.of();
            }
            tempo.close();
            List<Track> out = tracks.values().stream().filter(Made::isTrack)
                    .map(track -> new Track(track.kind(), track.name, track.at, track.heard, track.clips.stream()
                            .map(clip -> clip.item(tempo)).sorted(Comparator.comparingDouble(Item::start)).toList()))
                    .toList();
            return List.of(new Timeline(document, arrangement.get(), name, OptionalDouble.empty(), false, OptionalDouble.empty(), out));
        }
    }
}
