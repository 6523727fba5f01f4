package org.opensatchel.core.report;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.core.report.Report.FindingLine;

class SinceTest {

    /** A finding written as severity, code, path, place and what is wanted. */
    private static FindingLine finding(String text) {
        String[] parts = text.strip().split(" ");
        return new FindingLine(parts[1], parts[0], parts[2], Optional.of(parts[3]), null, null, List.of(), Optional.empty(),
                Optional.empty(),
                Optional.empty(), Optional.of(Facts.of(FactName.WANTED, parts[4])));
    }

    private static List<FindingLine> findings(String text) {
        return text == null ? List.of() : Arrays.stream(text.split(";")).map(SinceTest::finding).toList();
    }

    private static String said(List<FindingLine> findings) {
        return findings.stream().map(finding -> finding.path() + "@" + finding.at().orElseThrow()).collect(Collectors.joining(" "));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', nullValues = "-", value = {
            // before | now | fixed | new | stayed
            "- | - | '' | '' | 0",
            "must link.missing a 1:1 x | - | a@1:1 | '' | 0",
            "- | must link.missing a 1:1 x | '' | a@1:1 | 0",
            "must link.missing a 1:1 x | must link.missing a 9:9 x | '' | '' | 1",
            "must link.missing a 1:1 x | must link.missing a 1:1 y | a@1:1 | a@1:1 | 0",
            "must link.missing a 1:1 x | must link.moved a 1:1 x | a@1:1 | a@1:1 | 0",
            "must link.missing a 1:1 x;must link.missing a 2:1 x | must link.missing a 2:1 x | a@1:1 | '' | 1",
            "must link.missing a 1:1 x | must link.missing a 1:1 x;must link.missing a 2:1 x | '' | a@2:1 | 1",
            "note link.remote a 1:1 x | - | '' | '' | 0", "must habit.late - 1:1 x | must habit.late - 1:1 y | '' | '' | 0"})
    void findingsAreTheSameByWhatIsSaidOfThem(String before, String now, String fixed, String fresh, int stayed) {
        Since since = Since.between(findings(before), findings(now));
        assertThat(said(since.fixed())).isEqualTo(fixed);
        assertThat(said(since.fresh())).isEqualTo(fresh);
        assertThat(since.stayed()).isEqualTo(stayed);
        assertThat(since.isNothing()).isEqualTo(fixed.isEmpty() && fresh.isEmpty());
    }
}
