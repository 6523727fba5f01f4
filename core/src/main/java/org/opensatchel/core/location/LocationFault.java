package org.opensatchel.core.location;

import java.util.OptionalInt;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.core.finding.Code;

/**
 * One thing wrong with a location.
 *
 * @param part which part of the path it is about, counted from 0 with the drive or disk first; absent for the whole path
 * @param facts what is said of it, a better path among them
 */
public record LocationFault(Code code, OptionalInt part, Facts facts) {}
