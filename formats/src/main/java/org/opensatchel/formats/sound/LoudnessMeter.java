package org.opensatchel.formats.sound;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;

/**
 * How loud a whole sound is to people: integrated loudness in LUFS (ITU-R BS.1770-5, annex 1; EBU R 128). Quiet parts are left out by two
 * gates, so that pauses do not count.
 */
public final class LoudnessMeter implements SampleSink {

    private static final double OFFSET = -0.691;
    private static final double ABSOLUTE_GATE = -70;
    private static final double RELATIVE_GATE = -10;
    /** A block is four steps long, and begins with each step. */
    private static final int STEPS = 4;
    private static final double BEHIND = 1.41;
    private static final int WITH_LOW = 6;
    private static final int LOW = 3;

    private final int channels;
    private final int step;
    private final double[] weights;
    private final Filter[] filters;
    private final double[] energy;
    private final List<Double> steps = new ArrayList<>();
    private int moments;
    private int channel;

    public LoudnessMeter(int channels, int rate) {
        this.channels = channels;
        this.step = Math.max(1, Math.round(rate / 10f));
        this.weights = new double[channels];
        this.filters = new Filter[channels];
        this.energy = new double[channels];
        for (int i = 0; i < channels; i++) {
            weights[i] = weight(channels, i);
            filters[i] = new Filter(rate);
        }
    }

    /** Left, right, centre, of six the one for low tones, and then those behind (table 3). */
    private static double weight(int channels, int channel) {
        if (channels == WITH_LOW && channel == LOW) {
            return 0;
        }
        return channels >= 5 && channel >= (channels == WITH_LOW ? 4 : 3) ? BEHIND : 1;
    }

    @Override
    public void samples(double[] samples, int count) {
        for (int i = 0; i < count; i++) {
            double heard = filters[channel].next(samples[i]);
            energy[channel] += heard * heard;
            if (++channel == channels) {
                channel = 0;
                if (++moments == step) {
                    stepped();
                }
            }
        }
    }

    private void stepped() {
        double sum = 0;
        for (int i = 0; i < channels; i++) {
            sum += weights[i] * energy[i];
            energy[i] = 0;
        }
        steps.add(sum / step);
        moments = 0;
    }

    /** The loudness of all that came; empty for less than 0.4 seconds, and for what is silent throughout. */
    public OptionalDouble integrated() {
        List<Double> blocks = new ArrayList<>();
        for (int i = 0; i + STEPS <= steps.size(); i++) {
            double block = steps.subList(i, i + STEPS).stream().mapToDouble(one -> one).average().orElse(0);
            if (lufs(block) > ABSOLUTE_GATE) {
                blocks.add(block);
            }
        }
        double gate = lufs(mean(blocks)) + RELATIVE_GATE;
        List<Double> loud = blocks.stream().filter(block -> lufs(block) > gate).toList();
        return loud.isEmpty() ? OptionalDouble.empty() : OptionalDouble.of(lufs(mean(loud)));
    }

    private static double mean(List<Double> blocks) {
        return blocks.stream().mapToDouble(one -> one).average().orElse(0);
    }

    private static double lufs(double power) {
        return OFFSET + 10 * Math.log10(power);
    }

    /** The weighting of annex 1, figures 2 and 4: a shelf for the head, and a high pass; for any rate from the analogue filters behind the tables. */
    static final class Filter {
        private final double[] shelf;
        private final double[] pass;
        private double s1;
        private double s2;
        private double p1;
        private double p2;

        Filter(int rate) {
            shelf = shelf(rate);
            pass = pass(rate);
        }

        /** b0, b1, b2, a1, a2. */
        static double[] shelf(int rate) {
            double k = Math.tan(Math.PI * 1_681.974450955533 / rate);
            double q = 0.7071752369554196;
            double high = Math.pow(10, 3.999843853973347 / 20);
            double band = Math.pow(high, 0.4996667741545416);
            double a0 = 1 + k / q + k * k;
            return new double[]{(high + band * k / q + k * k) / a0, 2 * (k * k - high) / a0, (high - band * k / q + k * k) / a0,
                    2 * (k * k - 1) / a0, (1 - k / q + k * k) / a0};
        }

        static double[] pass(int rate) {
            double k = Math.tan(Math.PI * 38.13547087602444 / rate);
            double q = 0.5003270373238773;
            double a0 = 1 + k / q + k * k;
            return new double[]{1, -2, 1, 2 * (k * k - 1) / a0, (1 - k / q + k * k) / a0};
        }

        double next(double in) {
            double first = shelf[0] * in + s1;
            s1 = shelf[1] * in - shelf[3] * first + s2;
            s2 = shelf[2] * in - shelf[4] * first;
            double second = pass[0] * first + p1;
            p1 = pass[1] * first - pass[3] * second + p2;
            p2 = pass[2] * first - pass[4] * second;
            return second;
        }
    }
}
