package org.opensatchel.core.resolve;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.opensatchel.base.path.NameFolding;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.project.ProjectFile;
import org.opensatchel.core.project.ProjectTree;

/**
 * The files behind each numbered set of a project. What was found is remembered: a timeline names the same set in every
 * clip, and a set may have very many files.
 */
final class NumberedFiles {

    /** A number, and a tile's row and column, as they stand in a name. */
    private static final List<String> EXAMPLES = List.of("0", "u0_v0");

    private static final int MOST_FOLDERS = 200;

    private final ProjectTree tree;
    private final Map<ProjectPath, Behind> known = new HashMap<>();
    private Map<String, Set<ProjectPath>> folders;

    /** What stands behind one name. */
    private record Behind(List<ProjectPath> files, List<String> gaps) {
        private static final Behind NOTHING = new Behind(List.of(), List.of());
    }

    NumberedFiles(ProjectTree tree) {
        this.tree = tree;
    }

    /** The files of the set a path stands for, in order; empty when it stands for none. */
    List<ProjectPath> files(ProjectPath path) {
        return behind(path).files;
    }

    /** The set whose name differs from a path's in capitals alone, under the name that it has. */
    Optional<ProjectPath> alike(ProjectPath path) {
        Optional<NumberedSet> set = NumberedSet.in(path.name());
        if (set.isEmpty()) {
            return Optional.empty();
        }
        String mark = path.name().substring(Math.min(path.name().length(), set.get().before().length()),
                Math.max(set.get().before().length(), path.name().length() - set.get().after().length()));
        Stream<ProjectPath> folders = Stream.concat(Stream.of(path.parent()), tree.alike(path.parent().text()).stream()).distinct();
        return folders.filter(tree::isFolder).flatMap(folder -> tree.filesIn(folder).stream()).map(ProjectFile::path)
                .flatMap(file -> set.get().realName(file.name(), mark).map(file.parent()::child).stream())
                .filter(real -> !real.equals(path)).findFirst();
    }

    /** The numbers missing between them, as ranges. */
    List<String> gaps(ProjectPath path) {
        return behind(path).gaps;
    }

    private Behind behind(ProjectPath path) {
        Optional<NumberedSet> set = NumberedSet.in(path.name());
        return set.isEmpty() ? Behind.NOTHING : known.computeIfAbsent(path, key -> look(set.get(), path.parent()));
    }

    private Behind look(NumberedSet set, ProjectPath folder) {
        List<ProjectPath> files = in(folder, set).toList();
        return files.isEmpty() ? Behind.NOTHING : new Behind(files, set.gaps(files));
    }

    private Stream<ProjectPath> in(ProjectPath folder, NumberedSet set) {
        return tree.beginning(folder, plainStart(set.before())).stream().map(ProjectFile::path)
                .filter(file -> set.number(file.name()).isPresent());
    }

    /** The beginning of a name that is the same however its accents are stored. */
    private static String plainStart(String name) {
        int end = 0;
        while (end < name.length() && name.charAt(end) < 128) {
            end++;
        }
        return name.substring(0, end);
    }

    /** What the names of a set's files come to when their numbers are overlooked. */
    private static Stream<String> keys(NumberedSet set) {
        return EXAMPLES.stream().map(number -> NameFolding.withoutNumbers(set.before() + number + set.after())).distinct();
    }

    /** The folders anywhere in the project that hold files of a set, in order. */
    Set<ProjectPath> folders(NumberedSet set) {
        if (folders == null) {
            folders = new HashMap<>();
            tree.files().forEach(file -> folders.computeIfAbsent(NameFolding.withoutNumbers(file.path().name()), key -> new TreeSet<>())
                    .add(file.path().parent()));
        }
        return keys(set).flatMap(key -> folders.getOrDefault(key, Set.of()).stream().limit(MOST_FOLDERS))
                .filter(folder -> in(folder, set).findAny().isPresent())
                .collect(Collectors.toCollection(TreeSet::new));
    }
}
