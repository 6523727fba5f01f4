package org.opensatchel.core.match;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Consumer;
import java.util.function.Predicate;
import org.opensatchel.base.path.NameFolding;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.kit.Kit.StarterFile;
import org.opensatchel.core.project.ProjectFile;
import org.opensatchel.core.project.ProjectTree;
import org.opensatchel.core.resolve.ResolvedLink;
import org.opensatchel.core.scan.Scan;

/**
 * What a folder that is gone has left behind: the names that links look for in it, and the starter files it came with. The folder
 * in which most of either are found now is the one that it became, whatever it is called.
 */
final class FolderTraces {

    private final ProjectTree tree;
    /** How deep the deepest of the folders lies that are asked for. */
    private final int deepest;
    /** What links ask for, by every folder above it; composed. */
    private final Map<ProjectPath, Set<ProjectPath>> asked = new HashMap<>();
    private final Map<ProjectPath, List<StarterFile>> starters = new HashMap<>();
    private final Map<String, List<ProjectPath>> byContent = new HashMap<>();

    /** @param gone the planned folders, composed, that are asked for */
    FolderTraces(ProjectTree tree, Scan scan, Collection<ResolvedLink> links, List<StarterFile> starter, Set<ProjectPath> gone) {
        this.tree = tree;
        this.deepest = gone.stream().mapToInt(ProjectPath::depth).max().orElse(0);
        for (ResolvedLink link : links) {
            if (!link.link().isGuess() || link.target().isPresent()) {
                link.intended().filter(path -> !path.isBesideRoot()).map(ProjectPath::composed)
                        .ifPresent(path -> above(path, gone, folder -> asked.computeIfAbsent(folder, key -> new TreeSet<>()).add(path)));
            }
        }
        Set<String> known = new HashSet<>();
        for (StarterFile file : starter) {
            // Nothing is told by where an empty file lies.
            if (file.bytes() > 0) {
                above(file.path().composed(), gone, folder -> starters.computeIfAbsent(folder, key -> new ArrayList<>()).add(file));
                known.add(file.sha256());
            }
        }
        if (!starters.isEmpty()) {
            tree.files().forEach(file -> scan.sha256(file).filter(known::contains)
                    .ifPresent(hash -> byContent.computeIfAbsent(hash, key -> new ArrayList<>(1)).add(file.path())));
        }
    }

    private void above(ProjectPath path, Set<ProjectPath> gone, Consumer<ProjectPath> each) {
        path.folders().limit(deepest).filter(gone::contains).forEach(each);
    }

    /** The folder that holds most of what a planned one should, and that may stand for it; none where two hold as much. */
    Optional<ProjectPath> of(ProjectPath planned, Predicate<ProjectPath> mayStand) {
        Tally linked = new Tally(planned);
        for (ProjectPath path : asked.getOrDefault(planned, Set.of())) {
            if (linked.isFull()) {
                break;
            }
            linked.count(path, tree.named(path.name()).stream().map(ProjectFile::path).toList());
        }
        Tally kept = new Tally(planned);
        starters.getOrDefault(planned, List.of())
                .forEach(file -> kept.count(file.path().composed(), byContent.getOrDefault(file.sha256(), List.of())));
        return linked.most(mayStand).or(() -> kept.most(mayStand));
    }

    /** How much of what one planned folder should hold is found in each folder there is. */
    private static final class Tally {

        /** Where very many files have the same few names, the first of them tell enough. */
        private static final int MOST_STEPS = 2_000_000;

        private final ProjectPath planned;
        private int steps;
        private int wanted;
        private final Map<ProjectPath, Integer> holds = new HashMap<>();
        /**
         * Those of them that lie in the folder just as they would in the planned one: of two folders, one in the other, these tell which
         * was meant.
         */
        private final Map<ProjectPath, Integer> inPlace = new HashMap<>();

        Tally(ProjectPath planned) {
            this.planned = planned;
        }

        boolean isFull() {
            return steps > MOST_STEPS;
        }

        void count(ProjectPath path, List<ProjectPath> found) {
            steps += found.size();
            wanted++;
            String rest = NameFolding.folded(path.from(planned).text());
            Set<ProjectPath> here = new HashSet<>();
            Set<ProjectPath> right = new HashSet<>();
            for (ProjectPath file : found) {
                for (ProjectPath folder = file.parent(); !folder.isRoot(); folder = folder.parent()) {
                    here.add(folder);
                    if (NameFolding.folded(file.from(folder).text()).equals(rest)) {
                        right.add(folder);
                    }
                }
            }
            here.forEach(folder -> holds.merge(folder, 1, Integer::sum));
            right.forEach(folder -> inPlace.merge(folder, 1, Integer::sum));
        }

        Optional<ProjectPath> most(Predicate<ProjectPath> mayStand) {
            Comparator<ProjectPath> better = Comparator.comparing((ProjectPath folder) -> -inPlace.getOrDefault(folder, 0))
                    .thenComparing(folder -> -holds.get(folder))
                    .thenComparing(folder -> !folder.parent().composed().equals(planned.parent()));
            List<ProjectPath> best = holds.keySet().stream().filter(folder -> 2 * holds.get(folder) > wanted).filter(mayStand)
                    .sorted(better.thenComparing(Comparator.naturalOrder())).toList();
            boolean alone = best.size() == 1
                    || (best.size() > 1 && (better.compare(best.get(0), best.get(1)) != 0 || best.get(1).isBelow(best.get(0))));
            return alone ? Optional.of(best.get(0)) : Optional.empty();
        }
    }
}
