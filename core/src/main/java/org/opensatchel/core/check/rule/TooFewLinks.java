package org.opensatchel.core.check.rule;

import static org.opensatchel.base.fact.FactName.COUNT;
import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.LEAST;
import static org.opensatchel.base.fact.FactName.OTHER;
import static org.opensatchel.base.fact.FactName.PLACE;
import static org.opensatchel.base.fact.FactName.ROLE;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.kit.Demand;
import org.opensatchel.core.match.PlanMatch;
import org.opensatchel.core.match.PlannedRole;
import org.opensatchel.core.resolve.ResolvedLink;

/** A document that does not link what it has to: enough files of a folder, what fills another role, or a file of the kit. */
final class TooFewLinks implements Rule<NameEvidence> {

    @Override
    public Class<NameEvidence> needs() {
        return NameEvidence.class;
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.LINK_TOO_FEW);
    }

    @Override
    public List<Finding> judge(NameEvidence evidence) {
        List<Finding> out = new ArrayList<>();
        if (evidence.plan().isEmpty() || evidence.links().isEmpty() && evidence.documents().isEmpty()) {
            return out;
        }
        for (Demand.Linking rule : evidence.kit().orElseThrow().demands(Demand.Linking.class)) {
            evidence.plan().get().roles().stream().filter(role -> role.role().equals(rule.role()))
                    .flatMap(role -> Stream.concat(role.fitting().stream(), role.misnamed().stream()))
                    .filter(document -> !evidence.isOlder(document) && isRead(evidence, document))
                    .forEach(document -> judge(evidence, rule, document, out));
        }
        return out;
    }

    private static boolean isRead(NameEvidence evidence, ProjectPath document) {
        return evidence.documents().stream().anyMatch(read -> read.document().equals(document) && read.problems().isEmpty());
    }

    private static void judge(NameEvidence evidence, Demand.Linking rule, ProjectPath document, List<Finding> out) {
        // A link that is broken was meant all the same, and is told by itself.
        Set<ProjectPath> linked = evidence.links().stream().filter(link -> link.link().file().equals(document))
                .flatMap(link -> meant(link)).collect(Collectors.toSet());
        Set<ProjectPath> wanted = new HashSet<>(linked);
        wanted.removeIf(path -> !counts(evidence, rule, path));
        if (wanted.size() < rule.atLeast()) {
            out.add(Finding.of(Code.LINK_TOO_FEW).path(document).fact(ROLE, rule.role()).fact(COUNT, wanted.size())
                    .fact(LEAST, rule.atLeast())
                    .fact(PLACE, rule.in().map(in -> in.text())).fact(OTHER, rule.other())
                    .fact(FOUND, rule.starter().map(ProjectPath::text))
                    .make());
        }
    }

    private static Stream<ProjectPath> meant(ResolvedLink link) {
        return link.target().or(link::intended).stream();
    }

    private static boolean counts(NameEvidence evidence, Demand.Linking rule, ProjectPath path) {
        PlanMatch plan = evidence.plan().orElseThrow();
        if (rule.in().isPresent()) {
            ProjectPath right = plan.canonical(path);
            return Amounts.folders(evidence, rule.in().get()).anyMatch(path::isBelow)
                    || rule.in().get().make(evidence.fields(), evidence.kit().orElseThrow().ascii()).filter(right::isBelow).isPresent();
        }
        if (rule.starter().isPresent()) {
            return plan.canonical(path).equals(rule.starter().get().composed())
                    || plan.starter(rule.starter().get()).flatMap(starter -> starter.found()).filter(path::equals).isPresent();
        }
        return plan.roles().stream().filter(role -> rule.other().filter(role.role()::equals).isPresent())
                .anyMatch(role -> fills(role, path));
    }

    private static boolean fills(PlannedRole role, ProjectPath path) {
        return Stream.of(role.fitting(), role.misnamed(), role.misplaced(), role.otherType()).anyMatch(files -> files.contains(path));
    }
}
