package org.opensatchel.core.report;

import static org.opensatchel.base.fact.FactName.COUNT;
import static org.opensatchel.base.fact.FactName.HOW;
import static org.opensatchel.base.fact.FactName.MORE;
import static org.opensatchel.base.fact.FactName.OLD_ROOT;
import static org.opensatchel.base.fact.FactName.PATH;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.report.Report.FindingLine;

/**
 * The findings of a report as people read them: those of one code, one document and one old root are one group, since one movement of
 * the hand mends them all. Groups stand in the order of the report.
 */
public final class FindingGroups {

    /** Codes that are gathered whatever the file, since each alone says little. */
    private static final Set<String> GATHERED = Set.of(Code.ASSET_UNUSED.id(), Code.ASSET_DUPLICATE.id(), Code.PACKAGE_JUNK.id(),
            Code.LINK_REMOTE.id(), Code.NAME_SPACE.id(), Code.MEDIA_NOT_JUDGED.id());

    private FindingGroups() {
    }

    /**
     * Findings told together.
     *
     * @param findings at least one; the first one's words stand for all
     * @param untold how many more of their kind there are that the report does not tell one by one
     */
    public record Group(String code, String severity, List<FindingLine> findings, long untold) {

        public Group {
            findings = List.copyOf(findings);
        }

        public FindingLine first() {
            return findings.get(0);
        }

        /** How many there are, those among them that are not told one by one. */
        public long count() {
            return findings.size() + untold;
        }

        public boolean isMany() {
            return count() > 1;
        }

        /** Whether they were found by their looks alone, in files of no known format. */
        public boolean isGuess() {
            return first().guessed();
        }

        /** What all of them have in common, with their number: the facts of the heading over them. */
        public Facts shared() {
            Facts shared = Facts.of(COUNT, count()).and(PATH, onePath());
            for (FactName name : first().facts().orElse(Facts.NONE).names()) {
                Optional<String> text = text(first(), name);
                if (text.isPresent() && findings.stream().allMatch(finding -> text(finding, name).equals(text))) {
                    shared = shared.and(name, text);
                }
            }
            boolean told = shared.names().contains(FactName.CANDIDATE) || shared.names().contains(FactName.TARGET);
            long there = findings.stream()
                    .filter(finding -> text(finding, FactName.CANDIDATE).or(() -> text(finding, FactName.TARGET)).isPresent())
                    .count();
            return !isMany() || told || there == 0 ? shared : shared.and(FactName.THERE, there == findings.size() ? "each" : "some");
        }

        /** The one file they all are about, if it is one. */
        public Optional<String> onePath() {
            return untold == 0 && !first().path().isEmpty() && findings.stream().allMatch(finding -> finding.path().equals(first().path()))
                    ? Optional.of(first().path())
                    : Optional.empty();
        }

        private static Optional<String> text(FindingLine finding, FactName name) {
            return finding.facts().flatMap(facts -> facts.text(name));
        }
    }

    public static List<Group> of(List<FindingLine> findings) {
        Map<Key, List<FindingLine>> together = new LinkedHashMap<>();
        Map<String, Key> lastOf = new HashMap<>();
        Map<String, Long> untold = new HashMap<>();
        for (FindingLine finding : findings) {
            long more = finding.facts().map(facts -> facts.number(MORE)).orElse(0L);
            if (more > 0) {
                untold.merge(finding.severity() + finding.code(), more, Long::sum);
                continue;
            }
            Key key = key(finding);
            together.computeIfAbsent(key, first -> new ArrayList<>()).add(finding);
            lastOf.put(finding.severity() + finding.code(), key);
        }
        List<Group> groups = new ArrayList<>();
        together.forEach((key, all) -> {
            FindingLine first = all.get(0);
            String kind = first.severity() + first.code();
            groups.add(new Group(first.code(), first.severity(), all, key.equals(lastOf.get(kind)) ? untold.getOrDefault(kind, 0L) : 0L));
        });
        return groups;
    }

    /** What findings that are told together have in common; an absent part is empty. */
    private record Key(String severity, String code, boolean guess, String path, String own, Facts facts) {

        /** Without the facts, which are many and seldom differ where all else is the same. */
        @Override
        public int hashCode() {
            return Objects.hash(code, path, own);
        }
    }

    private static Key key(FindingLine finding) {
        if (GATHERED.contains(finding.code())) {
            return new Key(finding.severity(), finding.code(), false, "", "", Facts.NONE);
        }
        Facts facts = finding.facts().orElse(Facts.NONE);
        boolean link = finding.code().startsWith("link.") && finding.at().isPresent() && finding.consequences().isEmpty();
        return link ? new Key(finding.severity(), finding.code(), finding.guessed(), finding.path(),
                facts.text(OLD_ROOT).orElse("") + facts.text(HOW).orElse(""), Facts.NONE)
                : new Key(finding.severity(), finding.code(), finding.guessed(), finding.path(), finding.at().orElse(""), facts);
    }
}
