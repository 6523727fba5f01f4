package org.opensatchel.core.check.brief;

import java.util.List;
import java.util.Locale;
import org.opensatchel.core.kit.MediaRule.Aspect;

/** Shapes of pictures as people call them. */
public final class Shapes {

    private static final List<Aspect> KNOWN = List.of(new Aspect(1, 1), new Aspect(5, 4), new Aspect(4, 3), new Aspect(3, 2),
            new Aspect(16, 10), new Aspect(16, 9), new Aspect(2, 1), new Aspect(21, 9), new Aspect(4, 5), new Aspect(3, 4),
            new Aspect(2, 3), new Aspect(10, 16), new Aspect(9, 16), new Aspect(1, 2));
    private static final double SAME = 0.004;

    private Shapes() {
    }

    /** Width to height in small numbers where a known shape is meant, else to one. */
    public static String name(int width, int height) {
        double value = (double) width / height;
        return KNOWN.stream().filter(shape -> Math.abs(value / shape.value() - 1) <= SAME).map(Aspect::toString).findFirst()
                .orElseGet(() -> value >= 1 ? String.format(Locale.ROOT, "%.2f:1", value)
                        : String.format(Locale.ROOT, "1:%.2f", 1 / value));
    }
}
