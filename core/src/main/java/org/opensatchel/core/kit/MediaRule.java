package org.opensatchel.core.kit;

import static org.opensatchel.base.fact.FactName.COUNT;
import static org.opensatchel.base.fact.FactName.HEIGHT;
import static org.opensatchel.base.fact.FactName.HIGH;
import static org.opensatchel.base.fact.FactName.HOW;
import static org.opensatchel.base.fact.FactName.LOW;
import static org.opensatchel.base.fact.FactName.TYPE;
import static org.opensatchel.base.fact.FactName.TYPES;
import static org.opensatchel.base.fact.FactName.VALUE;
import static org.opensatchel.base.fact.FactName.WIDTH;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.OptionalLong;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Phrase;

/**
 * The brief of a picture, a film or a sound: what it has to be. What is absent may be anything.
 *
 * @param codecs by the names of the codecs' own standards; empty for any
 * @param bits of a colour in pictures and films, of a sample in sounds
 */
public record MediaRule(Frame frame, Pace pace, Hearing sound, List<String> codecs, OptionalInt bits) {

    public static final MediaRule NONE = new MediaRule(Frame.ANY, Pace.ANY, Hearing.ANY, List.of(), OptionalInt.empty());

    public MediaRule {
        codecs = List.copyOf(codecs);
    }

    /**
     * What pictures are like, as they are shown.
     *
     * @param minPixels how many pixels there are in all at least: width times height
     * @param multipleOf what width and height are multiples of
     */
    public record Frame(OptionalInt width, OptionalInt height, Optional<Aspect> aspect, OptionalLong minPixels, OptionalLong maxPixels,
            OptionalInt multipleOf, Optional<Boolean> alpha) {

        static final Frame ANY = new Frame(OptionalInt.empty(), OptionalInt.empty(), Optional.empty(), OptionalLong.empty(),
                OptionalLong.empty(), OptionalInt.empty(), Optional.empty());

        /** Whether it asks for anything that only pictures can be. */
        public boolean asks() {
            return !equals(ANY);
        }
    }

    /** Width to height. */
    public record Aspect(int width, int height) {

        public double value() {
            return (double) width / height;
        }

        @Override
        public String toString() {
            return width + ":" + height;
        }
    }

    /**
     * How moving pictures run, and how long anything plays.
     *
     * @param frameRate pictures a second
     * @param constant whether each picture has to be shown as long as any other; {@code false} asks for nothing
     */
    public record Pace(OptionalDouble frameRate, Optional<Boolean> constant, OptionalDouble minSeconds, OptionalDouble maxSeconds) {

        static final Pace ANY = new Pace(OptionalDouble.empty(), Optional.empty(), OptionalDouble.empty(), OptionalDouble.empty());

        public boolean isConstant() {
            return constant.orElse(false);
        }
    }

    /**
     * What is heard.
     *
     * @param wanted whether there has to be sound, or must be none
     * @param rate samples a second
     * @param peakDb where the highest peak lies, in dBFS
     * @param loudness integrated over the whole, in LUFS (EBU R 128)
     */
    public record Hearing(Optional<Boolean> wanted, OptionalInt rate, OptionalInt channels, Optional<Band> peakDb,
            Optional<Band> loudness) {

        static final Hearing ANY = new Hearing(Optional.empty(), OptionalInt.empty(), OptionalInt.empty(), Optional.empty(),
                Optional.empty());

        /** Whether samples have to be looked at to judge it. */
        public boolean needsSamples() {
            return peakDb.isPresent() || loudness.isPresent();
        }
    }

    /** From one value to another, both among them. */
    public record Band(double low, double high) {}

    public boolean isNone() {
        return equals(NONE);
    }

    /** What it asks for, each in a few words. */
    public List<Phrase> parts() {
        List<Phrase> out = new ArrayList<>();
        framed(out);
        pace.frameRate.ifPresent(value -> out.add(MediaWording.FRAME_RATE.say(Facts.of(VALUE, value))));
        pace.constant.filter(yes -> yes).ifPresent(yes -> out.add(MediaWording.CONSTANT_RATE.say()));
        pace.minSeconds.ifPresent(value -> out.add(MediaWording.SECONDS_LEAST.say(Facts.of(VALUE, value))));
        pace.maxSeconds.ifPresent(value -> out.add(MediaWording.SECONDS_MOST.say(Facts.of(VALUE, value))));
        if (!codecs.isEmpty()) {
            out.add(MediaWording.CODECS.say(Facts.of(TYPES, codecs)));
        }
        bits.ifPresent(value -> out.add(MediaWording.BITS.say(Facts.of(COUNT, value))));
        heard(out);
        return out;
    }

    private void framed(List<Phrase> out) {
        if (frame.width.isPresent() && frame.height.isPresent()) {
            out.add(MediaWording.SIZE.say(Facts.of(WIDTH, frame.width.getAsInt()).and(HEIGHT, frame.height.getAsInt())));
        } else {
            frame.width.ifPresent(value -> out.add(MediaWording.WIDTH.say(Facts.of(COUNT, value))));
            frame.height.ifPresent(value -> out.add(MediaWording.HEIGHT.say(Facts.of(COUNT, value))));
        }
        frame.aspect.ifPresent(value -> out.add(MediaWording.ASPECT.say(Facts.of(TYPE, value))));
        frame.minPixels.ifPresent(value -> out.add(MediaWording.PIXELS_LEAST.say(Facts.of(COUNT, value))));
        frame.maxPixels.ifPresent(value -> out.add(MediaWording.PIXELS_MOST.say(Facts.of(COUNT, value))));
        frame.multipleOf.ifPresent(value -> out.add(MediaWording.MULTIPLE_OF.say(Facts.of(COUNT, value))));
        frame.alpha.ifPresent(value -> out.add(MediaWording.ALPHA.say(Facts.of(HOW, value ? "yes" : "no"))));
    }

    private void heard(List<Phrase> out) {
        sound.wanted.ifPresent(value -> out.add(MediaWording.SOUND.say(Facts.of(HOW, value ? "yes" : "no"))));
        sound.rate.ifPresent(value -> out.add(MediaWording.SAMPLE_RATE.say(Facts.of(COUNT, value))));
        sound.channels.ifPresent(value -> out.add(MediaWording.CHANNELS.say(Facts.of(COUNT, value))));
        sound.peakDb.ifPresent(band -> out.add(MediaWording.PEAK.say(Facts.of(LOW, band.low).and(HIGH, band.high))));
        sound.loudness.ifPresent(band -> out.add(MediaWording.LOUDNESS.say(Facts.of(LOW, band.low).and(HIGH, band.high))));
    }
}
