package org.opensatchel.core.check.rule;

import static org.opensatchel.base.fact.FactName.EXPECTED;
import static org.opensatchel.base.fact.FactName.HOW;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.finding.Candidate;
import org.opensatchel.core.finding.Cause;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.finding.Reason;
import org.opensatchel.core.match.PlanMatch;
import org.opensatchel.core.match.PlannedFolder;

/** A planned folder that is there under another name, or in another place. */
final class MisnamedFolder implements Rule<PlanEvidence> {

    @Override
    public Class<PlanEvidence> needs() {
        return PlanEvidence.class;
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.STRUCTURE_FOLDER_RENAMED, Code.STRUCTURE_FOLDER_MOVED);
    }

    @Override
    public List<Finding> judge(PlanEvidence evidence) {
        Stream<Finding> byLinks = evidence.became().entrySet().stream().sorted(Map.Entry.comparingByKey())
                .map(folder -> byLinks(folder.getKey(), folder.getValue()));
        return Stream.concat(byLinks, evidence.plan().map(PlanMatch::folders).orElse(List.of()).stream()
                .filter(match -> match.kind() == PlannedFolder.Kind.RENAMED || match.kind() == PlannedFolder.Kind.MOVED)
                .map(MisnamedFolder::finding)).toList();
    }

    private static Finding byLinks(ProjectPath wanted, ProjectPath found) {
        boolean renamed = wanted.parent().equals(found.parent());
        return Finding.of(renamed ? Code.STRUCTURE_FOLDER_RENAMED : Code.STRUCTURE_FOLDER_MOVED).path(found)
                .explains(new Cause(Cause.Kind.FOLDER, wanted)).fact(HOW, "links")
                .proposal(Optional.of(new Candidate(wanted, Reason.PLANNED, 0.9)))
                .fact(EXPECTED, renamed ? wanted.name() : wanted.text()).make();
    }

    private static Finding finding(PlannedFolder match) {
        boolean renamed = match.kind() == PlannedFolder.Kind.RENAMED;
        ProjectPath found = match.found().get(0);
        return Finding.of(renamed ? Code.STRUCTURE_FOLDER_RENAMED : Code.STRUCTURE_FOLDER_MOVED).path(found)
                .explains(new Cause(Cause.Kind.FOLDER, match.planned())).explains(new Cause(Cause.Kind.NAME, found))
                .proposal(Optional.of(new Candidate(match.planned(), Reason.PLANNED, 0.9)))
                .fact(EXPECTED, renamed ? match.planned().name() : match.planned().text()).make();
    }
}
