package org.opensatchel.formats.timeline;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** How fast beats go by: one tempo, or several that change at once or little by little. */
public final class Tempo {

    private static final double SLOWEST = 1;
    private static final double FASTEST = 10_000;
    private static final double USUAL = 120;

    /** A tempo from a beat on; a gliding one changes evenly up to the next. */
    private record Point(double beat, double perMinute, boolean glides) {}

    private final List<Point> points = new ArrayList<>();
    private double first = USUAL;

    private static boolean isOne(double perMinute) {
        return perMinute >= SLOWEST && perMinute <= FASTEST;
    }

    /** The tempo where nothing else is said; one that nobody means is let go. */
    public void usual(double perMinute) {
        first = isOne(perMinute) ? perMinute : first;
    }

    /**
     * A change of tempo; one that nobody means is let go.
     *
     * @param beat from the first, which is 0
     * @param glides whether it gets there evenly from the change before, and does not jump
     */
    public void at(double beat, double perMinute, boolean glides) {
        if (isOne(perMinute) && beat >= 0 && beat < 1e9) {
            points.add(new Point(beat, perMinute, glides));
        }
    }

    /** From when no more points come. */
    public void close() {
        points.sort(Comparator.comparingDouble(Point::beat));
    }

    /** When a beat comes, in seconds from the first. */
    public double seconds(double beat) {
        double seconds = 0;
        double from = 0;
        double tempo = points.isEmpty() ? first : points.get(0).perMinute;
        boolean glides = false;
        for (Point point : points) {
            if (point.beat >= beat) {
                return seconds + lasts(from, beat, point.beat, tempo, glides ? point.perMinute : tempo);
            }
            seconds += lasts(from, point.beat, point.beat, tempo, glides ? point.perMinute : tempo);
            from = point.beat;
            tempo = point.perMinute;
            glides = point.glides;
        }
        return seconds + (beat - from) * 60 / tempo;
    }

    /** How long it is from one beat to another, while the tempo changes evenly from one to the other up to a third. */
    private static double lasts(double from, double to, double end, double tempo, double later) {
        double beats = to - from;
        double slope = end > from ? (later - tempo) / (end - from) : 0;
        return Math.abs(slope) < 1e-9 ? beats * 60 / tempo : 60 / slope * Math.log((tempo + slope * beats) / tempo);
    }
}
