package org.opensatchel.core.match;

import java.util.Optional;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.kit.Kit.StarterFile;

/**
 * What became of one file that came with the kit.
 *
 * @param found where it is now, for a changed, renamed or moved one
 */
public record PlannedStarter(StarterFile file, Kind kind, Optional<ProjectPath> found) {

    /** What became of it. */
    public enum Kind {
        AS_IT_WAS, MISSING, CHANGED, RENAMED, MOVED
    }
}
