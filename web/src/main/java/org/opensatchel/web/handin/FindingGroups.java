package org.opensatchel.web.handin;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.opensatchel.core.check.Checks;
import org.opensatchel.core.finding.Advice;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.report.Report.FindingLine;
import org.opensatchel.core.report.ReportDigest;

/**
 * The findings of a report as a page tells them, in the order to fix them: those of one document, one code and one old root
 * are one group, since one movement of the hand mends them all.
 */
record FindingGroups(List<Group> groups, int must, int should, int note, int more) {

    /** Of one group and in all, as many as a page shows; the rest stands in the report as JSON. */
    private static final int MOST_OF_A_GROUP = 40;
    private static final int MOST_GROUPS = 40;

    /** Codes that pages gather whatever the file, since each alone says little. */
    private static final List<String> GATHERED = List.of("asset.unused", "asset.duplicate", "package.junk", "link.remote", "name.space");
    private static final Pattern OLD_ROOT = Pattern.compile("while the project lies at “([^”]*)”");
    private static final Map<String, String> MANY = Map.ofEntries(
            Map.entry("link.pinned", "%d links are tied to %s"), Map.entry("link.missing", "%d linked files are missing"), Map.entry("link.moved", "%d linked files were moved"),
            Map.entry("link.outside", "%d links lead out of the project"), Map.entry("link.misspelt", "%d links and their files differ in spelling"),
            Map.entry("link.remote", "%d links lead to the web"), Map.entry("asset.unused", "%d files are linked from nowhere"), Map.entry("asset.duplicate", "%d files are there more than once"),
            Map.entry("package.junk", "%d leftovers of systems and programs"), Map.entry("name.space", "%d names hold a space"), Map.entry("link.temporary", "%d links lead to a temporary folder"),
            Map.entry("link.network-share", "%d links lead onto a network share"), Map.entry("link.other-project", "%d links lead into another project"), Map.entry("link.unknown", "%d links cannot be followed from here"));

    /** Findings told together; the first one's words stand for all. */
    record Group(String code, String severity, String title, FindingLine first, List<FindingLine> all) {
        public boolean isMany() {
            return all.size() > 1;
        }

        /** Those after the first, as many as are listed. */
        public List<FindingLine> others() {
            return all.subList(1, Math.min(all.size(), MOST_OF_A_GROUP));
        }

        public int unlisted() {
            return Math.max(0, all.size() - MOST_OF_A_GROUP);
        }
    }

    static FindingGroups of(ReportDigest digest) {
        Map<String, List<FindingLine>> together = new LinkedHashMap<>();
        for (FindingLine finding : digest.head().findings()) {
            together.computeIfAbsent(key(finding), key -> new ArrayList<>()).add(finding);
        }
        List<Group> groups = together.values().stream().map(FindingGroups::group).toList();
        List<Group> shown = groups.subList(0, Math.min(groups.size(), MOST_GROUPS));
        int more = digest.findings() - shown.stream().mapToInt(group -> group.all.size()).sum();
        return new FindingGroups(shown, count(groups, "must"), count(groups, "should"), count(groups, "note"), more);
    }

    private static int count(List<Group> groups, String severity) {
        return (int) groups.stream().filter(group -> group.severity.equals(severity)).count();
    }

    private static String key(FindingLine finding) {
        if (GATHERED.contains(finding.code())) {
            return finding.severity() + finding.code();
        }
        boolean link = finding.code().startsWith("link.") && finding.at().isPresent() && finding.consequences().isEmpty();
        return finding.severity() + finding.code() + "\0" + finding.path() + "\0" + (link ? oldRoot(finding).orElse("") : finding.at().orElse("") + finding.message());
    }

    private static Optional<String> oldRoot(FindingLine finding) {
        Matcher matcher = OLD_ROOT.matcher(finding.message());
        return matcher.find() ? Optional.of(matcher.group(1)) : Optional.empty();
    }

    private static Group group(List<FindingLine> findings) {
        FindingLine first = findings.get(0);
        String many = MANY.get(first.code());
        String title = findings.size() > 1 && many != null ? many.formatted(findings.size(), "“" + oldRoot(first).orElse("one place") + "”") : title(first.code());
        return new Group(first.code(), first.severity(), title, first, findings);
    }

    private static String title(String code) {
        return Code.of(code).map(known -> Optional.ofNullable(Checks.catalogue().get(known)).map(Advice::title).orElse(code)).orElse(code);
    }
}
