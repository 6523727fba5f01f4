package org.opensatchel.web.handin;

import java.math.BigDecimal;
import java.time.Instant;

/**
 * A hand-in as the board counts it, beside what every page shows of it.
 *
 * @param codes how many findings there are of each code, as the column holds it
 * @param points what was earned; null where nothing is
 * @param pointsOf of so many points; null as above
 * @param pointsParts the points of the parts, as the column holds them
 * @param checkedAt null until it is checked
 * @param kitVersion the number of the version it was held against
 */
public record Counted(HandInView handIn, String codes, BigDecimal points, Integer pointsOf, String pointsParts, Instant checkedAt,
        int kitVersion) {}
