package org.opensatchel.core.check.rule;

import static org.opensatchel.core.fact.FactName.BYTES;
import static org.opensatchel.core.fact.FactName.MOST_BYTES;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.kit.Kit;

/** Files, and projects, over the kit's limits. */
final class SizeLimits implements Rule<ContentEvidence> {

    @Override
    public Class<ContentEvidence> needs() {
        return ContentEvidence.class;
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.ASSET_TOO_LARGE, Code.ASSET_TOTAL_TOO_LARGE);
    }

    @Override
    public List<Finding> judge(ContentEvidence evidence) {
        List<Finding> out = new ArrayList<>();
        Kit.Limits limits = evidence.limits();
        limits.fileBytes().ifPresent(most -> evidence.files().stream().filter(file -> file.bytes() > most)
                .forEach(file -> out
                        .add(Finding.of(Code.ASSET_TOO_LARGE).path(file.path()).fact(BYTES, file.bytes()).fact(MOST_BYTES, most).make())));
        limits.totalBytes().ifPresent(most -> {
            if (evidence.bytes() > most) {
                out.add(Finding.of(Code.ASSET_TOTAL_TOO_LARGE).fact(BYTES, evidence.bytes()).fact(MOST_BYTES, most).make());
            }
        });
        return out;
    }
}
