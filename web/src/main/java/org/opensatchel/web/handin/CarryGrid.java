package org.opensatchel.web.handin;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.IntStream;
import org.opensatchel.core.report.Report;
import org.opensatchel.core.report.Report.CarryFileLine;
import org.opensatchel.core.report.Report.CarryLine;
import org.opensatchel.core.report.Report.CarryLinkLine;
import org.opensatchel.core.report.Report.LinkLine;

/**
 * Documents against machines: each cell a short seam of the links that open there, those that do not fallen out of it.
 *
 * @param machines the columns
 * @param rows a row for each document that links anything
 */
public record CarryGrid(List<Column> machines, List<Row> rows) {

    private static final int MOST_STITCHES = 10;
    private static final int STITCH = 9;
    private static final int MOST_NAMED = 12;

    /** A machine, and the files that cannot be on it. */
    public record Column(String title, int opens, int breaks, List<CarryFileLine> files) {
        public boolean isGood() {
            return breaks == 0 && files.isEmpty();
        }
    }

    /** A document and a cell for each machine. */
    public record Row(String document, List<Cell> cells) {
    }

    /** The links of one document on one machine. */
    public record Cell(int links, List<Broken> broken) {

        /** What is told in the cell: each reason once, with the links it holds for. */
        public List<Reason> reasons() {
            Map<String, List<Broken>> byWhy = new LinkedHashMap<>();
            broken.forEach(one -> byWhy.computeIfAbsent(one.why, why -> new ArrayList<>()).add(one));
            return byWhy.entrySet().stream().map(one -> new Reason(one.getKey(), one.getValue())).toList();
        }

        public int opens() {
            return links - broken.size();
        }

        /** Where stitches stand, in the drawing's units. */
        public List<Integer> whole() {
            return IntStream.range(0, shown() - fallen()).map(i -> i * STITCH).boxed().toList();
        }

        /** Where those stand that have fallen out. */
        public List<Integer> torn() {
            return IntStream.range(shown() - fallen(), shown()).map(i -> i * STITCH).boxed().toList();
        }

        private int shown() {
            return Math.min(MOST_STITCHES, links);
        }

        /** However many links there are, one that breaks is seen, and one that opens. */
        private int fallen() {
            int share = (int) Math.round((double) broken.size() * shown() / Math.max(1, links));
            int least = broken.isEmpty() ? 0 : 1;
            int most = broken.size() == links ? shown() : shown() - 1;
            return Math.max(least, Math.min(most, share));
        }
    }

    /** Why some links do not open. */
    public record Reason(String why, List<Broken> links) {

        /** The reason as the beginning of a sentence. */
        public String sentence() {
            return why.substring(0, 1).toUpperCase(Locale.ROOT) + why.substring(1);
        }

        /** As many as are named. */
        public List<Broken> named() {
            return links.subList(0, Math.min(MOST_NAMED, links.size()));
        }
    }

    /** A link that does not open, by its place in the report. */
    public record Broken(int link, String text, String why) {
    }

    public boolean anyFiles() {
        return machines.stream().anyMatch(machine -> !machine.files().isEmpty());
    }

    public static CarryGrid of(Report report) {
        List<CarryLine> carried = report.carry().orElse(List.of());
        Map<String, Integer> counts = new LinkedHashMap<>();
        report.links().forEach(link -> counts.merge(link.document(), 1, Integer::sum));
        List<Map<String, List<Broken>>> broken = carried.stream().map(machine -> broken(report, machine)).toList();
        List<Row> rows = new ArrayList<>();
        counts.forEach((document, links) -> rows.add(new Row(document, broken.stream().map(machine -> new Cell(links, machine.getOrDefault(document, List.of()))).toList())));
        return new CarryGrid(carried.stream().map(machine -> new Column(machine.title(), machine.opens(), machine.breaks(), machine.files())).toList(), carried.isEmpty() ? List.of() : rows);
    }

    private static Map<String, List<Broken>> broken(Report report, CarryLine machine) {
        Map<String, List<Broken>> out = new HashMap<>();
        for (CarryLinkLine line : machine.links()) {
            LinkLine link = report.links().get(line.link());
            out.computeIfAbsent(link.document(), document -> new ArrayList<>()).add(new Broken(line.link(), link.text(), line.why()));
        }
        return out;
    }
}
