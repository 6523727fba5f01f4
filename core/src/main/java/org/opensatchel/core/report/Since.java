package org.opensatchel.core.report;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.report.Report.FindingLine;

/**
 * What became of the findings of one check by the next: those that are gone and those that are new. A finding is the same when its code,
 * its file and what is said of it are; the place in the document may have moved. Notes are left out.
 *
 * @param stayed how many there were before and are still
 */
public record Since(List<FindingLine> fixed, List<FindingLine> fresh, int stayed) {

    /** What makes two findings the same. */
    private record Key(String code, String path, Optional<Facts> facts) {
        static Key of(FindingLine finding) {
            return new Key(finding.code(), finding.path(), finding.facts());
        }
    }

    public static Since between(List<FindingLine> before, List<FindingLine> now) {
        Map<Key, Integer> left = new HashMap<>();
        before.stream().filter(Since::matters).forEach(finding -> left.merge(Key.of(finding), 1, Integer::sum));
        List<FindingLine> fresh = new ArrayList<>();
        int stayed = 0;
        for (FindingLine finding : now.stream().filter(Since::matters).toList()) {
            if (left.computeIfPresent(Key.of(finding), (key, count) -> count - 1) == null) {
                fresh.add(finding);
            } else {
                left.remove(Key.of(finding), 0);
                stayed++;
            }
        }
        List<FindingLine> fixed = new ArrayList<>();
        for (FindingLine finding : before.stream().filter(Since::matters).toList()) {
            if (left.computeIfPresent(Key.of(finding), (key, count) -> count - 1) != null) {
                fixed.add(finding);
                left.remove(Key.of(finding), 0);
            }
        }
        return new Since(fixed, fresh, stayed);
    }

    /** That something came too late nobody fixes any more, and by how much is another each time. */
    private static boolean matters(FindingLine finding) {
        return !finding.severity().equals("note") && !finding.code().equals(Code.HABIT_LATE.id());
    }

    public boolean isNothing() {
        return fixed.isEmpty() && fresh.isEmpty();
    }
}
