package org.opensatchel.core.kit;

import java.util.OptionalInt;
import org.opensatchel.base.json.StrictObject;
import org.opensatchel.core.kit.TimelineRule.Offline;
import org.opensatchel.core.kit.TimelineRule.Tracks;

/** What is asked of a timeline in the kit document. */
final class TimelineShape {

    static final Shape<Tracks> TRACKS = Shape.of(Tracks.class,
            Field.of("atLeast", Tracks::atLeast, Holds.maybeNumber(0)),
            Field.of("atMost", Tracks::atMost, Holds.maybeNumber(0)),
            Field.of("names", Tracks::names, Holds.oneOrSomeNames())).checked(TimelineShape::fewestBelowMost);

    static final Shape<TimelineRule> TIMELINE = Shape.of(TimelineRule.class,
            Field.of("video", TimelineRule::video, Holds.unless(TRACKS, Holds.reference("tracks"), Tracks.ANY)),
            Field.of("sound", TimelineRule::sound, Holds.unless(TRACKS, Holds.reference("tracks"), Tracks.ANY)),
            Field.of("name", TimelineRule::name, Holds.maybeName()),
            Field.of("startsAt", TimelineRule::startsAt, Holds.time()),
            Field.of("minSeconds", TimelineRule::minSeconds, Holds.positive()),
            Field.of("maxSeconds", TimelineRule::maxSeconds, Holds.positive()),
            Field.of("frameRate", TimelineRule::frameRate, Holds.positive()),
            Field.of("maxGapFrames", TimelineRule::maxGapFrames, Holds.maybeNumber(0)),
            Field.of("minClipFrames", TimelineRule::minClipFrames, Holds.maybeNumber(1)),
            Field.of("offline", TimelineRule::offline, Holds.wordUnless(Offline.values(), Offline.ALLOW)))
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
        if (Holds.isAbove(rule.minSeconds(), rule.maxSeconds())) {
            object.fault("maxSeconds", KitWording.MOST_UNDER_LEAST.say());
        }
    }
}
