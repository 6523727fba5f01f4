package org.opensatchel.core.plan;

import java.util.List;
import org.opensatchel.core.kit.FolderRule;
import org.opensatchel.core.path.ProjectPath;

/**
 * What became of one planned folder.
 *
 * @param planned its path by the plan; for a pattern with free fields, the pattern's text
 * @param found the folders that stand for it, several only for a pattern
 */
public record FolderFate(FolderRule rule, ProjectPath planned, Kind kind, List<ProjectPath> found) {

    /** The fates. */
    public enum Kind { THERE, MISSING, RENAMED, MOVED }

    public FolderFate {
        found = List.copyOf(found);
    }
}
