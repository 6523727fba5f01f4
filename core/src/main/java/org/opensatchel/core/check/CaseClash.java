package org.opensatchel.core.check;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.opensatchel.core.finding.Advice;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.path.NameFolding;
import org.opensatchel.core.path.ProjectPath;

/** Names in one folder that are the same name where letter case or Unicode form is ignored. */
final class CaseClash implements Check {

    private static final Advice ADVICE = Advice.of("Two names are one name on some systems", "Copied to such a system, one of the two overwrites the other.",
            "Rename one of them.", "Link it again in your document, and save.");

    @Override
    public Map<Code, Advice> catalogue() {
        return Map.of(Code.NAME_CASE_CLASH, ADVICE);
    }

    @Override
    public List<Finding> judge(Evidence evidence) {
        List<List<ProjectPath>> clashes = new ArrayList<>();
        inFolder(evidence, ProjectPath.ROOT, clashes);
        evidence.tree().folders().stream().filter(folder -> !folder.text().startsWith("..")).forEach(folder -> inFolder(evidence, folder, clashes));
        clashes.sort(Comparator.comparing(paths -> paths.get(0)));
        return clashes.stream()
                .map(paths -> Finding.of(Code.NAME_CASE_CLASH, ADVICE).path(paths.get(1))
                        .saying(String.join(" and ", paths.stream().map(path -> "“" + path + "”").toList()) + " are one and the same name on Windows and on a Mac."))
                .toList();
    }

    private static void inFolder(Evidence evidence, ProjectPath folder, List<List<ProjectPath>> clashes) {
        List<ProjectPath> children = evidence.tree().children(folder);
        if (!mayClash(children)) {
            return;
        }
        Map<String, ProjectPath> first = new HashMap<>();
        Map<String, List<ProjectPath>> alike = new LinkedHashMap<>();
        for (ProjectPath path : children) {
            if (path.text().startsWith("..") || evidence.plan().map(plan -> plan.isManaged(path)).orElse(false)) {
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
