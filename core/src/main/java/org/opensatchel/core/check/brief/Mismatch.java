package org.opensatchel.core.check.brief;

import org.opensatchel.base.fact.Facts;
import org.opensatchel.core.finding.Code;

/**
 * One thing that a file is and should not be.
 *
 * @param facts what it is, and what is asked for
 */
public record Mismatch(Code code, Facts facts) {}
