package org.opensatchel.web.report;

import java.util.List;
import java.util.Optional;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.core.judging.FindingKey;
import org.opensatchel.core.judging.Judgement;
import org.opensatchel.core.report.FindingGroups;
import org.opensatchel.core.report.Report.FindingLine;
import org.opensatchel.core.report.Report.ProposalLine;
import org.opensatchel.core.report.ReportDigest;
import org.opensatchel.core.words.Said;
import org.opensatchel.core.words.Sentence;
import org.opensatchel.core.words.Words;
import org.opensatchel.web.text.Marked;

/** The findings of a report as a page tells them, in the order to fix them, in one language. */
public record ToldFindings(List<Group> groups, int must, int should, int note, long more) {

    /** Of one group and in all, as many as a page shows; the rest stands in the report as JSON. */
    private static final int MOST_OF_A_GROUP = 40;
    private static final int MOST_GROUPS = 40;

    /**
     * Findings told together.
     *
     * @param key of the first one ({@link FindingKey}), by which all of them are found again
     * @param first all that is said of the first one, which stands for all
     * @param proposal what was probably meant, where it is one finding alone
     * @param names a name beside the right one, where that is all that is wrong
     * @param others what is said of the others, as many as are listed
     * @param unlisted how many more there are
     * @param follow what follows from the first one
     * @param spot where the first one can be looked at, if it is about a file
     */
    public record Group(String key, String code, String severity, Sentence heading, Said first, Optional<ProposalLine> proposal,
            Optional<Names> names,
            List<Sentence> others,
            long unlisted, List<Sentence> follow, Optional<Spot> spot) {
        /** What is told alone, by its place in the report; what has to be done to it, and not only known. */
        public boolean isTask() {
            return !severity.equals("note");
        }

        /** The page on which it is put right, where that is no matter of files; empty for none. */
        public String opens() {
            return code.startsWith("location.") ? "location" : code.equals("habit.step-open") ? "kit" : "";
        }

        /** The key of the word for how sure the proposal is; there is one. */
        public String likelihood() {
            return Likelihood.of(proposal.orElseThrow().sure()).say();
        }

        public boolean isMany() {
            return !others.isEmpty() || unlisted > 0;
        }

        /** How many there are beside the first one. */
        public long more() {
            return others.size() + unlisted;
        }
    }

    public static ToldFindings of(Judgement judgement, Words words) {
        ToldFindings told = of(judgement.digest(), judgement.things(), words);
        return new ToldFindings(told.groups, judgement.mustTold(), judgement.shouldTold(), told.note, told.more);
    }

    /** Of a report that nobody judged. */
    public static ToldFindings of(ReportDigest digest, Words words) {
        return of(digest, FindingGroups.of(digest.head().findings()), words);
    }

    private static ToldFindings of(ReportDigest digest, List<FindingGroups.Group> groups, Words words) {
        List<Group> shown = groups.stream().limit(MOST_GROUPS).map(group -> group(group, words)).toList();
        long told = groups.stream().limit(MOST_GROUPS).mapToLong(group -> group.findings().size()).sum();
        return new ToldFindings(shown, count(groups, "must"), count(groups, "should"), count(groups, "note"),
                Math.max(0, digest.findings() - told - markers(digest, groups)));
    }

    /** Those of a column of the class board; habits stand with the timeline. */
    public List<Group> ofFamily(String family) {
        return groups.stream()
                .filter(group -> group.code().startsWith(family + ".") || family.equals("timeline") && group.code().startsWith("habit."))
                .toList();
    }

    /** Lines that only say how many more there are; their number is told with their group. */
    private static long markers(ReportDigest digest, List<FindingGroups.Group> groups) {
        return digest.head().findings().size() - groups.stream().mapToLong(group -> group.findings().size()).sum();
    }

    private static int count(List<FindingGroups.Group> groups, String severity) {
        return (int) groups.stream().filter(group -> group.severity().equals(severity)).count();
    }

    /** What is said of the first one, with the steps that mend all of them. */
    private static Said said(FindingGroups.Group group, Words words) {
        Said first = words.of(group.first());
        return new Said(first.title(), first.message(), first.why(), words.remedy(group));
    }

    /** A place in a file: what the report calls it, and what is written there. */
    public record Spot(String path, String at, String text) {}

    /** What is only in a package, or no file at all, cannot be looked at. */
    private static Optional<Spot> spot(FindingLine finding) {
        boolean file = finding.code().startsWith("link.") || finding.code().startsWith("asset.") && !finding.code().contains("missing")
                || finding.code().equals("structure.file-misplaced") || finding.code().equals("name.file")
                || finding.code().equals("name.document");
        boolean shown = file && !finding.path().isEmpty() && !finding.path().contains("!/") && !finding.path().startsWith("../");
        return shown ? Optional.of(new Spot(finding.path(), finding.at().orElse(""),
                finding.facts().flatMap(facts -> facts.text(FactName.TEXT)).orElse(""))) : Optional.empty();
    }

    /** A name as it is and as it should be, what differs marked in both; and the folder it lies in, empty for the root. */
    public record Names(Marked found, Marked right, String folder) {}

    private static Optional<Names> names(FindingGroups.Group group) {
        if (group.isMany() || !group.code().startsWith("name.")) {
            return Optional.empty();
        }
        Optional<Facts> facts = group.first().facts();
        Optional<String> right = facts.flatMap(all -> all.text(FactName.EXPECTED));
        String path = group.first().path();
        String folder = path.contains("/") ? path.substring(0, path.lastIndexOf('/')) : "";
        Optional<String> found = facts.flatMap(all -> all.text(FactName.FOUND))
                .or(() -> Optional.of(path.substring(path.lastIndexOf('/') + 1)).filter(name -> !name.isEmpty()));
        return found.flatMap(
                name -> right.filter(wanted -> !wanted.equals(name))
                        .map(wanted -> new Names(Marked.between(name, wanted), Marked.between(wanted, name), folder)));
    }

    /** Whether the sentence names what is proposed already. */
    private static boolean isSaid(Said said, ProposalLine proposal) {
        return said.message().pieces().stream().anyMatch(piece -> piece.isName() && piece.text().equals(proposal.path()));
    }

    private static Group group(FindingGroups.Group group, Words words) {
        FindingLine first = group.first();
        Said said = said(group, words);
        Optional<Names> names = names(group);
        List<Sentence> others = group.findings().stream().skip(1).limit(MOST_OF_A_GROUP - 1L).map(finding -> words.message(finding))
                .toList();
        return new Group(FindingKey.of(first), group.code(), group.severity(), words.heading(group), said,
                group.isMany() || names.isPresent() ? Optional.empty()
                        : first.proposal().filter(proposal -> !isSaid(said, proposal)),
                names, others,
                group.count() - 1 - others.size(), first.consequences().orElse(List.of()).stream().map(words::of).toList(), spot(first));
    }
}
