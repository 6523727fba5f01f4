package org.opensatchel.core.check;

import java.util.Optional;
import org.opensatchel.core.finding.Cause;
import org.opensatchel.core.path.ProjectPath;
import org.opensatchel.core.plan.FolderFate;
import org.opensatchel.core.plan.PlanMatch;
import org.opensatchel.core.plan.RoleFate;

/** What the checks of documents and required files say alike. */
final class Roles {

    private Roles() {
    }

    /** The cause a missing or misplaced file of a role is. */
    static Cause cause(RoleFate role) {
        return new Cause(role.document() ? Cause.Kind.DOCUMENT : Cause.Kind.FILE, role.in().child(role.role()));
    }

    /** The cause one misplaced file of a role is, for what its own links break by. */
    static Cause misplaced(ProjectPath found) {
        return new Cause(Cause.Kind.DOCUMENT, found);
    }

    /** The folder's own fate, when that explains why nothing is in it. */
    static Optional<Cause> folderCause(PlanMatch plan, ProjectPath path) {
        return plan.brokenFolder(path).filter(fate -> fate.kind() == FolderFate.Kind.MISSING).map(fate -> new Cause(Cause.Kind.FOLDER, fate.planned()));
    }

    /** What the role's files are called, for sentences: the pattern with its first ending. */
    static String expectedName(RoleFate role, Evidence evidence) {
        String ending = role.types().isEmpty() ? "" : "." + role.types().get(0);
        return role.name().make(evidence.fields(), evidence.kit().orElseThrow().ascii()).orElse(role.name().text()) + ending;
    }

    static String place(ProjectPath folder) {
        return folder.isRoot() ? "the project folder itself" : "“" + folder + "”";
    }
}
