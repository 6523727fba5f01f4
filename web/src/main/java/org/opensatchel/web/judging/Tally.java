package org.opensatchel.web.judging;

import java.math.BigDecimal;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.core.report.Report.FindingLine;
import org.opensatchel.web.handin.Counted;

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

    /** How many findings there are of each code, the most serious first. */
    static Map<String, Integer> codes(List<FindingLine> findings) {
        Map<String, Integer> counts = new LinkedHashMap<>();
        findings.forEach(finding -> counts.merge(finding.code(), 1, Integer::sum));
        return counts;
    }

    static Tally of(Counted row) {
        Map<String, Integer> codes = new LinkedHashMap<>();
        for (int i = 0; i < row.codes().size(); i++) {
            codes.put(row.codes().get(i), row.counts().get(i));
        }
        Optional<Points> points = Optional.ofNullable(row.points())
                .map(earned -> new Points(earned.stripTrailingZeros(), row.pointsOf()));
        return new Tally(codes, points, row.parts(), Optional.ofNullable(row.checkedAt()), row.kitVersion());
    }
}
