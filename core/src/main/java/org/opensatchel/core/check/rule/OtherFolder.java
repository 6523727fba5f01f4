package org.opensatchel.core.check.rule;

import static org.opensatchel.base.fact.FactName.COUNT;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.match.PlanMatch;

/** A folder nobody planned; one inside another is told with it. */
final class OtherFolder implements Rule<PlanEvidence> {

    @Override
    public Class<PlanEvidence> needs() {
        return PlanEvidence.class;
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.STRUCTURE_FOLDER_OTHER);
    }

    @Override
    public List<Finding> judge(PlanEvidence evidence) {
        if (evidence.plan().isEmpty() || evidence.kit().orElseThrow().folders().isEmpty()) {
            return List.of();
        }
        List<Finding> out = new ArrayList<>();
        for (ProjectPath folder : others(evidence)) {
            int files = evidence.tree().filesBelow(folder).size();
            out.add(Finding.of(Code.STRUCTURE_FOLDER_OTHER).path(folder).fact(COUNT, files).make());
        }
        return out;
    }

    /** The topmost unplanned folders. */
    static List<ProjectPath> others(PlanEvidence evidence) {
        PlanMatch plan = evidence.plan().orElseThrow();
        Set<ProjectPath> out = new LinkedHashSet<>();
        for (ProjectPath folder : evidence.tree().folders()) {
            boolean known = folder.isBesideRoot() || plan.rule(folder).isPresent() || plan.isOnTheWay(folder) || plan.isSetApart(folder);
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
