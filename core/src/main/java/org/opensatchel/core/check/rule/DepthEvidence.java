package org.opensatchel.core.check.rule;

import java.util.Map;
import org.opensatchel.base.path.ProjectPath;

/** Which paths are longer than the machines take on which the project has to lie. */
public interface DepthEvidence extends TreeEvidence {

    /** Files whose whole path is too long somewhere, each with the narrowest such place. */
    Map<ProjectPath, TooLong> tooLong();

    /**
     * A path that a machine does not take.
     *
     * @param machine the machine's title; empty for where the student said that the project lies
     * @param length how long it is there, in the machine's units
     * @param most how long a path may be there
     */
    record TooLong(String machine, int length, int most) {}
}
