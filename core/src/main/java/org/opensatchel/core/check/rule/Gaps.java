package org.opensatchel.core.check.rule;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.SortedSet;

/** The numbers that are left out between others. */
final class Gaps {

    /** More ranges tell nobody more. */
    private static final int MOST_RANGES = 20;

    private Gaps() {
    }

    /**
     * As ranges, {@code 3–5}, with at least so many digits.
     *
     * @param digits how many digits a number has at least
     */
    static List<String> between(SortedSet<Long> numbers, int digits) {
        String format = "%0" + digits + "d";
        List<String> ranges = new ArrayList<>();
        Long before = null;
        for (long number : numbers) {
            if (before != null && number > before + 1 && ranges.size() < MOST_RANGES) {
                String first = String.format(Locale.ROOT, format, before + 1);
                ranges.add(number == before + 2 ? first : first + "–" + String.format(Locale.ROOT, format, number - 1));
            }
            before = number;
        }
        return ranges;
    }
}
