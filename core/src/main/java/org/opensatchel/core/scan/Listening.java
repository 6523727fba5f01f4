package org.opensatchel.core.scan;

import org.opensatchel.base.path.ProjectPath;

/** Which sounds are measured, and how: that takes reading all of them. */
public interface Listening {

    /** What is measured of a sound. */
    enum To {
        NOTHING, PEAKS, LOUDNESS
    }

    Listening NONE = path -> To.NOTHING;

    To at(ProjectPath path);
}
