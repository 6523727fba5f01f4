package org.opensatchel.web.review;

import java.util.Arrays;
import java.util.List;

/** The marks of a hand-in on the class board: the worst severity of each column and how many there are of it. */
record Marks(List<Mark> columns, Mark location) {

    /** Severity is {@code must}, {@code should}, {@code note} or empty. */
    record Mark(String severity, int count) {
        static final Mark NONE = new Mark("", 0);
    }

    static Marks of(String text) {
        List<Mark> marks = text.isEmpty() ? List.of(Mark.NONE, Mark.NONE, Mark.NONE, Mark.NONE, Mark.NONE)
                : Arrays.stream(text.split(";")).map(Marks::mark).toList();
        return new Marks(marks.subList(0, 4), marks.get(4));
    }

    private static Mark mark(String counts) {
        String[] parts = counts.split(",");
        String[] severities = {"must", "should", "note"};
        for (int i = 0; i < severities.length; i++) {
            int count = Integer.parseInt(parts[i]);
            if (count > 0) {
                return new Mark(severities[i], count);
            }
        }
        return Mark.NONE;
    }
}
