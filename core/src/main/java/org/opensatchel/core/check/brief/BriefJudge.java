package org.opensatchel.core.check.brief;

import static org.opensatchel.base.fact.FactName.ASKED_COUNT;
import static org.opensatchel.base.fact.FactName.COUNT;
import static org.opensatchel.base.fact.FactName.HOW;

import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.stream.Stream;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.kit.MediaRule;
import org.opensatchel.formats.media.MediaFacts;
import org.opensatchel.formats.media.MediaFacts.Picture;
import org.opensatchel.formats.sound.SoundLevels;

/** Holds what a file says of itself, and what was measured of it, against a brief. */
public final class BriefJudge {

    private BriefJudge() {
    }

    /**
     * What came of it.
     *
     * @param unjudged what is asked for and cannot be told of this file
     */
    public record Judged(List<Mismatch> mismatches, List<BriefWording> unjudged) {}

    /**
     * @param isSpecific whether the brief is of this file rather than of whatever lies in a folder: a film that has to be so large has to have
     *     pictures; in a folder of films there may be sounds
     */
    public static Judged judge(MediaRule rule, MediaFacts media, Optional<SoundLevels> levels, boolean isSpecific) {
        Verdicts out = new Verdicts();
        if (!media.saysAnything()) {
            all(rule, out);
            return new Judged(out.mismatches(), out.unjudged());
        }
        boolean whole = media.end() != MediaFacts.End.CUT;
        boolean moves = media.seconds().isPresent() || media.pictures().stream().anyMatch(picture -> picture.rate().isPresent());
        FrameJudge frame = new FrameJudge(rule.frame(), out);
        if (media.pictures().isEmpty() && isSpecific && rule.frame().asks()) {
            frame.none();
        }
        PaceJudge pace = new PaceJudge(rule.pace(), out);
        media.pictures().stream().findFirst().ifPresent(picture -> {
            frame.judge(picture);
            if (moves) {
                pace.rate(picture);
            }
        });
        boolean still = media.sounds().isEmpty() && !moves;
        if (!still) {
            pace.length(media);
        }
        SoundJudge sound = new SoundJudge(rule.sound(), out);
        if (!media.sounds().isEmpty()) {
            sound.judge(media.sounds(), levels, whole);
        } else if (!still) {
            sound.none(isSpecific);
        }
        new CodecJudge(rule.codecs(), out).judge(media);
        rule.bits().ifPresent(asked -> bits(asked, media, out));
        return new Judged(out.mismatches(), out.unjudged());
    }

    private static void bits(int asked, MediaFacts media, Verdicts out) {
        Optional<Picture> picture = media.pictures().stream().findFirst();
        OptionalInt found = picture.isPresent() ? picture.get().bits() : media.sounds().get(0).bits();
        if (found.isEmpty()) {
            out.open(BriefWording.BITS);
        } else if (found.getAsInt() != asked) {
            out.differs(Code.MEDIA_BIT_DEPTH,
                    Facts.of(COUNT, found.getAsInt()).and(ASKED_COUNT, asked).and(HOW, picture.isPresent() ? "picture" : "sound"));
        }
    }

    /** All that is asked for, of a file that says nothing. */
    public static List<BriefWording> all(MediaRule rule) {
        Verdicts out = new Verdicts();
        all(rule, out);
        return out.unjudged();
    }

    private static void all(MediaRule rule, Verdicts out) {
        MediaRule.Frame frame = rule.frame();
        MediaRule.Pace pace = rule.pace();
        MediaRule.Hearing sound = rule.sound();
        Stream.of(open(frame.width().isPresent() || frame.height().isPresent() || frame.minPixels().isPresent()
                || frame.maxPixels().isPresent() || frame.multipleOf().isPresent(), BriefWording.SIZE),
                open(frame.aspect().isPresent(), BriefWording.SHAPE), open(frame.alpha().isPresent(), BriefWording.TRANSPARENCY),
                open(pace.frameRate().isPresent() || pace.isConstant(), BriefWording.FRAME_RATE),
                open(pace.minSeconds().isPresent() || pace.maxSeconds().isPresent(), BriefWording.LENGTH),
                open(!rule.codecs().isEmpty(), BriefWording.CODEC), open(rule.bits().isPresent(), BriefWording.BITS),
                open(sound.wanted().isPresent(), BriefWording.SOUND), open(sound.rate().isPresent(), BriefWording.SAMPLE_RATE),
                open(sound.channels().isPresent(), BriefWording.CHANNELS), open(sound.peakDb().isPresent(), BriefWording.PEAKS),
                open(sound.loudness().isPresent(), BriefWording.LOUDNESS)).flatMap(Optional::stream).forEach(out::open);
    }

    private static Optional<BriefWording> open(boolean asked, BriefWording what) {
        return asked ? Optional.of(what) : Optional.empty();
    }
}
