package org.opensatchel.core.match;

import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.project.ProjectTree;
import org.opensatchel.core.resolve.Outcome;
import org.opensatchel.core.resolve.ResolvedLink;
import org.opensatchel.core.scan.Scan;

/**
 * Folders of a project without a plan that were renamed or moved after documents linked into them: several links look for a folder that
 * is not there, and find what they ask for in one that nothing links by its own name.
 */
public final class RenamedByLinks {

    /** One or two files may have been moved by hand; three that moved together were a folder. */
    private static final int LEAST = 3;

    private RenamedByLinks() {
    }

    /** The folder that each one became that is gone. */
    public static Map<ProjectPath, ProjectPath> of(ProjectTree tree, Scan scan, Collection<ResolvedLink> links) {
        Map<ProjectPath, Set<ProjectPath>> asked = new TreeMap<>();
        Set<ProjectPath> used = new HashSet<>();
        for (ResolvedLink link : links) {
            boolean broken = link.outcome() == Outcome.MOVED || link.outcome() == Outcome.MISSING;
            if (broken && !link.link().isGuess()) {
                link.intended().filter(path -> !path.isBesideRoot()).flatMap(path -> gone(tree, path))
                        .ifPresent(folder -> asked.computeIfAbsent(folder, key -> new HashSet<>()).add(link.intended().get()));
            } else if (!broken) {
                link.target().ifPresent(target -> above(target, used));
            }
        }
        asked.values().removeIf(paths -> paths.size() < LEAST);
        if (asked.isEmpty()) {
            return Map.of();
        }
        FolderTraces traces = new FolderTraces(tree, scan, links, List.of(), asked.keySet());
        Map<ProjectPath, ProjectPath> out = new HashMap<>();
        asked.forEach(
                (folder, paths) -> traces.of(folder, other -> !used.contains(other)).filter(other -> holdsAll(tree, folder, paths, other))
                        .ifPresent(other -> out.put(folder, other)));
        return out;
    }

    /** Whether nearly everything lies there just as it was: names alone are common, and other folders have some of them too. */
    private static boolean holdsAll(ProjectTree tree, ProjectPath folder, Set<ProjectPath> paths, ProjectPath other) {
        long there = paths.stream().filter(path -> tree.exists(other.child(path.composed().from(folder)))).count();
        return 10 * there >= 9L * paths.size();
    }

    private static void above(ProjectPath path, Set<ProjectPath> into) {
        for (ProjectPath at = path.parent(); !at.isRoot() && into.add(at);) {
            at = at.parent();
        }
    }

    /** The topmost folder on the way to a path that is not there. */
    private static Optional<ProjectPath> gone(ProjectTree tree, ProjectPath path) {
        // From the top, since a link may name any number of folders, and the first that is gone is what counts.
        return path.folders().filter(folder -> !tree.exists(folder)).findFirst().map(ProjectPath::composed);
    }
}
