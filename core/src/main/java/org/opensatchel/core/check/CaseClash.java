package org.opensatchel.core.check;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.opensatchel.core.finding.Advice;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.path.NameFolding;
import org.opensatchel.core.path.ProjectPath;
import org.opensatchel.core.project.ProjectFile;

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
        Map<String, List<ProjectPath>> alike = new LinkedHashMap<>();
        Stream.concat(evidence.tree().files().stream().map(ProjectFile::path), evidence.tree().folders().stream())
                .filter(path -> !path.text().startsWith("..")).filter(path -> evidence.plan().map(plan -> !plan.isManaged(path)).orElse(true)).sorted()
                .forEach(path -> alike.computeIfAbsent(path.parent().text() + "\0" + NameFolding.folded(path.name()), key -> new ArrayList<>(1)).add(path));
        return alike.values().stream().filter(paths -> paths.size() > 1)
                .map(paths -> Finding.of(Code.NAME_CASE_CLASH, ADVICE).path(paths.get(1))
                        .saying(String.join(" and ", paths.stream().map(path -> "“" + path + "”").toList()) + " are one and the same name on Windows and on a Mac."))
                .toList();
    }
}
