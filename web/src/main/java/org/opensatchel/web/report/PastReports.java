package org.opensatchel.web.report;

import java.time.Instant;
import java.util.List;
import org.opensatchel.core.report.ReportDigest;
import org.opensatchel.core.report.ReportJson;
import org.opensatchel.core.report.Verdict;
import org.opensatchel.web.course.NotAccessible;
import org.opensatchel.worker.Packed;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Reports of a hand-in that were made before it was checked again; what somebody was told once stays readable. */
@Service
public class PastReports {

    private final PastReportRows reports;

    PastReports(PastReportRows reports) {
        this.reports = reports;
    }

    /**
     * One of them, as a list shows it.
     *
     * @param version of the kit it was made by
     * @param told the verdict as people are told it
     */
    public record Past(long id, Instant checkedAt, int version, String told, int must, int should) {}

    /** The newest first. */
    @Transactional(readOnly = true)
    public List<Past> of(long handIn) {
        return reports.of(handIn).stream().map(PastReports::past).toList();
    }

    private static Past past(PastReportRows.Line line) {
        return new Past(line.id(), line.checkedAt(), line.version(),
                Verdict.of(line.verdict()).told(line.should(), 0).word(), line.must(),
                line.should());
    }

    /** One of them as it was, without what was decided about it. */
    @Transactional(readOnly = true)
    public ReportDigest digest(long handIn, long id) {
        return ReportDigest.of(ReportJson.read(Packed.unpack(reports.report(id, handIn).orElseThrow(NotAccessible::new))));
    }
}
