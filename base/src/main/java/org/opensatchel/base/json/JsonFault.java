package org.opensatchel.base.json;

import static org.opensatchel.base.fact.FactName.AT;
import static org.opensatchel.base.fact.FactName.FAULT;

import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Phrase;

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
