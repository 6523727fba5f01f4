package org.opensatchel.core.check;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.core.finding.Advice;
import org.opensatchel.core.finding.Candidate;
import org.opensatchel.core.finding.Cause;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.path.ProjectPath;
import org.opensatchel.core.plan.FolderFate;
import org.opensatchel.core.plan.PlanMatch;

/** A planned folder that is there under another name, or in another place. */
final class MisnamedFolder implements Check {

    private static final Advice RENAMED = Advice.of("A planned folder has another name", "Links and checks look for the name that was agreed, letter by letter.",
            "Close your program, rename the folder to the planned name, and open the document again.", "Link again what went missing, then save.");
    private static final Advice MOVED = Advice.of("A planned folder lies in another place", "Links and checks look for the place that was agreed.",
            "Close your program, move the folder back to its place, and open the document again.", "Link again what went missing, then save.");

    @Override
    public Map<Code, Advice> catalogue() {
        return Map.of(Code.STRUCTURE_FOLDER_RENAMED, RENAMED, Code.STRUCTURE_FOLDER_MOVED, MOVED);
    }

    @Override
    public List<Finding> judge(Evidence evidence) {
        return evidence.plan().map(PlanMatch::folders).orElse(List.of()).stream()
                .filter(fate -> fate.kind() == FolderFate.Kind.RENAMED || fate.kind() == FolderFate.Kind.MOVED)
                .map(MisnamedFolder::finding).toList();
    }

    private static Finding finding(FolderFate fate) {
        boolean renamed = fate.kind() == FolderFate.Kind.RENAMED;
        ProjectPath found = fate.found().get(0);
        String message = renamed ? "The folder “" + found + "” should be called “" + fate.planned().name() + "”."
                : "The folder “" + found + "” should lie at “" + fate.planned() + "”.";
        return Finding.of(renamed ? Code.STRUCTURE_FOLDER_RENAMED : Code.STRUCTURE_FOLDER_MOVED, renamed ? RENAMED : MOVED).path(found)
                .explains(new Cause(Cause.Kind.FOLDER, fate.planned())).explains(new Cause(Cause.Kind.NAME, found))
                .proposal(Optional.of(new Candidate(fate.planned(), "the planned folder", 0.9))).saying(message);
    }
}
