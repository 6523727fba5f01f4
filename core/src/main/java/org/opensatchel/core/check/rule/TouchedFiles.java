package org.opensatchel.core.check.rule;

import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.HOW;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.finding.Candidate;
import org.opensatchel.core.finding.Cause;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.finding.Reason;
import org.opensatchel.core.match.PlanMatch;
import org.opensatchel.core.match.TouchedFile;

/** Files of sealed folders that an earlier hand-in had under another name, with another content, or at all. */
final class TouchedFiles implements Rule<PlanEvidence> {

    @Override
    public Class<PlanEvidence> needs() {
        return PlanEvidence.class;
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.STRUCTURE_SEALED_TOUCHED);
    }

    @Override
    public List<Finding> judge(PlanEvidence evidence) {
        return evidence.plan().map(plan -> plan.touched().stream().map(file -> finding(plan, file)).toList()).orElse(List.of());
    }

    private static Finding finding(PlanMatch plan, TouchedFile file) {
        boolean renamed = file.kind() == TouchedFile.Kind.RENAMED;
        ProjectPath path = file.found().orElse(file.path());
        return Finding.of(Code.STRUCTURE_SEALED_TOUCHED).path(path).explains(new Cause(Cause.Kind.STARTER, file.path()))
                .causedBy(file.kind() == TouchedFile.Kind.GONE ? Roles.folderCause(plan, file.path()) : Optional.empty())
                .proposal(renamed ? Optional.of(new Candidate(file.path(), Reason.PLANNED, 0.95)) : Optional.empty())
                .fact(HOW, file.kind().name().toLowerCase(Locale.ROOT)).fact(FOUND, renamed ? Optional.of(file.path()) : Optional.empty())
                .make();
    }
}
