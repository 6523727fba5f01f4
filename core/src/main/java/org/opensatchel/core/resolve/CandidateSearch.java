package org.opensatchel.core.resolve;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.opensatchel.base.path.NameFolding;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.finding.Candidate;
import org.opensatchel.core.finding.Reason;
import org.opensatchel.core.project.ProjectFile;
import org.opensatchel.core.project.ProjectTree;

/**
 * Looks for the file a broken link probably meant. What is found is ordered by how sure it is; two that are equally good
 * are both only offered, never proposed.
 */
final class CandidateSearch {

    private static final int MOST = 5;
    private static final double NOT_ALONE = 0.45;
    /** Of so many files with one name none is meant more than another; they are looked at no closer. */
    private static final int CROWD = 200;

    private final ProjectTree tree;
    private final Map<String, String> starterHashes;
    private final Map<String, List<ProjectPath>> byHash;
    private Map<String, List<ProjectPath>> byLooseName;
    private final Map<String, List<Candidate>> remembered = new HashMap<>();
    private final Map<String, Map<String, List<ProjectFile>>> crowds = new HashMap<>();
    private final NumberedFiles numbered;
    private final NearNames near;
    private final int most;
    private int told;

    /**
     * @param most most candidates of the whole project; after them none are looked for
     * @param starterHashes the hash of each starter file by its path
     * @param byHash the project's files by their hash, as far as they were hashed
     */
    CandidateSearch(ProjectTree tree, NumberedFiles numbered, Map<String, String> starterHashes, Map<String, List<ProjectPath>> byHash,
            int most) {
        this.tree = tree;
        this.most = most;
        this.numbered = numbered;
        this.near = new NearNames(tree);
        this.starterHashes = starterHashes;
        this.byHash = byHash;
    }

    /** Files with the content of the starter file that should be at this path. */
    List<Candidate> sameContent(ProjectPath intended) {
        String hash = starterHashes.get(NameFolding.composed(intended.text()));
        List<ProjectPath> found = hash == null ? List.of() : byHash.getOrDefault(hash, List.of());
        return ranked(found.stream().map(path -> new Candidate(path, Reason.SAME_CONTENT, 0.98)).toList());
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
        for (ProjectFile file : named(names)) {
            int tail = commonTail(names, file.path().names());
            boolean exact = NameFolding.composed(file.path().name()).equals(NameFolding.composed(name));
            Reason why = tail > 1 ? Reason.SAME_FOLDER : exact ? Reason.SAME_NAME : Reason.SAME_BUT_CAPITALS;
            found.add(new Candidate(file.path(), why, Math.min(0.95, (exact ? 0.85 : 0.75) + 0.04 * (tail - 1))));
        }
        NumberedSet.in(name).ifPresent(
                set -> numbered.folders(set).forEach(folder -> found.add(new Candidate(folder.child(name), Reason.SAME_SET, 0.85))));
        return ranked(meant.map(path -> nearestFirst(found, path.parent())).orElse(found));
    }

    /** The files of a name; where very many have it, those whose folder has the right name too. */
    private List<ProjectFile> named(List<String> names) {
        String name = names.get(names.size() - 1);
        List<ProjectFile> all = tree.named(name);
        if (all.size() <= CROWD) {
            return all;
        }
        Map<String, List<ProjectFile>> byFolder = crowds.computeIfAbsent(NameFolding.folded(name),
                key -> all.stream().collect(Collectors.groupingBy(file -> NameFolding.folded(file.path().parent().name()))));
        List<ProjectFile> same = names.size() < 2 ? List.of()
                : byFolder.getOrDefault(NameFolding.folded(names.get(names.size() - 2)), List.of());
        return same.isEmpty() ? all.subList(0, CROWD) : same.subList(0, Math.min(CROWD, same.size()));
    }

    private static List<Candidate> nearestFirst(List<Candidate> found, ProjectPath folder) {
        int nearest = found.stream().mapToInt(candidate -> steps(folder, candidate.path().parent())).min().orElse(0);
        long alone = found.stream().filter(candidate -> steps(folder, candidate.path().parent()) == nearest).count();
        return alone != 1 || found.size() < 2 ? found
                : found.stream().map(candidate -> steps(folder, candidate.path().parent()) == nearest
                        ? new Candidate(candidate.path(), candidate.reason(), Math.min(0.97, candidate.sure() + 0.03))
                        : candidate).toList();
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

    /** Files whose names are nearly the same. */
    List<Candidate> similar(ProjectPath intended) {
        if (told >= most) {
            return List.of();
        }
        return remembered.computeIfAbsent(intended.text(), key -> search(intended));
    }

    private List<Candidate> search(ProjectPath intended) {
        Map<ProjectPath, Candidate> found = new LinkedHashMap<>();
        String loose = NameFolding.loose(intended.name());
        if (byLooseName == null) {
            byLooseName = new HashMap<>();
            tree.files().forEach(
                    file -> byLooseName.computeIfAbsent(NameFolding.loose(file.path().name()), k -> new ArrayList<>(1)).add(file.path()));
        }
        // Of a name without a letter or digit nothing is left to compare.
        List<ProjectPath> alike = loose.startsWith(".") || loose.isEmpty() ? List.of() : byLooseName.getOrDefault(loose, List.of());
        alike.stream().limit(CROWD).forEach(path -> found.put(path, new Candidate(path, Reason.SAME_BUT_SIGNS, 0.8)));
        near.of(intended).forEach(candidate -> found.putIfAbsent(candidate.path(), candidate));
        return ranked(new ArrayList<>(found.values()));
    }

    private static int commonTail(List<String> a, List<String> b) {
        int same = 0;
        while (same < a.size() && same < b.size()
                && NameFolding.folded(a.get(a.size() - 1 - same)).equals(NameFolding.folded(b.get(b.size() - 1 - same)))) {
            same++;
        }
        return same;
    }

    /** Whether broken links were left without candidates, since those before them had so many. */
    boolean isExhausted() {
        return told >= most || near.isExhausted();
    }

    private List<Candidate> ranked(List<Candidate> found) {

        List<Candidate> order = new ArrayList<>(found);
        order.sort(Comparator.comparingDouble(Candidate::sure).reversed().thenComparing(Candidate::path));
        boolean tied = order.size() > 1 && order.get(0).sure() - order.get(1).sure() < 0.02;
        List<Candidate> out = new ArrayList<>();
        // The first one decides what became of the link; it is never left out.
        int kept = told >= most ? 1 : MOST;
        for (int i = 0; i < Math.min(kept, order.size()); i++) {
            Candidate candidate = order.get(i);
            boolean offered = i > 0 || tied;
            told++;
            out.add(offered ? new Candidate(candidate.path(), candidate.reason(), Math.min(NOT_ALONE, candidate.sure())) : candidate);
        }
        return out;
    }
}
