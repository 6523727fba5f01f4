package org.opensatchel.formats.timeline;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** An OpenTimelineIO document of one timeline, written by construction. */
public final class MadeTimeline {

    private final String name;
    private final double rate;
    private Double startFrame;
    private final List<String> tracks = new ArrayList<>();

    public MadeTimeline(String name, double rate) {
        this.name = name;
        this.rate = rate;
    }

    public MadeTimeline startsAt(double frame) {
        startFrame = frame;
        return this;
    }

    /** A track of items: {@code name 45} for a clip, {@code - 15} for a gap, {@code ! 30} for a clip without a file; frames. */
    public MadeTimeline track(String kind, String trackName, String... items) {
        tracks.add("{\"OTIO_SCHEMA\": \"Track.1\", \"name\": \"" + trackName + "\", \"kind\": \"" + kind + "\", \"children\": ["
                + Stream.of(items).map(this::item).collect(Collectors.joining(", ")) + "]}");
        return this;
    }

    private String item(String text) {
        int space = text.lastIndexOf(' ');
        String what = text.substring(0, space);
        String range = "\"source_range\": {\"OTIO_SCHEMA\": \"TimeRange.1\", \"start_time\": " + time(0) + ", \"duration\": "
                + time(Double.parseDouble(text.substring(space + 1))) + "}";
        if (what.equals("-")) {
            return "{\"OTIO_SCHEMA\": \"Gap.1\", " + range + "}";
        }
        String media = what.equals("!") ? "{\"OTIO_SCHEMA\": \"MissingReference.1\"}"
                : "{\"OTIO_SCHEMA\": \"ExternalReference.1\", \"target_url\": \"" + what + "\"}";
        return "{\"OTIO_SCHEMA\": \"Clip.1\", \"name\": \"" + (what.equals("!") ? "lost" : what) + "\", " + range
                + ", \"media_reference\": "
                + media + "}";
    }

    private String time(double frames) {
        return "{\"OTIO_SCHEMA\": \"RationalTime.1\", \"rate\": " + rate + ", \"value\": " + frames + "}";
    }

    @Override
    public String toString() {
        return "{\"OTIO_SCHEMA\": \"Timeline.1\", \"name\": \"" + name + "\", \"global_start_time\": "
                + (startFrame == null ? "null" : time(startFrame)) + ", \"tracks\": {\"OTIO_SCHEMA\": \"Stack.1\", \"children\": ["
                + String.join(", ", tracks) + "]}}";
    }
}
