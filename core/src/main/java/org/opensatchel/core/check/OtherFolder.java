package org.opensatchel.core.check;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.opensatchel.core.finding.Advice;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.path.ProjectPath;
import org.opensatchel.core.plan.PlanMatch;

/** A folder nobody planned; one inside another is told with it. */
final class OtherFolder implements Check {

    private static final Advice ADVICE = Advice.of("A folder nobody planned", "Others do not know what it holds, and whether it is needed.",
            "Move its files to the planned folders they belong to, and link them again.", "Delete the folder, or ask whether it may stay.");

    @Override
    public Map<Code, Advice> catalogue() {
        return Map.of(Code.STRUCTURE_FOLDER_OTHER, ADVICE);
    }

    @Override
    public List<Finding> judge(Evidence evidence) {
        if (evidence.plan().isEmpty() || evidence.kit().orElseThrow().folders().isEmpty()) {
            return List.of();
        }
        List<Finding> out = new ArrayList<>();
        for (ProjectPath folder : others(evidence)) {
            int files = evidence.tree().filesBelow(folder).size();
            out.add(Finding.of(Code.STRUCTURE_FOLDER_OTHER, ADVICE).path(folder)
                    .saying("The folder “" + folder + "” is not in the plan" + (files == 0 ? ", and it is empty." : files == 1 ? ". It holds 1 file." : ". It holds " + files + " files.")));
        }
        return out;
    }

    /** The topmost unplanned folders. */
    static List<ProjectPath> others(Evidence evidence) {
        PlanMatch plan = evidence.plan().orElseThrow();
        Set<ProjectPath> out = new LinkedHashSet<>();
        for (ProjectPath folder : evidence.tree().folders()) {
            boolean known = folder.text().startsWith("..") || plan.rule(folder).isPresent() || plan.isOnTheWay(folder) || plan.isSetApart(folder);
            // Folders come in the order of their paths: the one around comes first.
            if (!known && !liesIn(out, folder)) {
                out.add(folder);
            }
        }
        return List.copyOf(out);
    }

    private static boolean liesIn(Set<ProjectPath> folders, ProjectPath folder) {
        for (ProjectPath above = folder.parent(); !above.isRoot(); above = above.parent()) {
            if (folders.contains(above)) {
                return true;
            }
        }
        return false;
    }
}
