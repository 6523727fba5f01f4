package org.opensatchel.core.words;

import java.util.List;

/**
 * All that is said of a finding.
 *
 * @param title what went wrong, in a few words
 * @param message what went wrong here, with the actual names
 * @param why why it matters
 * @param remedy the steps that fix it, in any program
 */
public record Said(String title, Sentence message, Sentence why, List<Sentence> remedy) {

    public Said {
        remedy = List.copyOf(remedy);
    }
}
