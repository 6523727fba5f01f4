package org.opensatchel.core.check.rule;

import java.util.Optional;
import org.opensatchel.core.location.LocationPolicy;
import org.opensatchel.core.location.ProjectLocation;
import org.opensatchel.core.resolve.RootNames;

/** Where the project is said to lie, and where its links were made. */
public interface LocationEvidence {

    Optional<ProjectLocation> location();

    /** What the kit says of locations, where it says anything. */
    Optional<LocationPolicy> locationPolicy();

    RootNames rootNames();

    /** The root that the links were made under. */
    Optional<String> inferred();
}
