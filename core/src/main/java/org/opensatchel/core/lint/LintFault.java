package org.opensatchel.core.lint;

/**
 * One thing wrong with a kit.
 *
 * @param at where in the kit document, as a JSON pointer (RFC 6901)
 * @param message what is wrong, with the actual names
 * @param remedy what to do
 */
public record LintFault(LintCode code, String at, String message, String remedy) {
}
