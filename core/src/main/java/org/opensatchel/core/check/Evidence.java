package org.opensatchel.core.check;

import java.util.List;
import java.util.Optional;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.location.ProjectLocation;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.plan.PlanMatch;
import org.opensatchel.core.project.PackageFault;
import org.opensatchel.core.project.ProjectTree;
import org.opensatchel.core.project.RootChoice;
import org.opensatchel.core.resolve.Resolution;
import org.opensatchel.core.resolve.RootNames;
import org.opensatchel.core.scan.Scan;

/**
 * Everything a check may look at. All of it is found out before the first check runs.
 *
 * @param roster everybody's fields, for telling whose name another name is; may be empty
 * @param faults what the source told about the package, paths from the root
 * @param newer a later version of the kit than the one it is held against
 * @param findingsPerCode as many of one code are told; of the rest only their number
 * @param leftovers files and folders of systems and programs that were set aside
 */
public record Evidence(ProjectTree tree, RootChoice root, Optional<Kit> kit, RosterFields fields, List<RosterFields> roster, Scan scan, RootNames rootNames,
        Resolution resolution, Optional<PlanMatch> plan, List<PackageFault> faults, List<String> leftovers, StandIns standIns,
        Optional<ProjectLocation> location, Marker marker, Optional<Kit> newer, int findingsPerCode) {

    public boolean linksChecked() {
        return !scan.notChecked().contains("links");
    }
}
