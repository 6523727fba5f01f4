package org.opensatchel.web.review;

import java.util.ArrayList;
import java.util.List;
import org.opensatchel.web.text.Speech;

/**
 * One student's links as a line of stitches. The calm ones are one dashed line; only what is not calm is drawn alone.
 *
 * @param runs stretches of sound stitches, as SVG path data
 */
record Seam(String runs, List<Mark> marks, String words) {

    static final int WIDTH = 240;
    private static final int MIDDLE = 12;

    /** A stitch out of line; kind is {@code pin}, {@code drop}, {@code dot} or {@code open}. */
    record Mark(String kind, int x) {}

    static Seam of(String stitches, int links) {
        int count = stitches.length();
        StringBuilder runs = new StringBuilder();
        List<Mark> marks = new ArrayList<>();
        int start = 0;
        for (int i = 0; i <= count; i++) {
            boolean calm = i < count && (stitches.charAt(i) == 'o' || stitches.charAt(i) == 'p');
            if (!calm) {
                if (i > start) {
                    runs.append('M').append(x(start, count)).append(' ').append(MIDDLE).append('H').append(x(i, count)).append(' ');
                }
                start = i + 1;
            }
            if (i < count && stitches.charAt(i) != 'o') {
                marks.add(new Mark(kind(stitches.charAt(i)), (x(i, count) + x(i + 1, count)) / 2));
            }
        }
        return new Seam(runs.toString().strip(), marks, words(stitches, links));
    }

    private static int x(int i, int count) {
        return count == 0 ? 0 : (int) Math.round((double) i * WIDTH / count);
    }

    private static String kind(char stitch) {
        return switch (stitch) {
            case 'p' -> "pin";
            case 'x' -> "drop";
            case 'd' -> "dot";
            default -> "open";
        };
    }

    private static String words(String stitches, int links) {
        long pins = stitches.chars().filter(c -> c == 'p').count();
        long drops = stitches.chars().filter(c -> c == 'x').count();
        long dots = stitches.chars().filter(c -> c == 'd').count();
        return Speech.say("review.seam-words", links, pins, drops, dots);
    }
}
