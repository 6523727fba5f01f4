package org.opensatchel.web.report;

import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.opensatchel.core.report.ReportDigest;
import org.opensatchel.core.report.ReportDigest.Broken;
import org.opensatchel.core.report.ReportDigest.Carried;
import org.opensatchel.core.report.ReportDigest.Document;
import org.opensatchel.core.words.Sentence;
import org.opensatchel.core.words.Words;

/**
 * Documents against machines: each cell a short seam of the links that open there, those that do not fallen out of it.
 *
 * @param machines the columns
 * @param rows a row for each document that links anything
 */
public record CarryGrid(List<Column> machines, List<Row> rows) {

    private static final int MOST_STITCHES = 10;
    private static final int STITCH = 9;

    /** A machine, and the files that cannot be on it. */
    public record Column(String title, int opens, int breaks, List<Refused> files, int filesInAll) {
        public boolean isGood() {
            return breaks == 0 && files.isEmpty();
        }
    }

    /** A file that cannot be there, and why. */
    public record Refused(String path, Sentence why) {}

    /** A document and a cell for each machine. */
    public record Row(String document, List<Cell> cells) {}

    /** The links of one document on one machine. */
    public record Cell(int links, int breaks, List<Reason> reasons) {

        public int opens() {
            return links - breaks;
        }

        /** The stitches that hold, as a path (SVG 2, section 9.3). */
        public String whole() {
            return IntStream.range(0, shown() - fallen()).mapToObj(i -> "M" + (i * STITCH + 1) + " 8h6").collect(Collectors.joining());
        }

        /** Those that have fallen out. */
        public String torn() {
            return IntStream.range(shown() - fallen(), shown()).mapToObj(i -> "M" + (i * STITCH + 2) + " 7l4 9")
                    .collect(Collectors.joining());
        }

        private int shown() {
            return Math.min(MOST_STITCHES, links);
        }

        /** However many links there are, one that breaks is seen, and one that opens. */
        private int fallen() {
            int share = (int) Math.round((double) breaks * shown() / Math.max(1, links));
            int least = breaks == 0 ? 0 : 1;
            int most = breaks == links ? shown() : shown() - 1;
            return Math.max(least, Math.min(most, share));
        }
    }

    /** Why some links do not open; the first of them are named. */
    public record Reason(Sentence why, int count, List<Broken> named) {}

    public boolean anyFiles() {
        return machines.stream().anyMatch(machine -> !machine.files().isEmpty());
    }

    public static CarryGrid of(ReportDigest digest, Words words) {
        List<Carried> carried = digest.carry();
        List<Column> columns = carried.stream()
                .map(machine -> new Column(words.machine(machine.title()), machine.opens(), machine.breaks(),
                        machine.files().stream().map(file -> new Refused(file.path(), words.of(file))).toList(), machine.filesInAll()))
                .toList();
        int documents = carried.isEmpty() ? 0 : carried.get(0).documents().size();
        List<Row> rows = IntStream.range(0, documents).mapToObj(i -> new Row(carried.get(0).documents().get(i).document(),
                carried.stream().map(machine -> cell(machine.documents().get(i), words)).toList())).toList();
        return new CarryGrid(columns, rows);
    }

    private static Cell cell(Document document, Words words) {
        return new Cell(document.links(), document.breaks(),
                document.reasons().stream().map(reason -> new Reason(words.of(reason).begun(), reason.count(), reason.links())).toList());
    }
}
