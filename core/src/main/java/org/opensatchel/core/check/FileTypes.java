package org.opensatchel.core.check;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.core.finding.Advice;
import org.opensatchel.core.finding.Cause;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.kit.FolderRule;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.Need;
import org.opensatchel.core.path.ProjectPath;
import org.opensatchel.core.plan.PlanMatch;
import org.opensatchel.core.project.ProjectFile;

/** Files in folders that do not take their type, and files in the root that nobody planned there. */
final class FileTypes implements Check {

    private static final Advice MISPLACED = Advice.of("A file lies in the wrong folder", "Whoever looks for it looks where its kind belongs.",
            "Move it to the folder named here.", "Link it from there in your document, and save.");
    private static final Advice NOT_ACCEPTED = Advice.of("A folder does not take this type", "The assignment names the types that belong here; other programs may not open this one.",
            "Save or convert the file to one of the types the folder takes.", "Link the new file, save, and remove the old one.");

    @Override
    public Map<Code, Advice> catalogue() {
        return Map.of(Code.STRUCTURE_FILE_MISPLACED, MISPLACED, Code.ASSET_TYPE_NOT_ACCEPTED, NOT_ACCEPTED);
    }

    @Override
    public List<Finding> judge(Evidence evidence) {
        if (evidence.plan().isEmpty() || evidence.kit().orElseThrow().folders().isEmpty()) {
            return List.of();
        }
        PlanMatch plan = evidence.plan().get();
        List<Finding> out = new ArrayList<>();
        for (ProjectFile file : evidence.tree().ownFiles()) {
            ProjectPath path = file.path();
            boolean exempt = plan.isPlannedFile(path) || plan.isManaged(path) || path.name().startsWith(".")
                    || evidence.scan().facts(path).shortcut();
            if (!exempt) {
                judge(evidence, plan, path).ifPresent(out::add);
            }
        }
        return out;
    }

    private static Optional<Finding> judge(Evidence evidence, PlanMatch plan, ProjectPath path) {
        Optional<FolderRule> rule = plan.rule(path.parent());
        if (path.parent().isRoot()) {
            return Optional.of(finding(evidence, path, "“" + path + "” lies in the project folder itself, where nothing but what is planned belongs."));
        }
        if (rule.isEmpty() || rule.get().takes(path.extension()) || rule.get().need() == Need.FORBIDDEN || isRoleType(plan, path)) {
            return Optional.empty();
        }
        if (home(evidence, path).isPresent()) {
            return Optional.of(finding(evidence, path, "“" + path + "” does not belong in “" + path.parent() + "”."));
        }
        return Optional.of(Finding.of(Code.ASSET_TYPE_NOT_ACCEPTED, NOT_ACCEPTED).path(path).saying("“" + path.parent() + "” takes " + String.join(", ", rule.get().accepts())
                + "; “" + path.name() + "” is " + (path.extension().isEmpty() ? "of no known type" : "a ." + path.extension()) + "."));
    }

    /** A document or file rule for the folder speaks for its types too. */
    private static boolean isRoleType(PlanMatch plan, ProjectPath path) {
        return plan.roles().stream().anyMatch(role -> role.in().equals(plan.canonical(path).parent()) && role.types().contains(path.extension()));
    }

    private static Finding finding(Evidence evidence, ProjectPath path, String message) {
        Optional<String> home = home(evidence, path);
        String where = home.map(folder -> " Files of its type belong in “" + folder + "”.").orElse("");
        return Finding.of(Code.STRUCTURE_FILE_MISPLACED, MISPLACED).path(path).causedBy(new Cause(Cause.Kind.SHORTCUT, path)).saying(message + where);
    }

    /** The planned folder that takes this type by name. */
    private static Optional<String> home(Evidence evidence, ProjectPath path) {
        Kit kit = evidence.kit().orElseThrow();
        return kit.folders().stream().filter(rule -> rule.need() != Need.FORBIDDEN && !rule.managed() && rule.accepts().contains(path.extension()))
                .map(rule -> rule.path().text()).findFirst();
    }
}
