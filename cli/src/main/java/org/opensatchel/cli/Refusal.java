package org.opensatchel.cli;

/** Something asked for that cannot be done, as a sentence for a person. */
final class Refusal extends Exception {

    private static final long serialVersionUID = 1L;

    Refusal(String sentence) {
        super(sentence);
    }
}
