package org.opensatchel.core.check;

import java.util.List;
import java.util.Map;
import java.util.Optional;
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
        return evidence.plan().map(MissingFolder::missing).orElse(List.of());
    }

    private static List<Finding> missing(PlanMatch plan) {
        return plan.folders().stream()
                .filter(fate -> fate.kind() == FolderFate.Kind.MISSING && fate.rule().need() == Need.REQUIRED)
                .filter(fate -> !isInsideMissing(plan, fate))
                .map(fate -> Finding.of(Code.STRUCTURE_FOLDER_MISSING, ADVICE).path(fate.planned()).explains(new Cause(Cause.Kind.FOLDER, fate.planned())).causedBy(emptied(plan, fate))
                        .saying("The folder “" + fate.planned() + "” is missing" + (fate.rule().purpose().isBlank() ? "." : " (" + fate.rule().purpose().strip() + ").")))
                .toList();
    }

    /** The document that lies in another place, where nothing else had to be in the folder: packers leave out what is empty. */
    private static Optional<Cause> emptied(PlanMatch plan, FolderFate fate) {
        return fate.rule().atLeast() > 0 ? Optional.empty() : plan.roles().stream().filter(role -> role.document() && role.in().equals(fate.planned()))
                .flatMap(role -> role.misplaced().stream()).findFirst().map(Roles::misplaced);
    }

    /** A folder inside a missing one is told with it. */
    private static boolean isInsideMissing(PlanMatch plan, FolderFate fate) {
        return plan.folders().stream().anyMatch(other -> other.kind() == FolderFate.Kind.MISSING && other.rule().need() == Need.REQUIRED && fate.planned().isBelow(other.planned()));
    }
}
