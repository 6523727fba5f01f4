package org.opensatchel.core.project;

import java.util.List;
import java.util.Optional;
import org.opensatchel.core.finding.Code;

/**
 * Which folder of a source is the project's root.
 *
 * @param prefix the root's path from the source's top, empty when the top itself is the root
 * @param name the root's name; absent when the files lie loose in an archive
 * @param fault what was wrong with the way it was packed
 */
public record RootChoice(String prefix, Optional<String> name, Optional<PackingFault> fault) {

    /**
     * A way of packing that hides the root.
     *
     * @param others the other names that stand beside the root, or the folders around it
     */
    public record PackingFault(Code code, String path, List<String> others) {}
}
