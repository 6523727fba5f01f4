package org.opensatchel.core.check.rule;

import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.PURPOSE;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.Need;

/** A folder that has to lie beside the project, and does not. Of files that lie loose nobody knows what lay beside them. */
final class MissingCompanion implements Rule<PlanEvidence> {

    @Override
    public Class<PlanEvidence> needs() {
        return PlanEvidence.class;
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.STRUCTURE_COMPANION_MISSING);
    }

    @Override
    public List<Finding> judge(PlanEvidence evidence) {
        if (evidence.tree().rootName().isEmpty()) {
            return List.of();
        }
        return evidence.kit().map(Kit::companions).orElse(List.of()).stream().filter(companion -> companion.need() == Need.REQUIRED)
                .filter(companion -> !evidence.tree().isFolder(ProjectPath.of("../" + companion.name())))
                .map(companion -> Finding.of(Code.STRUCTURE_COMPANION_MISSING).fact(FOUND, companion.name())
                        .fact(PURPOSE, Optional.of(companion.purpose().strip()).filter(text -> !text.isEmpty())).make())
                .toList();
    }
}
