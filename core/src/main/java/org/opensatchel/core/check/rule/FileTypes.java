package org.opensatchel.core.check.rule;

import static org.opensatchel.base.fact.FactName.OTHERS;
import static org.opensatchel.base.fact.FactName.PLACE;
import static org.opensatchel.base.fact.FactName.TYPE;
import static org.opensatchel.base.fact.FactName.TYPES;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.finding.Cause;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.kit.FolderRule;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.Need;
import org.opensatchel.core.match.PlanMatch;
import org.opensatchel.core.project.ProjectFile;
import org.opensatchel.formats.kind.TypeNames;

/** Files in folders that do not take their type, and files in the root that nobody planned there. */
final class FileTypes implements Rule<PlanEvidence> {

    @Override
    public Class<PlanEvidence> needs() {
        return PlanEvidence.class;
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.STRUCTURE_FILE_MISPLACED, Code.ASSET_TYPE_NOT_ACCEPTED);
    }

    @Override
    public List<Finding> judge(PlanEvidence evidence) {
        if (evidence.plan().isEmpty() || evidence.kit().orElseThrow().folders().isEmpty()) {
            return List.of();
        }
        PlanMatch plan = evidence.plan().get();
        List<Finding> out = new ArrayList<>();
        for (ProjectFile file : evidence.tree().ownFiles()) {
            ProjectPath path = file.path();
            boolean exempt = plan.isPlannedFile(path) || plan.isManaged(path) || path.name().startsWith(".")
                    || evidence.isShortcut(path);
            if (!exempt) {
                judge(evidence, plan, path).ifPresent(out::add);
            }
        }
        return out;
    }

    private static Optional<Finding> judge(PlanEvidence evidence, PlanMatch plan, ProjectPath path) {
        Optional<FolderRule> rule = plan.rule(path.parent());
        if (path.parent().isRoot()) {
            boolean allowed = evidence.kit().orElseThrow().rootFiles().stream()
                    .anyMatch(file -> (file.types().isEmpty() || TypeNames.contains(file.types(), path.extension()))
                            && file.name().test(path.stem(), evidence.fields(), evidence.kit().orElseThrow().ascii()).fits());
            return allowed ? Optional.empty() : Optional.of(finding(evidence, path));
        }
        if (rule.isEmpty() || rule.get().takes(path.extension()) || rule.get().need() == Need.FORBIDDEN || isRoleType(plan, path)) {
            return Optional.empty();
        }
        if (!homes(evidence, path).isEmpty()) {
            return Optional.of(finding(evidence, path));
        }
        return Optional.of(Finding.of(Code.ASSET_TYPE_NOT_ACCEPTED).path(path).fact(TYPES, rule.get().accepts())
                .fact(TYPE, Optional.of(path.extension()).filter(type -> !type.isEmpty())).make());
    }

    /** A document or file rule for the folder speaks for its types too. */
    private static boolean isRoleType(PlanMatch plan, ProjectPath path) {
        return plan.roles().stream()
                .anyMatch(role -> role.in().equals(plan.canonical(path).parent()) && !role.types().isEmpty() && role.takes(path));
    }

    private static Finding finding(PlanEvidence evidence, ProjectPath path) {
        List<String> homes = homes(evidence, path);
        Finding.Builder finding = Finding.of(Code.STRUCTURE_FILE_MISPLACED).path(path).causedBy(new Cause(Cause.Kind.SHORTCUT, path))
                .fact(PLACE, homes.stream().findFirst());
        return (homes.size() > 1 ? finding.fact(OTHERS, homes) : finding).make();
    }

    /**
     * The planned folders that take this type by name, as they could be called for this student; nothing is sent into one that nobody may
     * touch.
     */
    private static List<String> homes(PlanEvidence evidence, ProjectPath path) {
        Kit kit = evidence.kit().orElseThrow();
        return kit.folders().stream()
                .filter(rule -> rule.need() != Need.FORBIDDEN && !rule.managed() && !rule.sealed() && rule.asksFor(path.extension()))
                .map(rule -> rule.path().example(evidence.fields(), kit.ascii())).distinct().toList();
    }
}
