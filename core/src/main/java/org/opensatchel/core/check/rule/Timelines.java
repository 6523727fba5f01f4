package org.opensatchel.core.check.rule;

import static org.opensatchel.base.fact.FactName.ASKED;
import static org.opensatchel.base.fact.FactName.ASKED_LENGTH;
import static org.opensatchel.base.fact.FactName.COUNT;
import static org.opensatchel.base.fact.FactName.EXPECTED;
import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.HOW;
import static org.opensatchel.base.fact.FactName.LEAST;
import static org.opensatchel.base.fact.FactName.LENGTH;
import static org.opensatchel.base.fact.FactName.MOST;
import static org.opensatchel.base.fact.FactName.NUMBER;
import static org.opensatchel.base.fact.FactName.VALUE;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.base.place.SourcePosition;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.finding.Severity;
import org.opensatchel.core.kit.TimelineRule;
import org.opensatchel.core.match.PlannedRole;
import org.opensatchel.core.naming.NamePattern;
import org.opensatchel.formats.timeline.TimeCode;
import org.opensatchel.formats.timeline.Timeline;
import org.opensatchel.formats.timeline.Timeline.Kind;
import org.opensatchel.formats.timeline.Timeline.Track;

/** Timelines that are not as the kit asks: their tracks, names, rate, start and length, gaps and flashes, and clips without a file. */
final class Timelines implements Rule<TimelineEvidence> {

    private static final double SAME_RATE = 0.01;

    @Override
    public Class<TimelineEvidence> needs() {
        return TimelineEvidence.class;
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.TIMELINE_EMPTY, Code.TIMELINE_TRACKS_TOO_FEW, Code.TIMELINE_TRACKS_TOO_MANY, Code.TIMELINE_TRACK_NAME,
                Code.TIMELINE_TRACK_UNNAMED, Code.TIMELINE_RATE_DIFFERS, Code.TIMELINE_NAME, Code.TIMELINE_STARTS_LATE,
                Code.TIMELINE_TOO_LONG, Code.TIMELINE_TOO_SHORT, Code.TIMELINE_GAP, Code.TIMELINE_FLASH_FRAME, Code.TIMELINE_OFFLINE,
                Code.TIMELINE_NOT_JUDGED);
    }

    @Override
    public List<Finding> judge(TimelineEvidence evidence) {
        List<Finding> out = new ArrayList<>();
        if (evidence.plan().isEmpty()) {
            return out;
        }
        for (PlannedRole role : evidence.plan().get().roles()) {
            role.timeline().ifPresent(
                    rule -> Stream.of(role.fitting(), role.misnamed(), role.misplaced()).flatMap(List::stream).distinct()
                            .filter(path -> !evidence.isOlder(path)).forEach(path -> document(evidence, path, rule, out)));
        }
        return out;
    }

    /** Of several timelines in a document each is judged; what holds none that is read says so. */
    private static void document(TimelineEvidence evidence, ProjectPath path, TimelineRule rule, List<Finding> out) {
        List<Timeline> timelines = evidence.timelines().stream().filter(timeline -> timeline.document().equals(path)).toList();
        if (timelines.isEmpty() && evidence.isRead(path)) {
            out.add(Finding.of(Code.TIMELINE_NOT_JUDGED).path(path).fact(HOW, "format").make());
        }
        timelines.forEach(timeline -> new Judge(evidence, rule, timeline, out).judge());
    }

    private record Judge(TimelineEvidence evidence, TimelineRule rule, Timeline timeline, List<Finding> out) {

        void judge() {
            if (timeline.clips().findAny().isEmpty()) {
                out.add(of(Code.TIMELINE_EMPTY, timeline.at()).make());
                return;
            }
            tracks(Kind.VIDEO, "video", rule.video());
            tracks(Kind.SOUND, "sound", rule.sound());
            rule.name().filter(pattern -> !fits(pattern, timeline.name())).ifPresent(pattern -> out
                    .add(of(Code.TIMELINE_NAME, timeline.at()).fact(FOUND, name(timeline.name())).fact(EXPECTED, example(pattern)).make()));
            start();
            length();
            boolean judged = rate();
            if (judged) {
                frames();
            }
            if (rule.offline() != TimelineRule.Offline.ALLOW) {
                timeline.clips().filter(Timeline.Item::offline).forEach(clip -> out.add(of(Code.TIMELINE_OFFLINE, clip.at())
                        .fact(FOUND, name(clip.name()))
                        .atMost(rule.offline() == TimelineRule.Offline.NOTE ? Severity.NOTE : Severity.MUST).make()));
            }
        }

        private Finding.Builder of(Code code, SourcePosition at) {
            return Finding.of(code).path(timeline.document()).at(at);
        }

        private static Optional<String> name(String text) {
            return Optional.of(text.strip()).filter(some -> !some.isEmpty());
        }

        private boolean fits(NamePattern pattern, String text) {
            return pattern.test(text, evidence.fields(), evidence.kit().orElseThrow().ascii()).fits();
        }

        private String example(NamePattern pattern) {
            return pattern.example(evidence.fields(), evidence.kit().orElseThrow().ascii());
        }

        private void tracks(Kind kind, String word, TimelineRule.Tracks asked) {
            List<Track> tracks = timeline.tracks(kind);
            int count = tracks.size();
            if (asked.atLeast().isPresent() && count < asked.atLeast().getAsInt()) {
                out.add(of(Code.TIMELINE_TRACKS_TOO_FEW, timeline.at()).fact(HOW, word).fact(COUNT, count)
                        .fact(LEAST, asked.atLeast().getAsInt()).make());
            }
            if (asked.atMost().isPresent() && count > asked.atMost().getAsInt()) {
                out.add(of(Code.TIMELINE_TRACKS_TOO_MANY, timeline.at()).fact(HOW, word).fact(COUNT, count)
                        .fact(MOST, asked.atMost().getAsInt()).make());
            }
            if (asked.names().isEmpty()) {
                return;
            }
            for (int i = 0; i < count; i++) {
                Track track = tracks.get(i);
                if (track.name().isBlank()) {
                    out.add(of(Code.TIMELINE_TRACK_UNNAMED, track.at()).fact(HOW, word).fact(NUMBER, i + 1).make());
                } else if (asked.names().stream().noneMatch(pattern -> fits(pattern, track.name()))) {
                    out.add(of(Code.TIMELINE_TRACK_NAME, track.at()).fact(FOUND, track.name()).fact(HOW, word)
                            .fact(FactName.TYPES, asked.names().stream().map(this::example).toList()).make());
                }
            }
        }

        /** What starts where nobody says it starts at zero. */
        private void start() {
            double found = timeline.startsAt().orElse(0);
            rule.startsAt().filter(asked -> !TimeCode.isAt(asked, found, timeline.rate())).ifPresent(asked -> out
                    .add(of(Code.TIMELINE_STARTS_LATE, timeline.at()).fact(FOUND, TimeCode.of(found, timeline.rate()))
                            .fact(EXPECTED, asked.contains(":") ? asked : TimeCode.of(Double.parseDouble(asked), timeline.rate())).make()));
        }

        private void length() {
            double found = timeline.seconds();
            double spare = timeline.rate().isPresent() ? 0.5 / timeline.rate().getAsDouble() : 0.02;
            if (rule.maxSeconds().isPresent() && found > rule.maxSeconds().getAsDouble() + spare) {
                out.add(of(Code.TIMELINE_TOO_LONG, timeline.at()).fact(LENGTH, hundredths(found))
                        .fact(ASKED_LENGTH, rule.maxSeconds().getAsDouble()).make());
            }
            if (rule.minSeconds().isPresent() && found < rule.minSeconds().getAsDouble() - spare) {
                out.add(of(Code.TIMELINE_TOO_SHORT, timeline.at()).fact(LENGTH, hundredths(found))
                        .fact(ASKED_LENGTH, rule.minSeconds().getAsDouble()).make());
            }
        }

        /** Whether pictures can be counted: a rate that is only concluded counts where it is the one asked for. */
        private boolean rate() {
            boolean counts = rule.maxGapFrames().isPresent() || rule.minClipFrames().isPresent();
            boolean known = timeline.rate().isPresent() && (timeline.rateSaid() || rule.frameRate().isPresent()
                    && Math.round(rule.frameRate().getAsDouble()) == Math.round(timeline.rate().getAsDouble()));
            if (!known) {
                if (counts || rule.frameRate().isPresent()) {
                    out.add(of(Code.TIMELINE_NOT_JUDGED, timeline.at()).fact(HOW, "rate").make());
                }
                return false;
            }
            double found = timeline.rate().getAsDouble();
            if (timeline.rateSaid() && rule.frameRate().isPresent() && Math.abs(found - rule.frameRate().getAsDouble()) > SAME_RATE) {
                out.add(of(Code.TIMELINE_RATE_DIFFERS, timeline.at()).fact(VALUE, Math.round(found * 1_000) / 1_000.0)
                        .fact(ASKED, rule.frameRate().getAsDouble()).make());
            }
            return counts;
        }

        private void frames() {
            rule.maxGapFrames().ifPresent(most -> timeline.holes().forEach(hole -> {
                long frames = timeline.frames(hole.seconds()).orElse(0L);
                if (frames > most) {
                    out.add(of(Code.TIMELINE_GAP, hole.at()).fact(COUNT, frames).fact(MOST, most)
                            .fact(FOUND, TimeCode.of(timeline.startsAt().orElse(0) + hole.start(), timeline.rate())).make());
                }
            }));
            rule.minClipFrames().ifPresent(
                    least -> timeline.tracks(Kind.VIDEO).stream().filter(Track::enabled).flatMap(Track::clips)
                            .filter(Timeline.Item::enabled)
                            .forEach(clip -> {
                                long frames = timeline.frames(clip.seconds()).orElse(0L);
                                if (frames < least) {
                                    out.add(of(Code.TIMELINE_FLASH_FRAME, clip.at()).fact(FOUND, name(clip.name())).fact(COUNT, frames)
                                            .fact(LEAST, least).make());
                                }
                            }));
        }

        private static double hundredths(double seconds) {
            return Math.round(seconds * 100) / 100.0;
        }
    }
}
