package org.opensatchel.core.check.rule;

import java.util.Optional;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.finding.Cause;
import org.opensatchel.core.kit.FolderRule;
import org.opensatchel.core.match.PlanMatch;
import org.opensatchel.core.match.PlannedFolder;
import org.opensatchel.core.match.PlannedRole;

/** What the checks of documents and required files say alike. */
final class Roles {

    private Roles() {
    }

    /** The cause a missing or misplaced file of a role is. */
    static Cause cause(PlannedRole role) {
        return new Cause(role.document() ? Cause.Kind.DOCUMENT : Cause.Kind.FILE, role.in().child(role.role()));
    }

    /** The cause one misplaced file of a role is, for what its own links break by. */
    static Cause misplaced(ProjectPath found) {
        return new Cause(Cause.Kind.DOCUMENT, found);
    }

    /** The folder's own match, when that explains why nothing is in it. */
    static Optional<Cause> folderCause(PlanMatch plan, ProjectPath path) {
        return plan.brokenFolder(path).filter(match -> match.kind() == PlannedFolder.Kind.MISSING)
                .map(match -> new Cause(Cause.Kind.FOLDER, match.planned()));
    }

    /** What the role's files are called: the name the kit makes, or one like it where something in it is free; the first ending. */
    static String expectedName(PlannedRole role, PlanEvidence evidence) {
        String ending = role.types().isEmpty() ? "" : "." + role.types().get(0);
        boolean ascii = evidence.kit().orElseThrow().ascii();
        return role.name().make(evidence.fields(), ascii).or(() -> role.name().shortest(evidence.fields(), ascii, false))
                .orElse(role.name().text()) + ending;
    }

    /** Where the role's files belong; absent for the project folder itself. */
    static Optional<ProjectPath> place(PlannedRole role) {
        return Optional.of(role.in()).filter(folder -> !folder.isRoot());
    }

    /** What the kit says a folder is for, where it says so. */
    static Optional<String> purpose(FolderRule rule) {
        return Optional.of(rule.purpose().strip()).filter(text -> !text.isEmpty());
    }
}
