package org.opensatchel.core.check.rule;

import static org.opensatchel.base.fact.FactName.PURPOSE;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.kit.Need;
import org.opensatchel.core.match.PlannedFolder;

/** Where the kit says that a program keeps its automatic saves, and none is there: it was switched off, or saves elsewhere. */
final class MissingAutosave implements Rule<PlanEvidence> {

    @Override
    public Class<PlanEvidence> needs() {
        return PlanEvidence.class;
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.HABIT_AUTOSAVE_MISSING);
    }

    @Override
    public List<Finding> judge(PlanEvidence evidence) {
        return evidence.plan().stream().flatMap(plan -> plan.folders().stream())
                .filter(folder -> folder.rule().autosave() && folder.rule().need() != Need.FORBIDDEN)
                // A folder that has to be there and is not is told as that.
                .filter(folder -> !(folder.rule().need() == Need.REQUIRED && folder.found().isEmpty()))
                .filter(folder -> folder.found().stream().allMatch(found -> isEmpty(evidence, found)))
                .map(MissingAutosave::finding).toList();
    }

    private static boolean isEmpty(PlanEvidence evidence, ProjectPath folder) {
        return evidence.tree().filesBelow(folder).stream().allMatch(file -> file.path().name().startsWith("."));
    }

    private static Finding finding(PlannedFolder folder) {
        return Finding.of(Code.HABIT_AUTOSAVE_MISSING).path(folder.planned())
                .fact(PURPOSE, Optional.of(folder.rule().purpose()).filter(purpose -> !purpose.isBlank())).make();
    }
}
