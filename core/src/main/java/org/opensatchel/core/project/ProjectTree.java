package org.opensatchel.core.project;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.Function;
import org.opensatchel.core.path.NameFolding;
import org.opensatchel.core.path.ProjectPath;

/**
 * What is in a project: its files and folders, leftovers set aside, found by exact path, by a path that differs only in
 * what some system overlooks, and by name. Immutable; the looser indexes are made when they are first asked for.
 */
public final class ProjectTree {

    private final Optional<String> rootName;
    private final TreeMap<ProjectPath, ProjectFile> files = new TreeMap<>();
    private final TreeSet<ProjectPath> folders = new TreeSet<>();
    private final Map<ProjectPath, List<ProjectPath>> children = new HashMap<>();
    private volatile Map<String, List<ProjectPath>> byKey;
    private volatile Map<String, List<ProjectFile>> byName;

    public ProjectTree(Optional<String> rootName, Collection<ProjectFile> files, Collection<ProjectPath> emptyFolders) {
        this.rootName = rootName;
        Set<String> implied = new HashSet<>();
        for (ProjectFile file : files) {
            this.files.put(file.path(), file);
            SourceTops.parents(file.path().text(), implied);
        }
        for (ProjectPath folder : emptyFolders) {
            implied.add(folder.text());
            SourceTops.parents(folder.text(), implied);
        }
        implied.remove("..");
        implied.forEach(folder -> folders.add(ProjectPath.of(folder)));
        folders.removeIf(this.files::containsKey);
        Adoption adoption = new Adoption();
        this.files.keySet().forEach(adoption::adopt);
        folders.forEach(adoption::adopt);
        children.values().forEach(Collections::sort);
    }

    /** Paths come in order, so that most lie where the one before lay. */
    private final class Adoption {
        private String folder;
        private List<ProjectPath> inside;

        void adopt(ProjectPath path) {
            String text = path.text();
            int slash = text.lastIndexOf('/');
            boolean same = folder != null && slash == folder.length() && text.startsWith(folder);
            if (!same || inside == null) {
                folder = slash < 0 ? "" : text.substring(0, slash);
                inside = children.computeIfAbsent(path.parent(), key -> new ArrayList<>());
            }
            inside.add(path);
        }
    }

    /** The root's own name; absent when the files came loose. */
    public Optional<String> rootName() {
        return rootName;
    }

    /** All files in the order of their paths, those of companions among them. */
    public Collection<ProjectFile> files() {
        return Collections.unmodifiableCollection(files.values());
    }

    /** All folders in the order of their paths, the root itself not among them. */
    public Set<ProjectPath> folders() {
        return Collections.unmodifiableSet(folders);
    }

    public Optional<ProjectFile> file(ProjectPath path) {
        return Optional.ofNullable(files.get(path));
    }

    public boolean isFolder(ProjectPath path) {
        return path.isRoot() || folders.contains(path);
    }

    public boolean exists(ProjectPath path) {
        return files.containsKey(path) || isFolder(path);
    }

    /** What lies right in a folder, in the order of the names. */
    public List<ProjectPath> children(ProjectPath folder) {
        return Collections.unmodifiableList(children.getOrDefault(folder, List.of()));
    }

    public List<ProjectFile> filesIn(ProjectPath folder) {
        return children(folder).stream().map(files::get).filter(java.util.Objects::nonNull).toList();
    }

    /** All files somewhere below a folder. */
    public List<ProjectFile> filesBelow(ProjectPath folder) {
        if (folder.isRoot()) {
            return files.values().stream().filter(file -> !file.isInCompanion()).toList();
        }
        return List.copyOf(files.subMap(new ProjectPath(folder.text() + "/"), new ProjectPath(folder.text() + "0")).values());
    }

    /** Files and folders whose path is equal when letter case, Unicode form and trailing spaces and dots are overlooked. */
    public List<ProjectPath> alike(String path) {
        Map<String, List<ProjectPath>> index = byKey;
        if (index == null) {
            List<ProjectPath> all = new ArrayList<>(files.keySet());
            all.addAll(folders);
            index = index(all, item -> NameFolding.lookupKey(item.text()));
            byKey = index;
        }
        return index.getOrDefault(NameFolding.lookupKey(path), List.of());
    }

    /** Files with this name, letter case and Unicode form overlooked, anywhere in the project. */
    public List<ProjectFile> named(String name) {
        Map<String, List<ProjectFile>> index = byName;
        if (index == null) {
            index = index(files.values(), file -> NameFolding.folded(file.path().name()));
            byName = index;
        }
        return index.getOrDefault(NameFolding.folded(name), List.of());
    }

    private static <T> Map<String, List<T>> index(Collection<T> items, Function<T, String> key) {
        Map<String, List<T>> index = new HashMap<>();
        for (T item : items) {
            index.computeIfAbsent(key.apply(item), k -> new ArrayList<>(1)).add(item);
        }
        return index;
    }

    public long bytes() {
        return files.values().stream().filter(file -> !file.isInCompanion()).mapToLong(ProjectFile::bytes).sum();
    }

    public int count() {
        return (int) files.values().stream().filter(file -> !file.isInCompanion()).count();
    }

    /** The longest path below the root, in characters. */
    public int longestPath() {
        return files.keySet().stream().map(path -> path.text().length()).max(Comparator.naturalOrder()).orElse(0);
    }
}
