package org.opensatchel.base.fact;

import java.util.List;

/** One typed value of what is said. */
public sealed interface Fact {

    /** A name, a path, or a word from a fixed list; what it is, its {@link FactName} says. */
    record Text(String value) implements Fact {}

    /** A count, or a number of bytes. */
    record Number(long value) implements Fact {}

    /**
     * Several texts.
     *
     * @param values the first of them
     * @param all how many there are
     */
    record Texts(List<String> values, int all) implements Fact {
        public Texts {
            values = List.copyOf(values);
        }
    }

    /** A number that need not be whole. */
    record Decimal(double value) implements Fact {}

    /** Several things said inside of what is said. */
    record SaidAll(List<Phrase> phrases) implements Fact {
        public SaidAll {
            phrases = List.copyOf(phrases);
        }
    }

    /** Something said inside of what is said. */
    record Said(Phrase phrase) implements Fact {}
}
