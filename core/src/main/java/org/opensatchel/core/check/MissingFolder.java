package org.opensatchel.core.check;

import java.util.List;
import java.util.Map;
import org.opensatchel.core.finding.Advice;
import org.opensatchel.core.finding.Cause;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.kit.Need;
import org.opensatchel.core.plan.FolderFate;
import org.opensatchel.core.plan.PlanMatch;

/** A required folder that is not there, under no other name and in no other place. */
final class MissingFolder implements Check {

    private static final Advice ADVICE = Advice.of("A planned folder is missing", "Everyone who opens the project looks for its files in this place.",
            "Make the folder in the project, with exactly this name.", "Put into it what belongs there, and link it from there.");

    @Override
    public Map<Code, Advice> catalogue() {
        return Map.of(Code.STRUCTURE_FOLDER_MISSING, ADVICE);
    }

    @Override
    public List<Finding> judge(Evidence evidence) {
        return evidence.plan().map(PlanMatch::folders).orElse(List.of()).stream()
                .filter(fate -> fate.kind() == FolderFate.Kind.MISSING && fate.rule().need() == Need.REQUIRED)
                .filter(fate -> !isInsideMissing(evidence.plan().orElseThrow(), fate))
                .map(fate -> Finding.of(Code.STRUCTURE_FOLDER_MISSING, ADVICE).path(fate.planned()).explains(new Cause(Cause.Kind.FOLDER, fate.planned()))
                        .saying("The folder “" + fate.planned() + "” is missing" + (fate.rule().purpose().isBlank() ? "." : " (" + fate.rule().purpose().strip() + ").")))
                .toList();
    }

    /** A folder inside a missing one is told with it. */
    private static boolean isInsideMissing(PlanMatch plan, FolderFate fate) {
        return plan.folders().stream().anyMatch(other -> other.kind() == FolderFate.Kind.MISSING && other.rule().need() == Need.REQUIRED && fate.planned().isBelow(other.planned()));
    }
}
