package org.opensatchel.core.check.rule;

import static org.opensatchel.base.fact.FactName.OTHERS;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.opensatchel.base.path.NameFolding;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;

/** Names in one folder that are the same name where letter case or Unicode form is ignored. */
final class CaseClash implements Rule<TreeEvidence> {

    @Override
    public Class<TreeEvidence> needs() {
        return TreeEvidence.class;
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.NAME_CASE_CLASH);
    }

    @Override
    public List<Finding> judge(TreeEvidence evidence) {
        List<List<ProjectPath>> clashes = new ArrayList<>();
        inFolder(evidence, ProjectPath.ROOT, clashes);
        evidence.tree().folders().stream().filter(folder -> !folder.isBesideRoot()).forEach(folder -> inFolder(evidence, folder, clashes));
        clashes.sort(Comparator.comparing(paths -> paths.get(0)));
        return clashes.stream()
                .map(paths -> Finding.of(Code.NAME_CASE_CLASH).path(paths.get(1))
                        .fact(OTHERS, paths).make())
                .toList();
    }

    private static void inFolder(TreeEvidence evidence, ProjectPath folder, List<List<ProjectPath>> clashes) {
        List<ProjectPath> children = evidence.tree().children(folder);
        if (!mayClash(children)) {
            return;
        }
        Map<String, ProjectPath> first = new HashMap<>();
        Map<String, List<ProjectPath>> alike = new LinkedHashMap<>();
        for (ProjectPath path : children) {
            if (path.isBesideRoot() || evidence.isManaged(path)) {
                continue;
            }
            String name = NameFolding.folded(path.name());
            ProjectPath before = first.putIfAbsent(name, path);
            if (before != null) {
                alike.computeIfAbsent(name, key -> new ArrayList<>(List.of(before))).add(path);
            }
        }
        clashes.addAll(alike.values());
    }

    /** Whether two names have one hash, as two that are one name have; in nearly every folder none do. */
    private static boolean mayClash(List<ProjectPath> children) {
        int[] hashes = children.stream().mapToInt(path -> NameFolding.foldedHash(path.text(), path.text().lastIndexOf('/') + 1)).toArray();
        Arrays.sort(hashes);
        for (int i = 1; i < hashes.length; i++) {
            if (hashes[i] == hashes[i - 1]) {
                return true;
            }
        }
        return false;
    }
}
