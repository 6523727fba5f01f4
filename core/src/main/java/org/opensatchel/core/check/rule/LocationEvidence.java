package org.opensatchel.core.check.rule;

import java.util.List;
import java.util.Optional;
import org.opensatchel.core.location.LocationPolicy;
import org.opensatchel.core.location.ProjectLocation;
import org.opensatchel.core.location.TeamLocation;
import org.opensatchel.core.resolve.RootNames;

/** Where the project is said to lie, and where its links were made. */
public interface LocationEvidence {

    /** Where it is said to lie: on each computer that somebody works on. */
    List<ProjectLocation> places();

    /** What the kit says of locations, where it says anything. */
    Optional<LocationPolicy> locationPolicy();

    /** Where the others of the team say it lies; empty for who works alone. */
    List<TeamLocation> team();

    RootNames rootNames();

    /** The root that the links were made under. */
    Optional<String> inferred();
}
