package org.opensatchel.web.handin;

import java.math.BigDecimal;
import java.time.Instant;
import java.util.List;

/**
 * A hand-in as the board counts it, beside what every page shows of it.
 *
 * @param codes the codes of its findings, the most serious first
 * @param counts how many findings there are of each
 * @param points what was earned; null where nothing is
 * @param pointsOf of so many points; null as above
 * @param parts the points of the parts
 * @param checkedAt null until it is checked
 * @param kitVersion the number of the version it was held against
 */
public record Counted(HandInView handIn, List<String> codes, List<Integer> counts, BigDecimal points, Integer pointsOf,
        List<BigDecimal> parts, Instant checkedAt,
        int kitVersion) {}
