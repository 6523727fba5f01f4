package org.opensatchel.core.json;

import static org.opensatchel.core.fact.FactName.AT;
import static org.opensatchel.core.fact.FactName.FAULT;

import org.opensatchel.core.fact.Facts;
import org.opensatchel.core.fact.Phrase;

/**
 * One thing wrong in a JSON document of ours.
 *
 * @param at a JSON pointer (RFC 6901), empty for the whole document
 */
public record JsonFault(String at, Phrase what) {

    /** What is wrong, with its place in front where it has one. */
    public Phrase said() {
        return at.isEmpty() ? what : JsonWording.AT.say(Facts.of(AT, at).and(FAULT, what));
    }
}
