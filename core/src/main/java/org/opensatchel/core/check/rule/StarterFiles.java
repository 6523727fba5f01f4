package org.opensatchel.core.check.rule;

import static org.opensatchel.base.fact.FactName.EXPECTED;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.finding.Candidate;
import org.opensatchel.core.finding.Cause;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.finding.Reason;
import org.opensatchel.core.kit.Kit.StarterFile.Treat;
import org.opensatchel.core.match.PlanMatch;
import org.opensatchel.core.match.PlannedStarter;

/** What became of the files that came with the kit, told by their content. */
final class StarterFiles implements Rule<PlanEvidence> {

    @Override
    public Class<PlanEvidence> needs() {
        return PlanEvidence.class;
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.ASSET_STARTER_MISSING, Code.ASSET_STARTER_CHANGED, Code.ASSET_STARTER_RENAMED, Code.ASSET_STARTER_MOVED);
    }

    @Override
    public List<Finding> judge(PlanEvidence evidence) {
        List<Finding> out = new ArrayList<>();
        for (PlannedStarter starter : evidence.plan().map(PlanMatch::starters).orElse(List.of())) {
            boolean judged = starter.kind() != PlannedStarter.Kind.AS_IT_WAS && starter.file().treat() != Treat.FREE;
            if (judged) {
                out.add(finding(evidence, starter));
            }
        }
        return out;
    }

    private static Finding finding(PlanEvidence evidence, PlannedStarter starter) {
        ProjectPath planned = starter.file().path();
        ProjectPath found = starter.found().orElse(planned);
        Code code = switch (starter.kind()) {
            case CHANGED -> Code.ASSET_STARTER_CHANGED;
            case RENAMED -> Code.ASSET_STARTER_RENAMED;
            case MOVED -> Code.ASSET_STARTER_MOVED;
            default -> Code.ASSET_STARTER_MISSING;
        };
        boolean elsewhere = starter.kind() == PlannedStarter.Kind.RENAMED || starter.kind() == PlannedStarter.Kind.MOVED;
        return Finding.of(code).path(found).explains(new Cause(Cause.Kind.STARTER, planned)).explains(new Cause(Cause.Kind.NAME, found))
                .causedBy(starter.kind() == PlannedStarter.Kind.MISSING
                        ? Roles.folderCause(evidence.plan().orElseThrow(), planned).or(() -> shortcut(evidence, planned))
                        : Optional.empty())
                .proposal(elsewhere ? Optional.of(new Candidate(planned, Reason.PLANNED, 0.95)) : Optional.empty()).facts(facts(starter))
                .make();
    }

    private static Facts facts(PlannedStarter starter) {
        return switch (starter.kind()) {
            case RENAMED -> Facts.of(EXPECTED, starter.file().path().name());
            case MOVED -> Facts.of(EXPECTED, starter.file().path());
            default -> Facts.NONE;
        };
    }

    private static Optional<Cause> shortcut(PlanEvidence evidence, ProjectPath planned) {
        return evidence.standIns().at(planned).map(path -> new Cause(Cause.Kind.SHORTCUT, path));
    }
}
