package org.opensatchel.core.match;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.Kit.StarterFile;
import org.opensatchel.core.project.ProjectFile;
import org.opensatchel.core.project.ProjectTree;
import org.opensatchel.core.scan.Scan;

/** Finds what became of the kit's own files: by place, else by content, else by name. */
final class StarterMatch {

    private final ProjectTree tree;
    private final Scan scan;
    private final UnaryOperator<ProjectPath> canonical;
    private final Map<ProjectPath, ProjectFile> byRightPath = new HashMap<>();
    /** Files as long as some starter file, by the hash of their content. */
    private final Map<String, List<ProjectPath>> byContent = new HashMap<>();

    StarterMatch(ProjectTree tree, Scan scan, UnaryOperator<ProjectPath> canonical) {
        this.tree = tree;
        this.scan = scan;
        this.canonical = canonical;
        tree.files().forEach(file -> byRightPath.put(canonical.apply(file.path()), file));
    }

    List<PlannedStarter> match(Kit kit) {
        Set<Long> sizes = kit.starter().stream().map(StarterFile::bytes).filter(bytes -> bytes > 0).collect(Collectors.toSet());
        tree.files().stream().filter(file -> sizes.contains(file.bytes()))
                .forEach(file -> scan.sha256(file)
                        .ifPresent(hash -> byContent.computeIfAbsent(hash, key -> new ArrayList<>(1)).add(file.path())));
        return kit.starter().stream().map(this::match).toList();
    }

    private PlannedStarter match(StarterFile starter) {
        ProjectFile there = byRightPath.get(starter.path().composed());
        if (there != null) {
            boolean changed = starter.treat() == StarterFile.Treat.KEEP && isChanged(starter, there);
            return new PlannedStarter(starter, changed ? PlannedStarter.Kind.CHANGED : PlannedStarter.Kind.AS_IT_WAS,
                    Optional.of(there.path()));
        }
        Optional<ProjectPath> found = sameContent(starter).or(() -> sameName(starter));
        if (found.isEmpty()) {
            return new PlannedStarter(starter, PlannedStarter.Kind.MISSING, Optional.empty());
        }
        boolean samePlace = canonical.apply(found.get()).parent().equals(starter.path().composed().parent());
        return new PlannedStarter(starter, samePlace ? PlannedStarter.Kind.RENAMED : PlannedStarter.Kind.MOVED, found);
    }

    private boolean isChanged(StarterFile starter, ProjectFile file) {
        return scan.sha256(file).map(hash -> !hash.equals(starter.sha256())).orElse(file.bytes() != starter.bytes());
    }

    private Optional<ProjectPath> sameContent(StarterFile starter) {
        return byContent.getOrDefault(starter.sha256(), List.of()).stream()
                .min(Comparator.comparing((ProjectPath path) -> !canonical.apply(path).parent().equals(starter.path().composed().parent()))
                        .thenComparing(Comparator.naturalOrder()));
    }

    /** By name only where content cannot tell: it may be changed, or its hash is not known. */
    private Optional<ProjectPath> sameName(StarterFile starter) {
        List<ProjectPath> named = tree.named(starter.path().name()).stream()
                .filter(file -> starter.treat() != StarterFile.Treat.KEEP
                        || (scan.sha256(file).isEmpty() && file.bytes() == starter.bytes()))
                .map(ProjectFile::path).toList();
        return named.size() == 1 ? Optional.of(named.get(0)) : Optional.empty();
    }
}
