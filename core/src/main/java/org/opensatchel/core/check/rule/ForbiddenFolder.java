package org.opensatchel.core.check.rule;

import static org.opensatchel.base.fact.FactName.PURPOSE;

import java.util.List;
import java.util.Set;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.kit.Need;
import org.opensatchel.core.match.PlanMatch;

/** A folder the kit forbids. */
final class ForbiddenFolder implements Rule<PlanEvidence> {

    @Override
    public Class<PlanEvidence> needs() {
        return PlanEvidence.class;
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.STRUCTURE_FOLDER_FORBIDDEN);
    }

    @Override
    public List<Finding> judge(PlanEvidence evidence) {
        return evidence.plan().map(PlanMatch::folders).orElse(List.of()).stream()
                .filter(match -> match.rule().need() == Need.FORBIDDEN)
                .flatMap(match -> match.found().stream().map(found -> Finding.of(Code.STRUCTURE_FOLDER_FORBIDDEN).path(found)
                        .fact(PURPOSE, Roles.purpose(match.rule())).make()))
                .toList();
    }
}
