package org.opensatchel.core.resolve;

import java.util.ArrayList;
import java.util.List;
import org.opensatchel.formats.link.Link;

/** Numbers told as ranges, {@code 0017-0019}. */
final class Ranges {

    private Ranges() {
    }

    static List<String> of(List<Long> numbers, Link.Frames frames) {
        List<String> out = new ArrayList<>();
        int from = 0;
        for (int i = 1; i <= numbers.size(); i++) {
            if (i == numbers.size() || numbers.get(i) != numbers.get(i - 1) + frames.step()) {
                String first = frames.number(numbers.get(from));
                out.add(from == i - 1 ? first : first + "-" + frames.number(numbers.get(i - 1)));
                from = i;
            }
        }
        return out;
    }
}
