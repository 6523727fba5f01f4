package org.opensatchel.web.handin;

import java.util.List;
import org.opensatchel.core.report.Report.LinkLine;
import org.opensatchel.core.report.ReportDigest;

/**
 * One page of a report's links.
 *
 * @param page which, from 1
 * @param pages how many there are
 */
record LinkPage(int page, int pages, List<LinkLine> links) {

    static LinkPage of(int wanted, int links, java.util.function.IntFunction<List<LinkLine>> reader) {
        int pages = Math.max(1, (links + ReportDigest.PAGE - 1) / ReportDigest.PAGE);
        int page = Math.max(1, Math.min(pages, wanted));
        return new LinkPage(page, pages, reader.apply(page - 1));
    }

    /** The number among all links of one on this page. */
    public int number(int index) {
        return (page - 1) * ReportDigest.PAGE + index;
    }

    /** Where a link stands: on this page, or on another. */
    public String address(int link) {
        int on = link / ReportDigest.PAGE + 1;
        return (on == page ? "" : "?page=" + on) + "#link-" + link;
    }

    public boolean isMany() {
        return pages > 1;
    }
}
