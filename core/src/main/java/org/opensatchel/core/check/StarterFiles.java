package org.opensatchel.core.check;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.core.finding.Advice;
import org.opensatchel.core.finding.Candidate;
import org.opensatchel.core.finding.Cause;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.kit.Kit.StarterFile.Treat;
import org.opensatchel.core.path.ProjectPath;
import org.opensatchel.core.plan.PlanMatch;
import org.opensatchel.core.plan.StarterFate;

/** What became of the files that came with the kit, told by their content. */
final class StarterFiles implements Check {

    private static final Advice MISSING = Advice.of("A file of the kit is missing", "The assignment needs it where the kit put it.",
            "Take the file from the kit once more, and put it back in its place.");
    private static final Advice CHANGED = Advice.of("A file of the kit was changed", "It has to stay as it was handed out.",
            "Keep your own version under a name of its own.", "Put the kit's file back, and link whichever you need.");
    private static final Advice RENAMED = Advice.of("A file of the kit was renamed", "What links it looks for the name it was handed out with.",
            "Give it back the name it had in the kit.", "Link it again where it went missing, and save.");
    private static final Advice MOVED = Advice.of("A file of the kit was moved", "What links it looks in the place the kit put it.",
            "Move it back to where the kit put it.", "Link it again where it went missing, and save.");

    @Override
    public Map<Code, Advice> catalogue() {
        return Map.of(Code.ASSET_STARTER_MISSING, MISSING, Code.ASSET_STARTER_CHANGED, CHANGED, Code.ASSET_STARTER_RENAMED, RENAMED, Code.ASSET_STARTER_MOVED, MOVED);
    }

    @Override
    public List<Finding> judge(Evidence evidence) {
        List<Finding> out = new ArrayList<>();
        for (StarterFate starter : evidence.plan().map(PlanMatch::starters).orElse(List.of())) {
            boolean judged = starter.kind() != StarterFate.Kind.AS_IT_WAS && starter.file().treat() != Treat.FREE;
            if (judged) {
                out.add(finding(evidence, starter));
            }
        }
        return out;
    }

    private Finding finding(Evidence evidence, StarterFate starter) {
        ProjectPath planned = starter.file().path();
        ProjectPath found = starter.found().orElse(planned);
        Code code = switch (starter.kind()) {
            case CHANGED -> Code.ASSET_STARTER_CHANGED;
            case RENAMED -> Code.ASSET_STARTER_RENAMED;
            case MOVED -> Code.ASSET_STARTER_MOVED;
            default -> Code.ASSET_STARTER_MISSING;
        };
        String message = switch (starter.kind()) {
            case CHANGED -> "“" + found + "” came with the kit and is not what it was.";
            case RENAMED -> "“" + found + "” came with the kit as “" + planned.name() + "”.";
            case MOVED -> "“" + found + "” came with the kit as “" + planned + "”.";
            default -> "“" + planned + "” came with the kit and is gone.";
        };
        boolean elsewhere = starter.kind() == StarterFate.Kind.RENAMED || starter.kind() == StarterFate.Kind.MOVED;
        return Finding.of(code, catalogue().get(code)).path(found).explains(new Cause(Cause.Kind.STARTER, planned)).explains(new Cause(Cause.Kind.NAME, found))
                .causedBy(starter.kind() == StarterFate.Kind.MISSING ? Roles.folderCause(evidence.plan().orElseThrow(), planned).or(() -> shortcut(evidence, planned)) : Optional.empty())
                .proposal(elsewhere ? Optional.of(new Candidate(planned, "its place in the kit", 0.95)) : Optional.empty()).saying(message);
    }

    private static Optional<Cause> shortcut(Evidence evidence, ProjectPath planned) {
        return evidence.standIns().at(planned).map(path -> new Cause(Cause.Kind.SHORTCUT, path));
    }
}
