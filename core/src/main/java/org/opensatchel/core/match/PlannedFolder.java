package org.opensatchel.core.match;

import java.util.List;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.kit.FolderRule;

/**
 * One planned folder and what stands for it.
 *
 * @param planned its path by the plan; for a pattern with free fields, the pattern's text
 * @param found the folders that stand for it, several only for a pattern
 */
public record PlannedFolder(FolderRule rule, ProjectPath planned, Kind kind, List<ProjectPath> found) {

    /** The matches. */
    public enum Kind {
        THERE, MISSING, RENAMED, MOVED
    }

    public PlannedFolder {
        found = List.copyOf(found);
    }
}
