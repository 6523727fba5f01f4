package org.opensatchel.core.report;

import java.util.List;
import java.util.Map;

/**
 * What the class board needs of a report, in columns.
 *
 * @param marks for folders, names, links, assets and location, in this order and separated by {@code ;}: the counts of
 *     must, should and note, separated by commas
 * @param seam one letter a link in document order ({@code o} sound, {@code p} pinned, {@code d} name differs, {@code x}
 *     leads out or to nothing, {@code u} cannot be told); longer ones are drawn together, the worst link standing for its neighbours
 * @param doubts how many links of documents that nobody described look broken
 */
public record Summary(String verdict, int must, int should, int note, String marks, String seam, int links, int doubts) {

    private static final int LONGEST_SEAM = 160;
    private static final List<List<String>> COLUMNS = List.of(List.of("package", "structure"), List.of("name"), List.of("link"),
            List.of("asset", "media", "timeline", "habit"), List.of("location"));
    private static final List<String> SEVERITIES = List.of("must", "should", "note");
    private static final Map<String, Character> STITCHES = Map.of("ok", 'o', "embedded", 'o', "remote", 'o', "pinned", 'p', "misspelt", 'd',
            "moved", 'x', "missing", 'x', "outside", 'x', "unknown", 'u');
    private static final String WORST_FIRST = "xpduo";

    public static Summary of(Report report) {
        return new Summary(report.verdict().word(), report.counts().must(), report.counts().should(), report.counts().note(), marks(report),
                seam(report), report.links().size(), report.doubtful());
    }

    private static String marks(Report report) {
        return String.join(";", COLUMNS
                .stream().map(families -> String.join(",", SEVERITIES.stream().map(severity -> Long.toString(report.findings().stream()
                        .filter(finding -> finding.severity().equals(severity)
                                && families.contains(finding.code().substring(0, finding.code().indexOf('.'))))
                        .count())).toList()))
                .toList());
    }

    private static String seam(Report report) {
        StringBuilder all = new StringBuilder();
        report.links().forEach(link -> all.append((char) STITCHES.getOrDefault(link.outcome(), 'u')));
        if (all.length() <= LONGEST_SEAM) {
            return all.toString();
        }
        StringBuilder out = new StringBuilder(LONGEST_SEAM);
        for (int i = 0; i < LONGEST_SEAM; i++) {
            String together = all.substring((int) ((long) i * all.length() / LONGEST_SEAM),
                    (int) ((long) (i + 1) * all.length() / LONGEST_SEAM));
            out.append((char) WORST_FIRST.chars().filter(stitch -> together.indexOf(stitch) >= 0).findFirst().orElse('o'));
        }
        return out.toString();
    }
}
