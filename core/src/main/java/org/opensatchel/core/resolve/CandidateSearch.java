package org.opensatchel.core.resolve;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.opensatchel.core.finding.Candidate;
import org.opensatchel.core.naming.EditDistance;
import org.opensatchel.core.path.NameFolding;
import org.opensatchel.core.path.ProjectPath;
import org.opensatchel.core.project.ProjectFile;
import org.opensatchel.core.project.ProjectTree;

/**
 * Looks for the file a broken link probably meant. What is found is ordered by how sure it is; two that are equally good
 * are both only offered, never proposed.
 */
final class CandidateSearch {

    private static final int MOST = 5;
    private static final double NOT_ALONE = 0.45;
    /** Names further than their folder are compared letter by letter only in projects of up to this many files. */
    private static final int SMALL_PROJECT = 3_000;
    private static final Pattern NUMBERS = Pattern.compile("[0-9]+");

    private final ProjectTree tree;
    private final Map<String, String> starterHashes;
    private final Map<String, List<ProjectPath>> byHash;
    private Map<String, List<ProjectPath>> byLooseName;
    private final Map<String, List<Candidate>> remembered = new HashMap<>();
    private final Map<NumberedSet, Set<ProjectPath>> sets = new HashMap<>();

    /**
     * @param starterHashes the hash of each starter file by its path
     * @param byHash the project's files by their hash, as far as they were hashed
     */
    CandidateSearch(ProjectTree tree, Map<String, String> starterHashes, Map<String, List<ProjectPath>> byHash) {
        this.tree = tree;
        this.starterHashes = starterHashes;
        this.byHash = byHash;
    }

    /** Files with the content of the starter file that should be at this path. */
    List<Candidate> sameContent(ProjectPath intended) {
        String hash = starterHashes.get(NameFolding.composed(intended.text()));
        List<ProjectPath> found = hash == null ? List.of() : byHash.getOrDefault(hash, List.of());
        return ranked(found.stream().map(path -> new Candidate(path, "same content as the kit's own file", 0.98)).toList());
    }

    /** Files of the same name elsewhere; those under the same folders first. */
    List<Candidate> sameName(List<String> names) {
        return sameName(names, Optional.empty());
    }

    /**
     * The same, where the link says which folder it means: of several that are as good, the one nearest to that folder is better.
     */
    List<Candidate> sameName(List<String> names, Optional<ProjectPath> meant) {
        String name = names.get(names.size() - 1);
        List<Candidate> found = new ArrayList<>();
        for (ProjectFile file : tree.named(name)) {
            int tail = commonTail(names, file.path().names());
            boolean exact = NameFolding.composed(file.path().name()).equals(NameFolding.composed(name));
            String why = tail > 1 ? "same name under the same folder" : exact ? "same name elsewhere" : "same name but for capitals";
            found.add(new Candidate(file.path(), why, Math.min(0.95, (exact ? 0.85 : 0.75) + 0.04 * (tail - 1))));
        }
        NumberedSet.in(name).ifPresent(set -> folders(set).forEach(folder -> found.add(new Candidate(folder.child(name), "same set of numbers elsewhere", 0.85))));
        return ranked(meant.map(path -> nearestFirst(found, path.parent())).orElse(found));
    }

    private static List<Candidate> nearestFirst(List<Candidate> found, ProjectPath folder) {
        int nearest = found.stream().mapToInt(candidate -> steps(folder, candidate.path().parent())).min().orElse(0);
        long alone = found.stream().filter(candidate -> steps(folder, candidate.path().parent()) == nearest).count();
        return alone != 1 || found.size() < 2 ? found : found.stream().map(candidate -> steps(folder, candidate.path().parent()) == nearest
                ? new Candidate(candidate.path(), candidate.why(), Math.min(0.97, candidate.sure() + 0.03)) : candidate).toList();
    }

    /** How many folders lie between two: up from the one, and down to the other. */
    private static int steps(ProjectPath from, ProjectPath to) {
        List<String> a = from.names();
        List<String> b = to.names();
        int same = 0;
        while (same < a.size() && same < b.size() && a.get(same).equals(b.get(same))) {
            same++;
        }
        return a.size() + b.size() - 2 * same;
    }

    /** The folders that hold files of a numbered set. */
    private Set<ProjectPath> folders(NumberedSet set) {
        return sets.computeIfAbsent(set, key -> tree.files().stream().filter(file -> key.number(file.path().name()).isPresent()).map(file -> file.path().parent())
                .collect(Collectors.toCollection(TreeSet::new)));
    }

    /** Files whose names are nearly the same. */
    List<Candidate> similar(ProjectPath intended) {
        return remembered.computeIfAbsent(intended.text(), key -> search(intended));
    }

    private List<Candidate> search(ProjectPath intended) {
        Map<ProjectPath, Candidate> found = new LinkedHashMap<>();
        String loose = NameFolding.loose(intended.name());
        if (byLooseName == null) {
            byLooseName = new HashMap<>();
            tree.files().forEach(file -> byLooseName.computeIfAbsent(NameFolding.loose(file.path().name()), k -> new ArrayList<>(1)).add(file.path()));
        }
        for (ProjectPath path : byLooseName.getOrDefault(loose, List.of())) {
            found.put(path, new Candidate(path, "same name but for spaces, hyphens or accents", 0.8));
        }
        for (ProjectFile file : nearby(intended)) {
            compare(intended, file.path()).ifPresent(candidate -> found.putIfAbsent(file.path(), candidate));
        }
        return ranked(new ArrayList<>(found.values()));
    }

    private Iterable<ProjectFile> nearby(ProjectPath intended) {
        return tree.count() <= SMALL_PROJECT ? tree.files() : tree.filesIn(intended.parent());
    }

    private static Optional<Candidate> compare(ProjectPath wanted, ProjectPath other) {
        String a = NameFolding.folded(wanted.name());
        String b = NameFolding.folded(other.name());
        boolean sameFolder = wanted.parent().equals(other.parent());
        boolean sameType = wanted.extension().equals(other.extension());
        double near = sameFolder ? 0.06 : 0;
        if (sameType && !a.equals(b) && withoutNumbers(a).equals(withoutNumbers(b)) && !a.matches("[0-9.]+.*")) {
            return sameFolder && a.contains("v") && isVersion(a, b) ? Optional.of(new Candidate(other, "another version of it", 0.55)) : Optional.empty();
        }
        if (!sameType && NameFolding.folded(wanted.stem()).equals(NameFolding.folded(other.stem())) && wanted.stem().length() > 1) {
            return Optional.of(new Candidate(other, "same name with another ending", 0.5 + near));
        }
        int allowed = a.length() < 6 ? 0 : a.length() < 9 ? 1 : 2;
        int apart = sameType ? EditDistance.within(a, b, allowed) : allowed + 1;
        if (apart == 0 || apart > allowed) {
            return Optional.empty();
        }
        return Optional.of(new Candidate(other, apart == 1 ? "one letter off" : "two letters off", (apart == 1 ? 0.72 : 0.58) + near));
    }

    /** Whether the numbers that differ follow a v; a differing take or frame number means another file, not a typing slip. */
    private static boolean isVersion(String a, String b) {
        return a.replaceAll("v[0-9]+", "v").equals(b.replaceAll("v[0-9]+", "v"));
    }

    private static String withoutNumbers(String name) {
        return NUMBERS.matcher(name).replaceAll("");
    }

    private static int commonTail(List<String> a, List<String> b) {
        int same = 0;
        while (same < a.size() && same < b.size() && NameFolding.folded(a.get(a.size() - 1 - same)).equals(NameFolding.folded(b.get(b.size() - 1 - same)))) {
            same++;
        }
        return same;
    }

    private static List<Candidate> ranked(List<Candidate> found) {
        List<Candidate> order = new ArrayList<>(found);
        order.sort(Comparator.comparingDouble(Candidate::sure).reversed().thenComparing(Candidate::path));
        boolean tied = order.size() > 1 && order.get(0).sure() - order.get(1).sure() < 0.02;
        List<Candidate> out = new ArrayList<>();
        for (int i = 0; i < Math.min(MOST, order.size()); i++) {
            Candidate candidate = order.get(i);
            boolean offered = i > 0 || tied;
            out.add(offered ? new Candidate(candidate.path(), candidate.why(), Math.min(NOT_ALONE, candidate.sure())) : candidate);
        }
        return out;
    }
}
