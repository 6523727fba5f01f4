package org.opensatchel.core.check;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.opensatchel.core.finding.Advice;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.path.ProjectPath;
import org.opensatchel.core.project.ProjectFile;

/** Files with the same content; one finding for each content. */
final class DuplicateFiles implements Check {

    private static final Advice ADVICE = Advice.of("The same file is there more than once", "It takes room, and one day only one of the two gets changed.",
            "Nothing has to be done. To tidy up, link one of them everywhere and delete the other.");

    @Override
    public Map<Code, Advice> catalogue() {
        return Map.of(Code.ASSET_DUPLICATE, ADVICE);
    }

    @Override
    public List<Finding> judge(Evidence evidence) {
        Map<String, ProjectPath> first = new HashMap<>();
        Map<String, List<ProjectPath>> byContent = new TreeMap<>();
        Set<Long> sizes = sharedSizes(evidence.tree().ownFiles());
        if (sizes.isEmpty()) {
            return List.of();
        }
        for (ProjectFile file : evidence.tree().ownFiles()) {
            if (!sizes.contains(file.bytes()) || evidence.plan().map(plan -> plan.isManaged(file.path())).orElse(false)) {
                continue;
            }
            Optional<String> hash = evidence.scan().sha256(file);
            if (hash.isPresent()) {
                ProjectPath before = first.putIfAbsent(hash.get(), file.path());
                if (before != null) {
                    byContent.computeIfAbsent(hash.get(), key -> new ArrayList<>(List.of(before))).add(file.path());
                }
            }
        }
        return byContent.values().stream().map(paths -> Finding.of(Code.ASSET_DUPLICATE, ADVICE).path(paths.get(1)).saying(sentence(paths))).toList();
    }

    /** Sizes above zero that several files have: of all others there is no second. */
    private static Set<Long> sharedSizes(List<ProjectFile> files) {
        long[] sizes = files.stream().mapToLong(ProjectFile::bytes).toArray();
        Arrays.parallelSort(sizes);
        Set<Long> shared = new HashSet<>();
        for (int i = 1; i < sizes.length; i++) {
            if (sizes[i] == sizes[i - 1] && sizes[i] > 0) {
                shared.add(sizes[i]);
            }
        }
        return shared;
    }

    private static String sentence(List<ProjectPath> paths) {
        List<String> shown = paths.subList(0, Math.min(4, paths.size())).stream().map(path -> "“" + path + "”").toList();
        String more = paths.size() > 4 ? " and " + (paths.size() - 4) + " more" : "";
        return String.join(", ", shown) + more + " have the same content.";
    }
}
