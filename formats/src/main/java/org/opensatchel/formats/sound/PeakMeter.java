package org.opensatchel.formats.sound;

import java.util.Arrays;

/**
 * The highest sample, and whether the sound was cut off at full scale: one sample there may be chance, several one after the other in a
 * channel are a flat top.
 */
public final class PeakMeter implements SampleSink {

    /** So many samples at full scale one after the other were cut off. */
    public static final int FLAT = 3;
    /** Below the highest number of sixteen bits by less than a half of its steps. */
    private static final double FULL = 1 - 1.5 / 32_768;

    private final int channels;
    private final int[] run;
    private double peak;
    private long clipped;
    /** Whether a channel stood at full scale where the last samples ended. */
    private boolean running;

    public PeakMeter(int channels) {
        this.channels = channels;
        this.run = new int[channels];
    }

    @Override
    public void samples(double[] samples, int count) {
        samples(samples, count, Envelope.highest(samples, 0, count));
    }

    /** @param most the highest of them */
    void samples(double[] samples, int count, double most) {
        peak = Math.max(peak, most);
        if (most >= FULL || running) {
            tops(samples, count);
        }
    }

    private void tops(double[] samples, int count) {
        int channel = 0;
        for (int i = 0; i < count; i++) {
            if (Math.abs(samples[i]) >= FULL) {
                full(channel);
            } else {
                run[channel] = 0;
            }
            channel = channel + 1 == channels ? 0 : channel + 1;
        }
        running = Arrays.stream(run).anyMatch(length -> length > 0);
    }

    private void full(int channel) {
        run[channel]++;
        clipped += run[channel] == FLAT ? 1 : 0;
    }

    /** In dBFS; negative infinity for silence. */
    public double peakDb() {
        return 20 * Math.log10(peak);
    }

    /** How often it was cut off. */
    public long clipped() {
        return clipped;
    }
}
