package org.opensatchel.core.json;

/**
 * One thing wrong in a JSON document of ours.
 *
 * @param at a JSON pointer (RFC 6901), empty for the whole document
 */
public record JsonFault(String at, String message) {

    @Override
    public String toString() {
        return at.isEmpty() ? message : at + ": " + message;
    }
}
