package org.opensatchel.core.check.rule;

import static org.opensatchel.base.fact.FactName.WHAT;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.finding.Cause;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.scan.FileFacts;

/** A file whose content is another format than its extension says. */
final class LyingType implements Rule<ContentEvidence> {

    @Override
    public Class<ContentEvidence> needs() {
        return ContentEvidence.class;
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.ASSET_TYPE_LIES);
    }

    @Override
    public List<Finding> judge(ContentEvidence evidence) {
        Map<ProjectPath, FileFacts> lies = new TreeMap<>();
        evidence.facts().forEach((path, facts) -> {
            if (facts.lie().isPresent() && !evidence.isManaged(path)) {
                lies.put(path, facts);
            }
        });
        return lies.entrySet().stream()
                .map(file -> Finding.of(Code.ASSET_TYPE_LIES).path(file.getKey()).explains(new Cause(Cause.Kind.CONTENT, file.getKey()))
                        .fact(WHAT, file.getValue().lie()).make())
                .toList();
    }
}
