package org.opensatchel.core.media.sound;

import java.util.ArrayList;
import java.util.List;

/** How high a sound goes in each of equal parts of its length, for a drawing of it. */
public final class Envelope implements SampleSink {

    /** Into so many parts a sound is cut. */
    public static final int PARTS = 200;

    private final int channels;
    private final double each;
    private final double[] highest = new double[PARTS];
    private long sample;

    /** @param moments how many there will be, as far as anybody knows */
    public Envelope(int channels, long moments) {
        this.channels = channels;
        this.each = Math.max(1, (double) moments / PARTS);
    }

    @Override
    public void samples(double[] samples, int count) {
        for (int i = 0; i < count; i++) {
            int part = (int) Math.min(PARTS - 1, (sample + i) / channels / each);
            highest[part] = Math.max(highest[part], Math.abs(samples[i]));
        }
        sample += count;
    }

    /** From 0 to 100, full scale; as many as there were parts. */
    public List<Integer> parts() {
        int last = (int) Math.min(PARTS, Math.ceil(sample / (double) channels / each));
        List<Integer> out = new ArrayList<>();
        for (int i = 0; i < last; i++) {
            out.add((int) Math.round(Math.min(1, highest[i]) * 100));
        }
        return out;
    }
}
