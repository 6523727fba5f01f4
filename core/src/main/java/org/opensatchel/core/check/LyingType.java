package org.opensatchel.core.check;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.opensatchel.core.finding.Advice;
import org.opensatchel.core.finding.Cause;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.path.ProjectPath;
import org.opensatchel.core.scan.FileFacts;

/** A file whose content is another format than its extension says. */
final class LyingType implements Check {

    private static final Advice ADVICE = Advice.of("An extension does not say what the file is", "Some programs open it all the same, others refuse it.",
            "Save or export it once more in the format its name promises; renaming alone does not change what it is.", "Link the new file, and save.");

    @Override
    public Map<Code, Advice> catalogue() {
        return Map.of(Code.ASSET_TYPE_LIES, ADVICE);
    }

    @Override
    public List<Finding> judge(Evidence evidence) {
        Map<ProjectPath, FileFacts> lies = new TreeMap<>();
        evidence.scan().facts().forEach((path, facts) -> {
            if (facts.lie().isPresent() && evidence.plan().map(plan -> !plan.isManaged(path)).orElse(true)) {
                lies.put(path, facts);
            }
        });
        return lies.entrySet().stream()
                .map(file -> Finding.of(Code.ASSET_TYPE_LIES, ADVICE).path(file.getKey()).explains(new Cause(Cause.Kind.CONTENT, file.getKey()))
                        .saying("“" + file.getKey() + "” is " + file.getValue().lie().orElseThrow() + ", whatever its name says."))
                .toList();
    }
}
