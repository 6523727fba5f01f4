package org.opensatchel.core.check;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
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
        for (ProjectFile file : evidence.tree().files()) {
            Optional<String> hash = evidence.scan().sha256(file);
            boolean managed = evidence.plan().map(plan -> plan.isManaged(file.path())).orElse(false);
            if (hash.isPresent() && file.bytes() > 0 && !managed && !file.isInCompanion()) {
                ProjectPath before = first.putIfAbsent(hash.get(), file.path());
                if (before != null) {
                    byContent.computeIfAbsent(hash.get(), key -> new ArrayList<>(List.of(before))).add(file.path());
                }
            }
        }
        return byContent.values().stream().map(paths -> Finding.of(Code.ASSET_DUPLICATE, ADVICE).path(paths.get(1)).saying(sentence(paths))).toList();
    }

    private static String sentence(List<ProjectPath> paths) {
        List<String> shown = paths.subList(0, Math.min(4, paths.size())).stream().map(path -> "“" + path + "”").toList();
        String more = paths.size() > 4 ? " and " + (paths.size() - 4) + " more" : "";
        return String.join(", ", shown) + more + " have the same content.";
    }
}
