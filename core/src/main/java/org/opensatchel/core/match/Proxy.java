package org.opensatchel.core.match;

import java.util.Optional;
import org.opensatchel.base.path.ProjectPath;

/**
 * A stand-in of lower resolution, with the original it belongs to.
 *
 * @param wanted the original's name without its ending
 * @param original absent where no file bears that name
 * @param fit whether the two are the same but for their size
 */
public record Proxy(ProjectPath path, String wanted, Optional<ProjectPath> original, Fit fit) {

    /** How a stand-in and its original go together. */
    public enum Fit {
        SAME,
        /** No original is there. */
        ALONE,
        /** One is longer than the other. */
        LENGTH,
        /** They have not as many pictures a second. */
        RATE
    }

    /** Whether it can be made again: its original is there, and is what it was made of. */
    public boolean isMadeOfOriginal() {
        return fit == Fit.SAME;
    }
}
