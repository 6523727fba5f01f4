package org.opensatchel.core.check;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.finding.Cause;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Family;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.finding.Severity;
import org.opensatchel.core.kit.Kit;

/**
 * What all checks gave, made into what is told: weighed by the kit, consequences put under their causes, ordered, and
 * bounded in number.
 */
final class Findings {

    private final Optional<Kit> kit;
    private final int perCode;
    private final int inAll;

    /**
     * @param perCode most findings of one code
     * @param inAll most findings of all codes; the most serious are kept
     */
    Findings(Optional<Kit> kit, int perCode, int inAll) {
        this.kit = kit;
        this.perCode = perCode;
        this.inAll = inAll;
    }

    List<Finding> told(List<Finding> raw) {
        List<Finding> weighed = raw.stream().flatMap(finding -> weighed(finding).stream()).sorted(Finding.ORDER).toList();
        List<Finding> folded = folded(weighed);
        return bounded(folded).stream().sorted(Finding.ORDER).toList();
    }

    private Optional<Finding> weighed(Finding finding) {
        Severity usual = finding.code().severity().atLeast(finding.least());
        Optional<Severity> severity = kit.isPresent() ? kit.get().severity(finding.code(), usual) : Optional.of(usual);
        return severity.map(grade -> finding.withSeverity(grade.atMost(finding.most())));
    }

    /** A consequence that weighs more than its cause stays a finding of its own, so that nothing serious is hidden. */
    private List<Finding> folded(List<Finding> findings) {
        Map<Cause, Integer> explaining = new HashMap<>();
        for (int i = 0; i < findings.size(); i++) {
            for (Cause cause : findings.get(i).explains()) {
                explaining.putIfAbsent(cause, i);
            }
        }
        Map<ProjectPath, Integer> forbidden = new HashMap<>();
        for (int i = 0; i < findings.size(); i++) {
            if (findings.get(i).code() == Code.STRUCTURE_FOLDER_FORBIDDEN) {
                forbidden.put(findings.get(i).path(), i);
            }
        }
        int deepest = forbidden.keySet().stream().mapToInt(ProjectPath::depth).max().orElse(0);
        Map<Integer, List<Finding>> consequences = new LinkedHashMap<>();
        boolean[] under = new boolean[findings.size()];
        for (int i = 0; i < findings.size(); i++) {
            int top = forbidden.isEmpty() ? top(findings, explaining, i)
                    : inForbidden(findings, forbidden, deepest, i).orElse(top(findings, explaining, i));
            if (top != i) {
                under[i] = true;
                consequences.computeIfAbsent(top, key -> new ArrayList<>()).add(findings.get(i));
            }
        }
        List<Finding> out = new ArrayList<>();
        for (int i = 0; i < findings.size(); i++) {
            if (!under[i]) {
                out.add(consequences.containsKey(i) ? findings.get(i).withConsequences(atMost(consequences.get(i))) : findings.get(i));
            }
        }
        return out;
    }

    /** The forbidden folder that something lies in: when the folder goes, so does what is wrong with it. */
    private static Optional<Integer> inForbidden(List<Finding> findings, Map<ProjectPath, Integer> forbidden, int deepest, int from) {
        Finding finding = findings.get(from);
        if (finding.code().family() == Family.LOCATION) {
            return Optional.empty();
        }
        String file = finding.path().text().replaceFirst("!/.*$", "");
        ProjectPath path = ProjectPath.of(file);
        return Stream.concat(path.folders().limit(deepest), Stream.of(path)).map(forbidden::get)
                .filter(folder -> folder != null && folder != from
                        && finding.severity().compareTo(findings.get(folder).severity()) >= 0)
                .reduce((outer, inner) -> inner);
    }

    /** What follows from one cause is bounded like what is told of one code. */
    private List<Finding> atMost(List<Finding> consequences) {
        if (consequences.size() <= perCode) {
            return consequences;
        }
        List<Finding> out = new ArrayList<>(consequences.subList(0, perCode));
        out.add(consequences.get(perCode).andMore(consequences.size() - perCode));
        return out;
    }

    /** The finding at the top of the chain of causes; chains are short, and one that bites its tail ends where it began. */
    private static int top(List<Finding> findings, Map<Cause, Integer> explaining, int from) {
        int at = from;
        for (int hops = 0; hops < 8; hops++) {
            Integer above = findings.get(at).causedBy().map(explaining::get).orElse(null);
            if (above == null || above == at || findings.get(from).severity().compareTo(findings.get(above).severity()) < 0) {
                return at;
            }
            if (above == from) {
                return from;
            }
            at = above;
        }
        return from;
    }

    private List<Finding> bounded(List<Finding> findings) {
        Map<Code, Integer> counts = new EnumMap<>(Code.class);
        Map<Code, Integer> kept = new EnumMap<>(Code.class);
        Map<Code, Finding> over = new EnumMap<>(Code.class);
        List<Finding> out = new ArrayList<>();
        for (Finding finding : findings) {
            int before = counts.getOrDefault(finding.code(), 0);
            counts.put(finding.code(), before + finding.times());
            if (before + finding.times() <= perCode && out.size() < inAll) {
                out.add(finding);
                kept.merge(finding.code(), finding.times(), Integer::sum);
            } else {
                over.putIfAbsent(finding.code(), finding);
            }
        }
        over.forEach((code, example) -> {
            int more = counts.get(code) - kept.getOrDefault(code, 0);
            out.add(example.andMore(more));
        });
        return out;
    }
}
