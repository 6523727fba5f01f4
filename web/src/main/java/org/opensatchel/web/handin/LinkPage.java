package org.opensatchel.web.handin;

import java.util.List;
import java.util.function.IntFunction;
import org.opensatchel.core.report.Report.LinkLine;
import org.opensatchel.core.report.ReportDigest;
import org.opensatchel.core.words.Words;

/**
 * One page of a report's links.
 *
 * @param page which, from 1
 * @param pages how many there are
 */
record LinkPage(int page, int pages, List<LinkRow> rows) {

    static LinkPage of(int wanted, int links, IntFunction<List<LinkLine>> reader, Words words) {
        int pages = Math.max(1, (links + ReportDigest.PAGE - 1) / ReportDigest.PAGE);
        int page = Math.max(1, Math.min(pages, wanted));
        return new LinkPage(page, pages, LinkRow.of(reader.apply(page - 1), (page - 1) * ReportDigest.PAGE, words));
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
