package org.opensatchel.core.check.rule;

import static org.opensatchel.base.fact.FactName.PURPOSE;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.opensatchel.core.finding.Cause;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.kit.Need;
import org.opensatchel.core.match.PlanMatch;
import org.opensatchel.core.match.PlannedFolder;

/** A required folder that is not there, under no other name and in no other place; not where one without files would not be seen. */
final class MissingFolder implements Rule<PlanEvidence> {

    @Override
    public Class<PlanEvidence> needs() {
        return PlanEvidence.class;
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.STRUCTURE_FOLDER_MISSING);
    }

    @Override
    public List<Finding> judge(PlanEvidence evidence) {
        return evidence.plan().filter(plan -> evidence.tree().seesEmpty()).map(MissingFolder::missing).orElse(List.of());
    }

    private static List<Finding> missing(PlanMatch plan) {
        return plan.folders().stream()
                .filter(match -> match.kind() == PlannedFolder.Kind.MISSING && match.rule().need() == Need.REQUIRED
                        && !match.rule().managed())
                .filter(match -> !isInsideMissing(plan, match))
                .map(match -> Finding.of(Code.STRUCTURE_FOLDER_MISSING).path(match.planned())
                        .explains(new Cause(Cause.Kind.FOLDER, match.planned())).causedBy(emptied(plan, match))
                        .fact(PURPOSE, Roles.purpose(match.rule())).make())
                .toList();
    }

    /** The document that lies in another place, where nothing else had to be in the folder: packers leave out what is empty. */
    private static Optional<Cause> emptied(PlanMatch plan, PlannedFolder match) {
        return match.rule().atLeast() > 0 ? Optional.empty()
                : plan.roles().stream().filter(role -> role.document() && role.in().equals(match.planned()))
                        .flatMap(role -> role.misplaced().stream()).findFirst().map(Roles::misplaced);
    }

    /** A folder inside a missing one is told with it. */
    static boolean isInsideMissing(PlanMatch plan, PlannedFolder match) {
        return plan.folders().stream().anyMatch(other -> other.kind() == PlannedFolder.Kind.MISSING && other.rule().need() == Need.REQUIRED
                && match.planned().isBelow(other.planned()));
    }
}
