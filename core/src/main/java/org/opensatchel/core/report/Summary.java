package org.opensatchel.core.report;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.opensatchel.core.report.Report.FindingLine;

/**
 * What the class board needs of a report, in columns.
 *
 * @param marks for package, structure, names, links, assets, media, timeline and location, in this order, the counts of must, should and
 *     note: 24 numbers
 * @param seam one letter a link in document order ({@code o} sound, {@code p} pinned, {@code d} name differs, {@code x}
 *     leads out or to nothing, {@code u} cannot be told); longer ones are drawn together, the worst link standing for its neighbours
 * @param doubts how many links of documents that nobody described look broken
 */
public record Summary(Verdict verdict, int must, int should, int note, List<Integer> marks, String seam, int links, int doubts) {

    private static final int LONGEST_SEAM = 160;
    /** The families of each column; habits are those of working on a timeline. */
    private static final List<List<String>> COLUMNS = List.of(List.of("package"), List.of("structure"), List.of("name"), List.of("link"),
            List.of("asset"), List.of("media"), List.of("timeline", "habit"), List.of("location"));
    private static final List<String> SEVERITIES = List.of("must", "should", "note");
    private static final Map<String, Character> STITCHES = Map.of("ok", 'o', "embedded", 'o', "remote", 'o', "pinned", 'p', "misspelt", 'd',
            "moved", 'x', "missing", 'x', "outside", 'x', "unknown", 'u');
    private static final String WORST_FIRST = "xpduo";

    public static Summary of(Report report) {
        return new Summary(report.verdict(), report.counts().must(), report.counts().should(), report.counts().note(),
                marks(report.findings()),
                seam(report), report.links().size(), report.doubtful());
    }

    /** The marks of findings. */
    public static List<Integer> marks(List<FindingLine> findings) {
        int[] counts = new int[COLUMNS.size() * SEVERITIES.size()];
        for (FindingLine finding : findings) {
            String family = finding.code().substring(0, finding.code().indexOf('.'));
            for (int i = 0; i < COLUMNS.size(); i++) {
                if (COLUMNS.get(i).contains(family)) {
                    counts[i * SEVERITIES.size() + SEVERITIES.indexOf(finding.severity())]++;
                }
            }
        }
        return Arrays.stream(counts).boxed().toList();
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
