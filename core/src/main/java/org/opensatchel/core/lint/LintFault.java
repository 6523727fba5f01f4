package org.opensatchel.core.lint;

import org.opensatchel.base.fact.Phrase;

/**
 * One thing wrong with a kit. What to do about it is said under the same key with {@code .remedy} behind it, filled with the same facts.
 *
 * @param at where in the kit document, as a JSON pointer (RFC 6901)
 * @param what what is wrong, with the actual names
 */
public record LintFault(LintCode code, String at, Phrase what) {

    /** What to do about it. */
    public Phrase remedy() {
        return new Phrase(what.key() + ".remedy", what.facts());
    }
}
