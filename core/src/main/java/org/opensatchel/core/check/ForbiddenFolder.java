package org.opensatchel.core.check;

import java.util.List;
import java.util.Map;
import org.opensatchel.core.finding.Advice;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.kit.Need;
import org.opensatchel.core.plan.PlanMatch;

/** A folder the kit forbids. */
final class ForbiddenFolder implements Check {

    private static final Advice ADVICE = Advice.of("A forbidden folder is there", "The assignment rules this folder out.",
            "Move what you need from it to where it belongs, and link it again.", "Delete the folder, save and hand in again.");

    @Override
    public Map<Code, Advice> catalogue() {
        return Map.of(Code.STRUCTURE_FOLDER_FORBIDDEN, ADVICE);
    }

    @Override
    public List<Finding> judge(Evidence evidence) {
        return evidence.plan().map(PlanMatch::folders).orElse(List.of()).stream()
                .filter(fate -> fate.rule().need() == Need.FORBIDDEN)
                .flatMap(fate -> fate.found().stream().map(found -> Finding.of(Code.STRUCTURE_FOLDER_FORBIDDEN, ADVICE).path(found)
                        .saying("The folder “" + found + "” must not be in the project" + (fate.rule().purpose().isEmpty() ? "." : " (" + fate.rule().purpose() + ")."))))
                .toList();
    }
}
