package org.opensatchel.core.naming;

import java.util.Optional;
import org.opensatchel.base.fact.Phrase;

/** The result of testing a name against a pattern. */
public sealed interface NameVerdict {

    /** The name is one the pattern makes. */
    record Fits() implements NameVerdict {}

    /**
     * The name is none the pattern makes.
     *
     * @param at the first character that cannot be right, counted from 0 in code points; the name's length when it ends too early
     * @param expected what should stand there
     * @param nearest the nearest right name, absent when something would have to be invented
     */
    record Differs(int at, Phrase expected, Optional<String> nearest) implements NameVerdict {}

    default boolean fits() {
        return this instanceof Fits;
    }
}
