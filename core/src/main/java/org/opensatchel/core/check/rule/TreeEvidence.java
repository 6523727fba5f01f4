package org.opensatchel.core.check.rule;

import java.util.Map;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.project.ProjectTree;

/** What is there. */
public interface TreeEvidence {

    ProjectTree tree();

    /** Whether a program keeps this by itself, so that nobody judges it. */
    boolean isManaged(ProjectPath path);

    /** Files that machines which the kit requires cannot hold, in the order of their paths. */
    Map<ProjectPath, RefusedFile> refused();
}
