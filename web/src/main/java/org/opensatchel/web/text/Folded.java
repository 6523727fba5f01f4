package org.opensatchel.web.text;

import java.util.List;
import org.opensatchel.core.words.Sentence;

/**
 * A line of a list that is unfolded to all that is known of something ({@code say:folded}).
 *
 * @param id the anchor that leads to it
 * @param mark how serious its state is: {@code ready}, {@code note}, {@code should} or {@code must}
 * @param state what it is in, in a few words
 */
public record Folded(String id, String mark, String state, Sentence what, List<Fact> facts) {

    /**
     * Something known.
     *
     * @param values one, or several below each other
     */
    public record Fact(String term, List<Sentence> values) {}
}
