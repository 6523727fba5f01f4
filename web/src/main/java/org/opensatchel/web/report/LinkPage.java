package org.opensatchel.web.report;

import java.util.List;
import java.util.function.IntFunction;
import org.opensatchel.core.report.Report.LinkLine;
import org.opensatchel.core.report.ReportDigest;
import org.opensatchel.core.words.Words;
import org.opensatchel.web.text.Folded;

/**
 * One page of a report's links.
 *
 * @param page which, from 1
 * @param pages how many there are
 */
public record LinkPage(int page, int pages, List<Folded> rows) {

    static LinkPage of(int wanted, int links, IntFunction<List<LinkLine>> reader, Words words) {
        int pages = Math.max(1, (links + ReportDigest.PAGE - 1) / ReportDigest.PAGE);
        int page = Math.max(1, Math.min(pages, wanted));
        return new LinkPage(page, pages, LinkRows.of(reader.apply(page - 1), (page - 1) * ReportDigest.PAGE, words));
    }

    /** Where a link stands: on this page, or on another. */
    public String address(int link) {
        int on = link / ReportDigest.PAGE + 1;
        return (on == page ? "" : "?page=" + on) + "#link-" + link;
    }

    /** The number of its first link, from 1. */
    public int from() {
        return (page - 1) * ReportDigest.PAGE + 1;
    }

    public int to() {
        return from() + rows.size() - 1;
    }

    public boolean isMany() {
        return pages > 1;
    }
}
