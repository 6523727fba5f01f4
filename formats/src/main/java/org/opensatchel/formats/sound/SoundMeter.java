package org.opensatchel.formats.sound;

import java.util.Optional;
import java.util.OptionalDouble;

/** Measures what comes: its peaks, and where asked how loud it is to people. */
public final class SoundMeter implements SampleSink {

    /** Of slower sounds nobody hears enough to call them loud. */
    private static final int LEAST_RATE = 2_000;

    private final PeakMeter peaks;
    private final Optional<LoudnessMeter> loudness;
    private final Envelope envelope;

    /**
     * @param loud whether loudness is measured
     * @param parts into so many the sound is cut for a drawing of it
     * @param moments how many there will be, as far as anybody knows
     */
    public SoundMeter(int channels, int rate, boolean loud, int parts, long moments) {
        envelope = new Envelope(channels, parts, moments);
        peaks = new PeakMeter(channels);
        loudness = loud && rate >= LEAST_RATE ? Optional.of(new LoudnessMeter(channels, rate)) : Optional.empty();
    }

    @Override
    public void samples(double[] samples, int count) {
        peaks.samples(samples, count, envelope.highestOf(samples, count));
        loudness.ifPresent(meter -> meter.samples(samples, count));
    }

    public SoundLevels levels() {
        return new SoundLevels(peaks.peakDb(), peaks.clipped(), loudness.map(LoudnessMeter::integrated).orElse(OptionalDouble.empty()),
                envelope.parts());
    }
}
