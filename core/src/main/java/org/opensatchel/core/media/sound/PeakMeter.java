package org.opensatchel.core.media.sound;

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

    public PeakMeter(int channels) {
        this.channels = channels;
        this.run = new int[channels];
    }

    @Override
    public void samples(double[] samples, int count) {
        double most = peak;
        for (int i = 0; i < count; i++) {
            double height = Math.abs(samples[i]);
            if (height >= FULL) {
                full(i % channels);
            } else if (run[i % channels] != 0) {
                run[i % channels] = 0;
            }
            most = Math.max(most, height);
        }
        peak = most;
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
