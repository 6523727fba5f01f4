package org.opensatchel.core.check.rule;

import static org.opensatchel.base.fact.FactName.RANGES;
import static org.opensatchel.base.fact.FactName.ROLE;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.match.PlanMatch;
import org.opensatchel.core.match.PlannedRole;

/** Versions of one document of which some in between are not there; told at the newest. */
final class VersionGaps implements Rule<PlanEvidence> {

    @Override
    public Class<PlanEvidence> needs() {
        return PlanEvidence.class;
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.NAME_VERSION_GAP);
    }

    @Override
    public List<Finding> judge(PlanEvidence evidence) {
        List<Finding> out = new ArrayList<>();
        for (PlannedRole role : evidence.plan().map(PlanMatch::roles).orElse(List.of())) {
            // The same name but for its version, with the same ending, is one document.
            Map<String, TreeMap<Long, ProjectPath>> documents = new TreeMap<>();
            for (ProjectPath path : role.fitting()) {
                role.name().version(path.stem(), evidence.fields(), evidence.kit().orElseThrow().ascii())
                        .ifPresent(version -> documents.computeIfAbsent(version.rest() + "." + path.extension(), key -> new TreeMap<>())
                                .put(version.number(), path));
            }
            documents.values().forEach(versions -> gaps(role, versions, out));
        }
        return out;
    }

    private static void gaps(PlannedRole role, TreeMap<Long, ProjectPath> versions, List<Finding> out) {
        List<String> ranges = Gaps.between(versions.navigableKeySet(), 1);
        if (!ranges.isEmpty()) {
            out.add(Finding.of(Code.NAME_VERSION_GAP).path(versions.lastEntry().getValue()).fact(ROLE, role.role()).fact(RANGES, ranges)
                    .make());
        }
    }
}
