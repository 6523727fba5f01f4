package org.opensatchel.formats.sound;

import java.util.ArrayList;
import java.util.List;

/** How high a sound goes in each of equal parts of its length, for a drawing of it. */
public final class Envelope implements SampleSink {

    /** Into so many parts a report cuts a sound. */
    public static final int REPORTED = 200;

    private final int channels;
    private final double each;
    private final double[] highest;
    private long sample;

    /**
     * @param parts into so many the sound is cut
     * @param moments how many there will be, as far as anybody knows
     */
    public Envelope(int channels, int parts, long moments) {
        this.channels = channels;
        this.highest = new double[parts];
        this.each = Math.max(1, (double) moments / parts);
    }

    @Override
    public void samples(double[] samples, int count) {
        highestOf(samples, count);
    }

    /** Takes what comes, and tells the highest of it: it was looked at anyway. */
    double highestOf(double[] samples, int count) {
        double most = 0;
        int from = 0;
        while (from < count) {
            int part = (int) Math.min(highest.length - 1, (sample + from) / channels / each);
            int to = part == highest.length - 1 ? count : (int) Math.min(count, Math.max(from + 1, ends(part) - sample));
            double found = highest(samples, from, to);
            highest[part] = Math.max(highest[part], found);
            most = Math.max(most, found);
            from = to;
        }
        sample += count;
        return most;
    }

    /** The first sample behind a part. */
    private long ends(int part) {
        return (long) Math.ceil((part + 1) * each * channels);
    }

    /** The highest of some samples: most of what a long sound costs, and so as plain as can be. */
    static double highest(double[] samples, int from, int to) {
        double most = 0;
        for (int i = from; i < to; i++) {
            double height = Math.abs(samples[i]);
            if (height > most) {
                most = height;
            }
        }
        return most;
    }

    /** From 0 to 100, full scale; as many as there were parts. */
    public List<Integer> parts() {
        int last = (int) Math.min(highest.length, Math.ceil(sample / (double) channels / each));
        List<Integer> out = new ArrayList<>();
        for (int i = 0; i < last; i++) {
            out.add((int) Math.round(Math.min(1, highest[i]) * 100));
        }
        return out;
    }
}
