package org.opensatchel.core.check;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.core.report.TimelineFound;
import org.opensatchel.core.report.TimelineFound.Clip;
import org.opensatchel.core.report.TimelineFound.Track;
import org.opensatchel.core.resolve.ResolvedLink;
import org.opensatchel.formats.timeline.TimeCode;
import org.opensatchel.formats.timeline.Timeline;

/** Lays the timelines that were read into the lines of a report, each clip with where its link leads. */
final class TimelineTable {

    private final List<ResolvedLink> links;
    private final Map<String, Integer> byPlace = new HashMap<>();

    private TimelineTable(List<ResolvedLink> links) {
        this.links = links;
        for (int i = 0; i < links.size(); i++) {
            byPlace.putIfAbsent(key(links.get(i).link().file().text(), links.get(i).link().at().text()), i);
        }
    }

    /** Newest versions first, then in the order of their documents. */
    static List<TimelineFound> of(Evidence evidence) {
        if (evidence.timelines().isEmpty()) {
            return List.of();
        }
        TimelineTable table = new TimelineTable(evidence.links());
        return evidence.timelines().stream()
                .sorted(Comparator.comparing((Timeline timeline) -> evidence.isOlder(timeline.document()))
                        .thenComparing(Timeline::document).thenComparing(Timeline::at))
                .limit(TimelineFound.MOST).map(timeline -> table.line(timeline, evidence.isOlder(timeline.document()))).toList();
    }

    private TimelineFound line(Timeline timeline, boolean older) {
        List<Track> tracks = new ArrayList<>();
        int left = TimelineFound.MOST_CLIPS;
        int more = 0;
        for (Timeline.Track track : timeline.tracks()) {
            List<Timeline.Item> clips = track.clips().toList();
            List<Clip> kept = clips.stream().limit(left).map(clip -> clip(timeline, track, clip)).toList();
            left -= kept.size();
            more += clips.size() - kept.size();
            tracks.add(new Track(track.kind().name().toLowerCase(Locale.ROOT), track.name(), track.at().text(), kept));
        }
        return new TimelineFound(timeline.document().text(), timeline.at().text(), timeline.name(),
                timeline.rate().isPresent() ? Optional.of(thousandths(timeline.rate().getAsDouble())) : Optional.empty(),
                TimeCode.of(timeline.startsAt().orElse(0), timeline.rate()), thousandths(timeline.seconds()), tracks, more, older);
    }

    private Clip clip(Timeline timeline, Timeline.Track track, Timeline.Item clip) {
        Optional<Integer> link = clip.link().map(at -> byPlace.get(key(timeline.document().text(), at)));
        return new Clip(clip.name(), clip.at().text(), thousandths(clip.start()), thousandths(clip.seconds()), link,
                link.map(at -> links.get(at).outcome().word()),
                clip.offline() ? Optional.of("offline") : clip.enabled() && track.enabled() ? Optional.empty() : Optional.of("off"));
    }

    private static String key(String document, String at) {
        return document + "\0" + at;
    }

    private static double thousandths(double value) {
        return Math.round(value * 1_000) / 1_000.0;
    }
}
