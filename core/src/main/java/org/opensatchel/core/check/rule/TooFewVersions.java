package org.opensatchel.core.check.rule;

import static org.opensatchel.base.fact.FactName.COUNT;
import static org.opensatchel.base.fact.FactName.LEAST;
import static org.opensatchel.base.fact.FactName.ROLE;

import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.kit.Need;
import org.opensatchel.core.match.PlanMatch;
import org.opensatchel.core.match.PlannedRole;

/** A document of which fewer versions were kept than the kit asks for; one that is not there at all is told as that. */
final class TooFewVersions implements Rule<PlanEvidence> {

    @Override
    public Class<PlanEvidence> needs() {
        return PlanEvidence.class;
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.HABIT_VERSIONS_TOO_FEW);
    }

    @Override
    public List<Finding> judge(PlanEvidence evidence) {
        return evidence.plan().map(PlanMatch::roles).orElse(List.of()).stream()
                .filter(role -> role.document() && role.need() != Need.FORBIDDEN && role.isFilled() && kept(role) < role.versions())
                .map(role -> Finding.of(Code.HABIT_VERSIONS_TOO_FEW).path(role.in())
                        .fact(ROLE, role.role()).fact(COUNT, kept(role)).fact(LEAST, role.versions()).make())
                .toList();
    }

    /** Every one counts, also under a wrong name or in a wrong place, which is told by itself. */
    private static int kept(PlannedRole role) {
        return (int) Stream.of(role.fitting(), role.misnamed(), role.misplaced(), role.otherType()).flatMap(List<ProjectPath>::stream)
                .count();
    }
}
