package org.opensatchel.core.project;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import org.opensatchel.base.path.NameFolding;
import org.opensatchel.base.path.ProjectPath;

/**
 * What is in a project: its files and folders, leftovers set aside, found by exact path, by a path that differs only in
 * what some system overlooks, and by name. Immutable; the looser indexes are made when they are first asked for.
 */
public final class ProjectTree {

    private final Optional<String> rootName;
    private final List<ProjectFile> files;
    /** The same without those of companions. */
    private final List<ProjectFile> own;
    private final Map<ProjectPath, ProjectFile> byPath;
    private final Set<ProjectPath> folders;
    private final Map<ProjectPath, List<ProjectPath>> children;
    private final long bytes;
    private final int deepest;
    private final Set<ProjectPath> aside;
    private final boolean seesEmpty;
    private volatile Map<String, List<ProjectPath>> byKey;
    private volatile Map<String, List<ProjectFile>> byName;

    public ProjectTree(Optional<String> rootName, Collection<ProjectFile> files, Collection<ProjectPath> emptyFolders) {
        this(rootName, files, emptyFolders, List.of(), true);
    }

    /**
     * @param aside files that nobody judges, though links may lead to them
     * @param seesEmpty whether folders without files would be known
     */
    public ProjectTree(Optional<String> rootName, Collection<ProjectFile> files, Collection<ProjectPath> emptyFolders,
            Collection<ProjectPath> aside, boolean seesEmpty) {
        this.rootName = rootName;
        this.seesEmpty = seesEmpty;
        this.aside = Set.copyOf(aside);
        this.files = inOrder(files);
        this.byPath = new HashMap<>(this.files.size() * 4 / 3 + 1);
        Adoption adoption = new Adoption();
        long total = 0;
        boolean alone = true;
        int deep = 0;
        for (ProjectFile file : this.files) {
            boolean beside = file.isInCompanion();
            alone &= !beside;
            total += beside ? 0 : file.bytes();
            byPath.put(file.path(), file);
            deep = Math.max(deep, file.path().depth());
            adoption.adopt(file.path());
        }
        this.bytes = total;
        this.deepest = deep;
        this.own = alone ? this.files : this.files.stream().filter(file -> !file.isInCompanion()).toList();
        emptyFolders.forEach(adoption::imply);
        adoption.adoptFolders();
        this.children = adoption.inside;
        this.folders = adoption.folders;
    }

    private static List<ProjectFile> inOrder(Collection<ProjectFile> files) {
        ProjectFile[] order = files.toArray(ProjectFile[]::new);
        PathOrder.sort(order, file -> file.path().text());
        return List.of(order);
    }

    /** Puts everything into its folder. Paths come in order, so that most lie where the one before lay. */
    private final class Adoption {
        private final Map<ProjectPath, List<ProjectPath>> inside = new HashMap<>();
        private final Set<ProjectPath> implied = new HashSet<>();
        private final Set<ProjectPath> folders = new LinkedHashSet<>();
        private String folder = "\0";
        private List<ProjectPath> siblings = List.of();

        void adopt(ProjectPath path) {
            String text = path.text();
            if (!text.startsWith(folder) || text.lastIndexOf('/') != folder.length()) {
                ProjectPath parent = path.parent();
                imply(parent);
                folder = parent.isRoot() ? "\0" : parent.text();
                siblings = inside.computeIfAbsent(parent, key -> new ArrayList<>());
            }
            siblings.add(path);
        }

        void imply(ProjectPath path) {
            for (ProjectPath above = path; !above.isRoot() && !above.text().equals("..") && implied.add(above);) {
                above = above.parent();
            }
        }

        void adoptFolders() {
            implied.stream().filter(path -> !byPath.containsKey(path)).sorted().forEach(folders::add);
            folders.forEach(path -> inside.computeIfAbsent(path.parent(), key -> new ArrayList<>()).add(path));
            inside.values().forEach(Collections::sort);
        }
    }

    /** The root's own name; absent when the files came loose. */
    public Optional<String> rootName() {
        return rootName;
    }

    /** All files in the order of their paths, those of companions among them. */
    public List<ProjectFile> files() {
        return files;
    }

    /** The files of the project itself, in the order of their paths. */
    public List<ProjectFile> ownFiles() {
        return own;
    }

    /** Whether a folder without files would be known here; where not, one that is not there may only be empty. */
    public boolean seesEmpty() {
        return seesEmpty;
    }

    /** All folders in the order of their paths, the root itself not among them. */
    public Set<ProjectPath> folders() {
        return Collections.unmodifiableSet(folders);
    }

    public Optional<ProjectFile> file(ProjectPath path) {
        return Optional.ofNullable(byPath.get(path));
    }

    public boolean isFolder(ProjectPath path) {
        return path.isRoot() || folders.contains(path);
    }

    public boolean exists(ProjectPath path) {
        return byPath.containsKey(path) || isFolder(path) || isAside(path);
    }

    /** Whether a file lies at a path that is in the folder and is not judged. */
    public boolean isAside(ProjectPath path) {
        return aside.contains(path);
    }

    /** What lies right in a folder, in the order of the names. */
    public List<ProjectPath> children(ProjectPath folder) {
        return Collections.unmodifiableList(children.getOrDefault(folder, List.of()));
    }

    public List<ProjectFile> filesIn(ProjectPath folder) {
        return children(folder).stream().map(byPath::get).filter(java.util.Objects::nonNull).toList();
    }

    /** All files somewhere below a folder. */
    public List<ProjectFile> filesBelow(ProjectPath folder) {
        return folder.isRoot() ? own : files.subList(firstAt(folder.text() + "/"), firstAt(folder.text() + "0"));
    }

    /** Where the first file stands whose path is not before a text. */
    private int firstAt(String text) {
        int low = 0;
        int high = files.size();
        while (low < high) {
            int middle = (low + high) >>> 1;
            if (files.get(middle).path().text().compareTo(text) < 0) {
                low = middle + 1;
            } else {
                high = middle;
            }
        }
        return low;
    }

    /** Files and folders whose path is equal when letter case, Unicode form and trailing spaces and dots are overlooked. */
    public List<ProjectPath> alike(String path) {
        Map<String, List<ProjectPath>> index = byKey;
        if (index == null) {
            List<ProjectPath> all = new ArrayList<>(files.size() + folders.size());
            files.forEach(file -> all.add(file.path()));
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
            index = index(files, file -> NameFolding.folded(file.path().name()));
            byName = index;
        }
        return index.getOrDefault(NameFolding.folded(name), List.of());
    }

    /** Files right in a folder whose names begin with a text, letter for letter. */
    public List<ProjectFile> beginning(ProjectPath folder, String prefix) {
        if (prefix.isEmpty()) {
            return filesIn(folder);
        }
        String start = folder.child(prefix).text();
        int name = start.length() - prefix.length();
        return files.subList(firstAt(start), firstAt(start + Character.MAX_VALUE)).stream()
                .filter(file -> file.path().text().indexOf('/', name) < 0).toList();
    }

    private static <T> Map<String, List<T>> index(Collection<T> items, Function<T, String> key) {
        Map<String, List<T>> index = new HashMap<>();
        for (T item : items) {
            index.computeIfAbsent(key.apply(item), k -> new ArrayList<>(1)).add(item);
        }
        return index;
    }

    /** How many names the longest path to a file has. */
    public int deepest() {
        return deepest;
    }

    /** Bytes of the project's own files together. */
    public long bytes() {
        return bytes;
    }

    /** How many files the project itself has. */
    public int count() {
        return own.size();
    }
}
