package org.opensatchel.core.check.rule;

import static org.opensatchel.base.fact.FactName.OTHERS;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.project.ProjectFile;

/** Files with the same content; one finding for each content. */
final class DuplicateFiles implements Rule<ContentEvidence> {

    @Override
    public Class<ContentEvidence> needs() {
        return ContentEvidence.class;
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.ASSET_DUPLICATE);
    }

    @Override
    public List<Finding> judge(ContentEvidence evidence) {
        Map<String, ProjectPath> first = new HashMap<>();
        Map<String, List<ProjectPath>> byContent = new TreeMap<>();
        Set<Long> sizes = sharedSizes(evidence.files());
        if (sizes.isEmpty()) {
            return List.of();
        }
        for (ProjectFile file : evidence.files()) {
            if (!sizes.contains(file.bytes()) || evidence.isManaged(file.path())) {
                continue;
            }
            Optional<String> hash = evidence.sha256(file);
            if (hash.isPresent()) {
                ProjectPath before = first.putIfAbsent(hash.get(), file.path());
                if (before != null) {
                    byContent.computeIfAbsent(hash.get(), key -> new ArrayList<>(List.of(before))).add(file.path());
                }
            }
        }
        return byContent.values().stream().map(paths -> Finding.of(Code.ASSET_DUPLICATE).path(paths.get(1)).fact(OTHERS, paths).make())
                .toList();
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
}
