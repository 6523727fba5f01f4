package org.opensatchel.core.report;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.base.text.Shortened;
import org.opensatchel.core.report.Report.CarryFileLine;
import org.opensatchel.core.report.Report.CarryLine;
import org.opensatchel.core.report.Report.CarryLinkLine;
import org.opensatchel.core.report.Report.ConsequenceLine;
import org.opensatchel.core.report.Report.FindingLine;
import org.opensatchel.core.report.Report.LinkLine;

/**
 * As much of a report as is shown at once, however large the report: its head, the most serious findings, the links that
 * are drawn and the carry test counted by document. The links themselves follow in pages ({@link #pages}).
 *
 * @param head the report with the drawn links, the first findings and no carry test
 * @param numbers the place of each drawn link among all links
 * @param findings how many findings there are
 * @param carry the carry test, a line for each machine
 * @param opening on how many machines everything opens once it is mended; absent where that cannot be said
 */
public record ReportDigest(Report head, List<Integer> numbers, int findings, List<Carried> carry,
        Optional<Opening> opening) {

    /** Links on one page of the list. */
    public static final int PAGE = 100;
    private static final int MOST_DRAWN = 600;
    private static final int MOST_FINDINGS = 1_200;
    private static final int MOST_CONSEQUENCES = 50;
    private static final int MOST_DOCUMENTS = 40;
    private static final int MOST_NAMED = 12;
    private static final int MOST_FILES = 100;
    private static final int LONGEST_MESSAGE = 600;

    /**
     * A project carried to one machine.
     *
     * @param files the first of the files that cannot be there
     * @param filesInAll how many cannot
     * @param documents the documents with links that break there, in the report's order; as many as are shown
     */
    public record Carried(String title, int opens, int breaks, List<CarryFileLine> files, int filesInAll, List<Document> documents) {}

    /** A document's links on one machine. */
    public record Document(String document, int links, int breaks, List<Reason> reasons) {}

    /** Why some links of a document break, and the first of them. */
    public record Reason(String why, int count, List<Broken> links, Optional<Phrase> reason) {}

    /** A link that breaks, by its place among all links. */
    public record Broken(int link, String text) {}

    public static ReportDigest of(Report report) {
        List<Integer> drawn = drawn(report.links());
        List<FindingLine> findings = report.findings().stream().limit(MOST_FINDINGS).map(ReportDigest::bounded).toList();
        Report head = new Report(report.report(), report.made(), report.verdict(), report.doubts(), report.kit(), report.location(),
                report.project(),
                report.counts(),
                report.sealed(), drawn.stream().map(report.links()::get).map(ReportDigest::bounded).toList(), findings, report.notChecked(),
                Optional.empty(), report.points(), report.plan(), report.media().map(MediaFound::shown),
                report.timelines().map(TimelineFound::shown));
        return new ReportDigest(head, drawn, report.findings().size(), carried(report), Opening.of(report));
    }

    /** The links in pages, in order. */
    public static List<List<LinkLine>> pages(Report report) {
        List<List<LinkLine>> out = new ArrayList<>();
        for (int from = 0; from < report.links().size(); from += PAGE) {
            out.add(report.links().subList(from, Math.min(report.links().size(), from + PAGE)));
        }
        return out;
    }

    /** All links, or of very many those that do not simply open first. */
    private static List<Integer> drawn(List<LinkLine> links) {
        IntStream all = IntStream.range(0, links.size());
        if (links.size() <= MOST_DRAWN) {
            return all.boxed().toList();
        }
        return all.boxed()
                .sorted(Comparator.comparing((Integer at) -> links.get(at).outcome().equals("ok")).thenComparing(Comparator.naturalOrder()))
                .limit(MOST_DRAWN).sorted().toList();
    }

    private static LinkLine bounded(LinkLine link) {
        return new LinkLine(link.document(), link.at(), bounded(link.text()), link.form(), link.outcome(), link.target(), Optional.empty(),
                Optional.empty(), Optional.empty(), link.sure());
    }

    private static FindingLine bounded(FindingLine finding) {
        Optional<List<ConsequenceLine>> consequences = finding.consequences().map(all -> all.stream().limit(MOST_CONSEQUENCES)
                .map(one -> new ConsequenceLine(one.code(), one.path(), one.at(), bounded(one.message()),
                        one.facts().map(facts -> facts.shortened(ReportDigest::bounded))))
                .toList());
        return new FindingLine(finding.code(), finding.severity(), finding.path(), finding.at(), bounded(finding.message()), finding.why(),
                finding.remedy(), finding.sure(), finding.proposal(), consequences,
                finding.facts().map(facts -> facts.shortened(ReportDigest::bounded)));
    }

    private static String bounded(String text) {
        return Shortened.middle(text, LONGEST_MESSAGE, LONGEST_MESSAGE / 2);
    }

    private static List<Carried> carried(Report report) {
        List<CarryLine> machines = report.carry().orElse(List.of());
        if (machines.isEmpty()) {
            return List.of();
        }
        Map<String, Integer> links = new LinkedHashMap<>();
        report.links().forEach(link -> links.merge(link.document(), 1, Integer::sum));
        List<String> shown = links.keySet().stream().limit(MOST_DOCUMENTS).toList();
        return machines.stream().map(machine -> carried(report, machine, links, shown)).toList();
    }

    private static Carried carried(Report report, CarryLine machine, Map<String, Integer> links, List<String> shown) {
        Map<String, Map<String, List<CarryLinkLine>>> broken = new LinkedHashMap<>();
        for (CarryLinkLine line : machine.links()) {
            broken.computeIfAbsent(report.links().get(line.link()).document(), key -> new LinkedHashMap<>())
                    .computeIfAbsent(key(line), key -> new ArrayList<>()).add(line);
        }
        List<Document> documents = shown.stream()
                .map(document -> document(report, document, links.get(document), broken.getOrDefault(document, Map.of()))).toList();
        return new Carried(machine.title(), machine.opens(), machine.breaks(), machine.files().stream().limit(MOST_FILES).toList(),
                machine.files().size(), documents);
    }

    /** What breaks for one reason is told together: the same phrase, or in a report from before the same words. */
    private static String key(CarryLinkLine line) {
        return line.reason().map(Phrase::toString).orElseGet(line::why);
    }

    private static Document document(Report report, String document, int links, Map<String, List<CarryLinkLine>> broken) {
        List<Reason> reasons = broken.values().stream().map(lines -> new Reason(lines.get(0).why(), lines.size(),
                lines.stream().limit(MOST_NAMED).map(line -> new Broken(line.link(), bounded(report.links().get(line.link()).text())))
                        .toList(),
                lines.get(0).reason())).toList();
        return new Document(document, links, broken.values().stream().mapToInt(List::size).sum(), reasons);
    }
}
