package org.opensatchel.core.match;

import java.util.Optional;
import org.opensatchel.base.path.ProjectPath;

/**
 * A file of a sealed folder that is not what it was in an earlier hand-in.
 *
 * @param path where it was, by the plan
 * @param found where it is now, for a changed or renamed one
 */
public record TouchedFile(ProjectPath path, Kind kind, Optional<ProjectPath> found) {

    /** What became of it. */
    public enum Kind {
        CHANGED, RENAMED, GONE
    }
}
