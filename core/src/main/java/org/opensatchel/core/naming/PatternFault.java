package org.opensatchel.core.naming;

import org.opensatchel.base.fact.Phrase;

/**
 * Why a pattern cannot be read.
 *
 * @param at the character where it goes wrong, counted from 0 in code points
 */
public record PatternFault(int at, Phrase what) {}
