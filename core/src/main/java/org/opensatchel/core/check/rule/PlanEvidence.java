package org.opensatchel.core.check.rule;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.Marker;
import org.opensatchel.core.match.PlanMatch;
import org.opensatchel.core.naming.RosterFields;

/** What is there, held against what was planned. */
public interface PlanEvidence extends TreeEvidence {

    Optional<Kit> kit();

    /** Absent where there is no kit. */
    Optional<PlanMatch> plan();

    /** Whose project it should be. */
    RosterFields fields();

    /** The same without what only the project's own marker says. */
    RosterFields given();

    /** Everybody's fields, for telling whose name another name is; may be empty. */
    List<RosterFields> roster();

    Marker marker();

    /** A later version of the kit than the one it is held against. */
    Optional<Kit> newer();

    /** Whether a file is only a shortcut to another. */
    boolean isShortcut(ProjectPath path);

    /** Without a plan: the folders that some which links look for became. */
    Map<ProjectPath, ProjectPath> became();

    StandIns standIns();
}
