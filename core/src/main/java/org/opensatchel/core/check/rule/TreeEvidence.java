package org.opensatchel.core.check.rule;

import org.opensatchel.core.path.ProjectPath;
import org.opensatchel.core.project.ProjectTree;

/** What is there. */
public interface TreeEvidence {

    ProjectTree tree();

    /** Whether a program keeps this by itself, so that nobody judges it. */
    boolean isManaged(ProjectPath path);
}
