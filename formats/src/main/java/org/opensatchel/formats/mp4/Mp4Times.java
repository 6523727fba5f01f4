package org.opensatchel.formats.mp4;

import java.util.List;
import java.util.Optional;
import org.opensatchel.formats.binary.Rational;
import org.opensatchel.formats.media.Samples;

/** How long the samples of a track are shown, one after the other, in units of its own time. */
final class Mp4Times {

    /** Rates that films have; times that were rounded to thousandths or so are told as the nearest of them. */
    private static final List<Rational> USUAL = List.of(Rational.of(10), Rational.of(12), new Rational(12_500, 1_000), Rational.of(15),
            new Rational(24_000, 1_001), Rational.of(24), Rational.of(25), new Rational(30_000, 1_001), Rational.of(30), Rational.of(48),
            Rational.of(50), new Rational(60_000, 1_001), Rational.of(60), Rational.of(100), new Rational(120_000, 1_001),
            Rational.of(120));
    private static final double ROUNDED = 0.002;

    private long count;
    private long total;
    private long shortest = Long.MAX_VALUE;
    private long longest;
    private long common;
    private long lastCount;
    private long lastTime = -1;

    /** So many more, each so long. */
    void add(long samples, long time) {
        if (samples <= 0) {
            return;
        }
        if (lastTime >= 0) {
            settle();
        }
        lastCount = time == lastTime ? lastCount + samples : samples;
        lastTime = time;
        count += samples;
        total = total > Long.MAX_VALUE / 4 ? total : total + Math.min(samples * time, Long.MAX_VALUE / 4);
    }

    /** The last sample alone may be shown as long as it likes. */
    private void settle() {
        shortest = Math.min(shortest, lastTime);
        longest = Math.max(longest, lastTime);
        common = common == 0 ? lastTime : common;
    }

    private boolean lastCounts() {
        return lastCount > 1 || longest == 0;
    }

    private long low() {
        return lastCounts() ? Math.min(shortest, lastTime) : shortest;
    }

    private long high() {
        return lastCounts() ? Math.max(longest, lastTime) : longest;
    }

    long count() {
        return count;
    }

    long total() {
        return total;
    }

    boolean isConstant() {
        return count > 0 && high() - low() <= 1;
    }

    /** Samples a second: where all are alike exactly, otherwise in the mean. */
    Optional<Rational> rate(long perSecond) {
        if (count == 0 || perSecond == 0 || total == 0 || high() == 0) {
            return Optional.empty();
        }
        if (high() == low()) {
            return Optional.of(new Rational(perSecond, high()));
        }
        Rational mean = Rational.of(count).times(new Rational(perSecond, total));
        return Optional.of(isConstant() ? USUAL.stream().filter(usual -> Math.abs(usual.value() / mean.value() - 1) < ROUNDED)
                .min((a, b) -> Double.compare(Math.abs(a.value() - mean.value()), Math.abs(b.value() - mean.value()))).orElse(mean) : mean);
    }
}
