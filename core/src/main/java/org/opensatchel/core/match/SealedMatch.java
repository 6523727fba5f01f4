package org.opensatchel.core.match;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.project.ProjectFile;
import org.opensatchel.core.project.ProjectTree;
import org.opensatchel.core.project.SealedFile;
import org.opensatchel.core.scan.Scan;

/** Holds the files of sealed folders against an earlier hand-in: nothing in them may be renamed, changed or thrown away. */
final class SealedMatch {

    private final ProjectTree tree;
    private final Scan scan;
    private final UnaryOperator<ProjectPath> canonical;
    private final Predicate<ProjectPath> isSealed;

    /** @param isSealed whether a path by the plan lies in a sealed folder, and came with no kit */
    SealedMatch(ProjectTree tree, Scan scan, UnaryOperator<ProjectPath> canonical, Predicate<ProjectPath> isSealed) {
        this.tree = tree;
        this.scan = scan;
        this.canonical = canonical;
        this.isSealed = isSealed;
    }

    /** The sealed files as they are now, in the order of their paths. */
    List<SealedFile> now() {
        return tree.ownFiles().stream().filter(file -> isSealed.test(canonical.apply(file.path()))).map(this::asItIs).toList();
    }

    private SealedFile asItIs(ProjectFile file) {
        return new SealedFile(canonical.apply(file.path()), file.bytes(), scan.sha256(file), file.entry().checksum());
    }

    /** What became of the files that an earlier hand-in had; nothing where none of them is left, since the folder was then filled anew. */
    List<TouchedFile> touched(List<SealedFile> earlier) {
        List<SealedFile> before = earlier.stream().filter(file -> isSealed.test(file.path())).toList();
        if (before.isEmpty()) {
            return List.of();
        }
        Map<ProjectPath, ProjectFile> there = new HashMap<>();
        Map<Long, List<ProjectFile>> bySize = new HashMap<>();
        tree.ownFiles().forEach(file -> {
            there.putIfAbsent(canonical.apply(file.path()), file);
            bySize.computeIfAbsent(file.bytes(), size -> new ArrayList<>(1)).add(file);
        });
        Set<ProjectPath> known = before.stream().map(SealedFile::path).collect(Collectors.toSet());
        List<TouchedFile> out = new ArrayList<>();
        int left = 0;
        for (SealedFile file : before) {
            ProjectFile now = there.get(file.path());
            if (now == null) {
                Optional<ProjectPath> found = bySize.getOrDefault(file.bytes(), List.of()).stream()
                        .filter(other -> !known.contains(canonical.apply(other.path())) && file.isSurelySameAs(asItIs(other)))
                        .map(ProjectFile::path).findFirst();
                left += found.isPresent() ? 1 : 0;
                out.add(new TouchedFile(file.path(), found.isPresent() ? TouchedFile.Kind.RENAMED : TouchedFile.Kind.GONE, found));
            } else if (file.isSameAs(asItIs(now))) {
                left++;
            } else {
                out.add(new TouchedFile(file.path(), TouchedFile.Kind.CHANGED, Optional.of(now.path())));
            }
        }
        return left == 0 ? List.of() : out;
    }

    /** What the next hand-in is to be held against: what was there first, and what has come since. */
    static List<SealedFile> remembered(List<SealedFile> earlier, List<SealedFile> now, List<TouchedFile> touched) {
        if (touched.isEmpty()) {
            return now;
        }
        Map<ProjectPath, SealedFile> out = new TreeMap<>();
        now.forEach(file -> out.put(file.path(), file));
        touched.stream().filter(file -> file.kind() == TouchedFile.Kind.RENAMED).forEach(file -> file.found().ifPresent(out::remove));
        Set<ProjectPath> gone = touched.stream().map(TouchedFile::path).collect(Collectors.toSet());
        earlier.stream().filter(file -> gone.contains(file.path())).forEach(file -> out.put(file.path(), file));
        return List.copyOf(out.values());
    }
}
