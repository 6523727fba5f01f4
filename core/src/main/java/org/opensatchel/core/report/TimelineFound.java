package org.opensatchel.core.report;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * A timeline as it is drawn: its tracks, and what lies where on them. Times are seconds from its beginning.
 *
 * @param at where it stands in the document; empty for the whole
 * @param rate pictures a second, where known
 * @param start what its first moment is called, as a time code
 * @param more clips that are not kept
 * @param older whether a newer version of the document is there
 */
public record TimelineFound(String document, String at, String name, Optional<Double> rate, String start, double seconds,
        List<Track> tracks, int more, boolean older) {

    /** Clips of one timeline, and timelines, that a report keeps. */
    public static final int MOST_CLIPS = 4_000;
    public static final int MOST = 40;
    private static final int MOST_SHOWN = 4;
    private static final int MOST_CLIPS_SHOWN = 600;

    /** @param kind {@code video}, {@code sound} or {@code other} */
    public record Track(String kind, String name, String at, List<Clip> clips) {}

    /**
     * A clip.
     *
     * @param link its link by its place in {@code links}
     * @param outcome where that leads
     * @param state {@code offline} where the document says that it has no file, {@code off} where it is switched off
     */
    public record Clip(String name, String at, double start, double seconds, Optional<Integer> link, Optional<String> outcome,
            Optional<String> state) {}

    /** As many of them as are drawn at once: of the newest versions, each with its first clips. */
    static List<TimelineFound> shown(List<TimelineFound> all) {
        return all.stream().filter(timeline -> !timeline.older).limit(MOST_SHOWN).map(TimelineFound::bounded).toList();
    }

    private TimelineFound bounded() {
        return first(MOST_CLIPS_SHOWN);
    }

    /** With so many clips at most: the earliest of each track in turn. */
    private TimelineFound first(int most) {
        int clips = tracks.stream().mapToInt(track -> track.clips.size()).sum();
        if (clips <= most) {
            return this;
        }
        int each = Math.max(1, most / tracks.size());
        List<Track> out = new ArrayList<>();
        int kept = 0;
        for (Track track : tracks.subList(0, Math.min(tracks.size(), most))) {
            List<Clip> some = track.clips.subList(0, Math.min(each, track.clips.size()));
            kept += some.size();
            out.add(new Track(track.kind, track.name, track.at, some));
        }
        return new TimelineFound(document, at, name, rate, start, seconds, out, more + clips - kept, older);
    }
}
