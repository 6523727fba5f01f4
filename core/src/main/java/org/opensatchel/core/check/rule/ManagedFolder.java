package org.opensatchel.core.check.rule;

import static org.opensatchel.base.fact.FactName.PURPOSE;

import java.util.List;
import java.util.Set;
import org.opensatchel.core.finding.Cause;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.kit.Need;
import org.opensatchel.core.match.PlanMatch;
import org.opensatchel.core.match.PlannedFolder;

/**
 * A program's own folder that is gone: one that the plan asks for, or one that documents still name files in. The program
 * makes it anew, so it weighs less than another folder.
 */
final class ManagedFolder implements Rule<NameEvidence> {

    @Override
    public Class<NameEvidence> needs() {
        return NameEvidence.class;
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.STRUCTURE_MANAGED_GONE);
    }

    @Override
    public List<Finding> judge(NameEvidence evidence) {
        return evidence.plan().map(PlanMatch::folders).orElse(List.of()).stream()
                .filter(match -> match.rule().managed() && match.kind() == PlannedFolder.Kind.MISSING
                        && match.rule().need() != Need.FORBIDDEN)
                .filter(match -> match.rule().need() == Need.REQUIRED && evidence.tree().seesEmpty() || isNamed(evidence, match))
                .filter(match -> !MissingFolder.isInsideMissing(evidence.plan().orElseThrow(), match))
                .map(match -> Finding.of(Code.STRUCTURE_MANAGED_GONE).path(match.planned())
                        .explains(new Cause(Cause.Kind.FOLDER, match.planned()))
                        .fact(PURPOSE, Roles.purpose(match.rule())).make())
                .toList();
    }

    private static boolean isNamed(NameEvidence evidence, PlannedFolder match) {
        return evidence.links().stream()
                .anyMatch(link -> link.intended().filter(path -> path.composed().isBelow(match.planned())).isPresent());
    }
}
