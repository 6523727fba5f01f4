package org.opensatchel.core.check.rule;

import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.MACHINES;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.opensatchel.base.path.NameFolding;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.finding.Cause;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.finding.Severity;
import org.opensatchel.core.resolve.Outcome;
import org.opensatchel.core.resolve.ResolvedLink;

/**
 * Names whose accents are stored apart from their letters, and that links write so too. That holds together until something on the way
 * puts the accents back: then file and link are two names. A name that no link writes comes along as it is.
 */
final class SplitAccents implements Rule<NameEvidence> {

    @Override
    public Class<NameEvidence> needs() {
        return NameEvidence.class;
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.NAME_NOT_COMPOSED);
    }

    @Override
    public List<Finding> judge(NameEvidence evidence) {
        Map<ProjectPath, Set<String>> named = new TreeMap<>();
        for (ResolvedLink link : evidence.links()) {
            if (link.outcome() == Outcome.OK) {
                link.target().filter(target -> !target.isBesideRoot() && isSplit(target.text()))
                        .ifPresent(target -> hear(target, evidence.breaksOn(link), named));
            }
        }
        named.keySet().removeIf(evidence::isManaged);
        named.entrySet()
                .removeIf(name -> name.getValue().isEmpty() && evidence.plan().filter(plan -> plan.isInSealed(name.getKey())).isPresent());
        return named.entrySet().stream().map(name -> finding(name.getKey(), List.copyOf(name.getValue()))).toList();
    }

    private static void hear(ProjectPath target, List<String> machines, Map<ProjectPath, Set<String>> named) {
        for (ProjectPath at = target; !at.isRoot(); at = at.parent()) {
            if (isSplit(at.name())) {
                named.computeIfAbsent(at, path -> new TreeSet<>()).addAll(machines);
            }
        }
    }

    private static boolean isSplit(String name) {
        return !NameFolding.composed(name).equals(name);
    }

    private static Finding finding(ProjectPath path, List<String> machines) {
        Finding.Builder finding = Finding.of(Code.NAME_NOT_COMPOSED).path(path).causedBy(new Cause(Cause.Kind.NAME, path)).fact(FOUND,
                path.name());
        return (machines.isEmpty() ? finding : finding.atLeast(Severity.MUST).fact(MACHINES, machines)).make();
    }
}
