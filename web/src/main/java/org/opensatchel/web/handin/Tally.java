package org.opensatchel.web.handin;

import java.math.BigDecimal;
import java.time.Instant;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What is counted of a hand-in after what was decided about it.
 *
 * @param codes how many findings there are of each code, the most serious first
 * @param points what was earned for organisation; empty where the kit gives no points, or nothing could be read
 * @param parts the points of folders, names, links and files, in this order; empty as above
 * @param checked when it was checked last
 * @param kitVersion the version of the kit it was held against
 */
public record Tally(Map<String, Integer> codes, Optional<Points> points, List<BigDecimal> parts, Optional<Instant> checked,
        int kitVersion) {

    public static final Tally NONE = new Tally(Map.of(), Optional.empty(), List.of(), Optional.empty(), 0);

    /** So many points of so many. */
    public record Points(BigDecimal earned, int of) {}

    static Tally of(HandInRepository.Counted row) {
        Map<String, Integer> codes = new LinkedHashMap<>();
        Arrays.stream(row.getCodes().split(";")).filter(one -> !one.isEmpty())
                .forEach(one -> codes.put(one.substring(0, one.indexOf(':')), Integer.parseInt(one.substring(one.indexOf(':') + 1))));
        Optional<Points> points = row.getPoints() == null ? Optional.empty()
                : Optional.of(new Points(row.getPoints().stripTrailingZeros(), row.getPointsOf()));
        List<BigDecimal> parts = row.getParts().isEmpty() ? List.of()
                : Arrays.stream(row.getParts().split(";")).map(BigDecimal::new).toList();
        return new Tally(codes, points, parts, Optional.ofNullable(row.getCheckedAt()), row.getVersion());
    }
}
