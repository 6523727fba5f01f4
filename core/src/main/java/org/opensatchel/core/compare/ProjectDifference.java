package org.opensatchel.core.compare;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.project.ProjectFile;
import org.opensatchel.core.project.SourceEntry;

/**
 * What became of a project's files from one time it was handed in to another. A file that is gone and one that is new with the same
 * content are one file under another name, or in another place.
 *
 * @param changes in the order of the paths
 * @param unchanged how many files are as they were
 * @param byContent whether contents could be compared; otherwise, sizes were
 */
public record ProjectDifference(List<Change> changes, int unchanged, boolean byContent) {

    /** What became of a file. */
    public enum Kind {
        ADDED, REMOVED, CHANGED, RENAMED, MOVED
    }

    /** @param before where it was, when it has another name or place now */
    public record Change(Kind kind, ProjectPath path, Optional<ProjectPath> before) {}

    public static ProjectDifference between(Collection<ProjectFile> before, Collection<ProjectFile> now) {
        Map<ProjectPath, SourceEntry> was = byPath(before);
        Map<ProjectPath, SourceEntry> is = byPath(now);
        List<Change> changes = new ArrayList<>();
        Map<ProjectPath, SourceEntry> fresh = new TreeMap<>(is);
        fresh.keySet().removeAll(was.keySet());
        Map<ProjectPath, SourceEntry> gone = new TreeMap<>(was);
        gone.keySet().removeAll(is.keySet());
        int unchanged = 0;
        boolean byContent = true;
        for (Map.Entry<ProjectPath, SourceEntry> file : is.entrySet()) {
            SourceEntry earlier = was.get(file.getKey());
            if (earlier == null) {
                continue;
            }
            byContent &= earlier.bytes() != file.getValue().bytes() || isTold(earlier, file.getValue());
            if (isSame(earlier, file.getValue())) {
                unchanged++;
            } else {
                changes.add(new Change(Kind.CHANGED, file.getKey(), Optional.empty()));
            }
        }
        pair(gone, fresh, changes);
        gone.keySet().forEach(path -> changes.add(new Change(Kind.REMOVED, path, Optional.empty())));
        fresh.keySet().forEach(path -> changes.add(new Change(Kind.ADDED, path, Optional.empty())));
        changes.sort(Comparator.comparing(Change::path));
        return new ProjectDifference(List.copyOf(changes), unchanged, byContent);
    }

    private static Map<ProjectPath, SourceEntry> byPath(Collection<ProjectFile> files) {
        Map<ProjectPath, SourceEntry> out = new TreeMap<>();
        files.forEach(file -> out.put(file.path(), file.entry()));
        return out;
    }

    /** Whether both sources tell of the contents in the same way. */
    private static boolean isTold(SourceEntry one, SourceEntry other) {
        return one.bytes() == 0 || one.sha256().isPresent() && other.sha256().isPresent() || one.checksum() != 0 && other.checksum() != 0;
    }

    private static boolean isSame(SourceEntry one, SourceEntry other) {
        if (one.bytes() != other.bytes()) {
            return false;
        }
        if (one.sha256().isPresent() && other.sha256().isPresent()) {
            return one.sha256().equals(other.sha256());
        }
        return one.checksum() == 0 || other.checksum() == 0 || one.checksum() == other.checksum();
    }

    /**
     * Pairs what is gone with what is new: of several with one content those with the same name, then those in the same folder. Looked up, since
     * thousands of files may all be of one size.
     */
    private static void pair(Map<ProjectPath, SourceEntry> gone, Map<ProjectPath, SourceEntry> fresh, List<Change> changes) {
        for (Likeness likeness : Likeness.values()) {
            Map<Alike, Deque<ProjectPath>> left = new HashMap<>();
            gone.forEach((path, entry) -> alike(path, entry, likeness)
                    .forEach(key -> left.computeIfAbsent(key, none -> new ArrayDeque<>()).add(path)));
            for (ProjectPath path : List.copyOf(fresh.keySet())) {
                SourceEntry entry = fresh.get(path);
                Optional<ProjectPath> from = alike(path, entry, likeness).stream()
                        .flatMap(key -> first(left.get(key), gone, entry).stream()).findFirst();
                if (from.isPresent()) {
                    boolean here = from.get().parent().equals(path.parent());
                    changes.add(new Change(here ? Kind.RENAMED : Kind.MOVED, path, from));
                    fresh.remove(path);
                    gone.remove(from.get());
                }
            }
        }
    }

    /** What else two files of one content have in common. */
    private enum Likeness {
        NAME, FOLDER, NOTHING;

        String of(ProjectPath path) {
            return switch (this) {
                case NAME -> path.name();
                case FOLDER -> path.parent().text();
                case NOTHING -> "";
            };
        }
    }

    private record Alike(long bytes, String content, String place) {}

    /** The names under which a file is looked for: by its hash, and by its checksum, as far as they are told. Empty files are all alike. */
    private static List<Alike> alike(ProjectPath path, SourceEntry entry, Likeness likeness) {
        List<Alike> out = new ArrayList<>();
        if (entry.bytes() > 0) {
            entry.sha256().ifPresent(hash -> out.add(new Alike(entry.bytes(), hash, likeness.of(path))));
            if (entry.checksum() != 0) {
                out.add(new Alike(entry.bytes(), Long.toHexString(entry.checksum()), likeness.of(path)));
            }
        }
        return out;
    }

    private static Optional<ProjectPath> first(Deque<ProjectPath> alike, Map<ProjectPath, SourceEntry> gone, SourceEntry entry) {
        while (alike != null && !alike.isEmpty() && !gone.containsKey(alike.peek())) {
            alike.poll();
        }
        return alike == null ? Optional.empty()
                : Optional.ofNullable(alike.peek()).filter(path -> isTold(gone.get(path), entry) && isSame(gone.get(path), entry));
    }

    /** How many changes there are of a kind. */
    public long count(Kind kind) {
        return changes.stream().filter(change -> change.kind == kind).count();
    }
}
