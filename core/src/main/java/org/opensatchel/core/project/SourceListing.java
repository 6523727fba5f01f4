package org.opensatchel.core.project;

import java.util.List;
import java.util.Optional;

/**
 * Everything a source holds, in no particular order, before anyone has decided which folder is the root.
 *
 * @param fromRoot whether the paths start inside one folder (a folder, a listing) and not around it (an archive)
 * @param name the name of that folder, where it is known
 * @param folders the folders the source names, with {@code /} between the names; those that files lie in may be left out
 * @param seesEmpty whether folders without files would be among them; some browsers tell of files alone
 */
public record SourceListing(boolean fromRoot, Optional<String> name, List<SourceEntry> files, List<String> folders,
        List<PackageFault> faults, boolean seesEmpty) {

    /** What a source holds that sees folders without files. */
    public SourceListing(boolean fromRoot, Optional<String> name, List<SourceEntry> files, List<String> folders,
            List<PackageFault> faults) {
        this(fromRoot, name, files, folders, faults, true);
    }
}
