package org.opensatchel.core.kit;

import static org.opensatchel.base.fact.FactName.COUNT;
import static org.opensatchel.base.fact.FactName.HOW;
import static org.opensatchel.base.fact.FactName.PATTERN;
import static org.opensatchel.base.fact.FactName.TEXT;
import static org.opensatchel.base.fact.FactName.TYPES;
import static org.opensatchel.base.fact.FactName.VALUE;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.core.kit.Demand.Spelling;
import org.opensatchel.core.naming.NamePattern;

/**
 * What the timeline of a document has to be like. What is absent may be anything.
 *
 * @param startsAt what its first moment is called: a time code like {@code 01:00:00:00}, or seconds
 * @param frameRate pictures a second
 * @param maxGapFrames how many pictures long nothing may be seen
 * @param minClipFrames how many pictures a clip is long at least
 */
public record TimelineRule(Tracks video, Tracks sound, Optional<NamePattern> name, Optional<String> startsAt, OptionalDouble minSeconds,
        OptionalDouble maxSeconds, OptionalDouble frameRate, OptionalInt maxGapFrames, OptionalInt minClipFrames, Offline offline) {

    /** Tracks of one kind: how many, and the names that they bear. */
    public record Tracks(OptionalInt atLeast, OptionalInt atMost, List<NamePattern> names) {

        static final Tracks ANY = new Tracks(OptionalInt.empty(), OptionalInt.empty(), List.of());

        public Tracks {
            names = List.copyOf(names);
        }
    }

    /** What becomes of clips for which a document says that there is no file. */
    public enum Offline {
        ALLOW, NOTE, FORBID
    }

    /** What it asks for, each in a few words. */
    List<Phrase> parts(Spelling spelling) {
        List<Phrase> out = new ArrayList<>();
        tracks(video, "video", spelling, out);
        tracks(sound, "sound", spelling, out);
        name.ifPresent(pattern -> out.add(TimelineWording.NAME.say(Facts.of(PATTERN, spelling.name(pattern)))));
        startsAt.ifPresent(time -> out.add(TimelineWording.STARTS_AT.say(Facts.of(TEXT, time))));
        minSeconds.ifPresent(value -> out.add(MediaWording.SECONDS_LEAST.say(Facts.of(VALUE, value))));
        maxSeconds.ifPresent(value -> out.add(MediaWording.SECONDS_MOST.say(Facts.of(VALUE, value))));
        frameRate.ifPresent(value -> out.add(MediaWording.FRAME_RATE.say(Facts.of(VALUE, value))));
        maxGapFrames.ifPresent(value -> out.add(TimelineWording.GAP.say(Facts.of(COUNT, value))));
        minClipFrames.ifPresent(value -> out.add(TimelineWording.CLIP.say(Facts.of(COUNT, value))));
        if (offline == Offline.FORBID) {
            out.add(TimelineWording.OFFLINE.say());
        }
        return out;
    }

    private static void tracks(Tracks tracks, String kind, Spelling spelling, List<Phrase> out) {
        tracks.atLeast.ifPresent(least -> out.add(TimelineWording.TRACKS_LEAST.say(Facts.of(HOW, kind).and(COUNT, least))));
        tracks.atMost.ifPresent(most -> out.add(TimelineWording.TRACKS_MOST.say(Facts.of(HOW, kind).and(COUNT, most))));
        if (!tracks.names.isEmpty()) {
            out.add(TimelineWording.TRACK_NAMES
                    .say(Facts.of(HOW, kind).and(TYPES, tracks.names.stream().map(spelling::name).toList())));
        }
    }
}
