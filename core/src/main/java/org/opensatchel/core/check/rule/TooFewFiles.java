package org.opensatchel.core.check.rule;

import static org.opensatchel.base.fact.FactName.COUNT;
import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.LEAST;
import static org.opensatchel.base.fact.FactName.PURPOSE;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.finding.Cause;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.kit.Need;
import org.opensatchel.core.match.PlanMatch;
import org.opensatchel.core.match.PlannedFolder;
import org.opensatchel.core.match.PlannedRole;
import org.opensatchel.core.match.PlannedStarter;
import org.opensatchel.core.project.ProjectFile;

/** A planned folder that is there and holds less than it should; a pattern that is repeated less often than it should. */
final class TooFewFiles implements Rule<PlanEvidence> {

    @Override
    public Class<PlanEvidence> needs() {
        return PlanEvidence.class;
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.STRUCTURE_TOO_FEW, Code.STRUCTURE_REPEATS_TOO_FEW);
    }

    @Override
    public List<Finding> judge(PlanEvidence evidence) {
        List<Finding> out = new ArrayList<>();
        for (PlannedFolder match : evidence.plan().map(PlanMatch::folders).orElse(List.of())) {
            int least = match.rule().atLeast();
            if (match.rule().need() == Need.FORBIDDEN) {
                continue;
            }
            if (match.kind() == PlannedFolder.Kind.MISSING && match.rule().need() == Need.REQUIRED && least > 0
                    && !evidence.tree().seesEmpty() && !match.rule().managed()) {
                // Gone or empty: what is certain is that no file is in it.
                out.add(Finding.of(Code.STRUCTURE_TOO_FEW).path(match.planned())
                        .causedBy(cause(evidence.plan().orElseThrow(), match.planned()))
                        .fact(FOUND, match.planned()).fact(COUNT, 0).fact(LEAST, least).make());
            }
            for (ProjectPath folder : match.found()) {
                int files = (int) evidence.tree().filesBelow(folder).stream().filter(file -> !onlyKeepsFolder(file)).count();
                if (files < least) {
                    ProjectPath planned = match.found().size() == 1 && match.kind() != PlannedFolder.Kind.THERE ? match.planned() : folder;
                    out.add(Finding.of(Code.STRUCTURE_TOO_FEW).path(planned).causedBy(cause(evidence.plan().orElseThrow(), planned))
                            .fact(FOUND, folder).fact(COUNT, files).fact(LEAST, least).make());
                }
            }
            match.rule().repeats().ifPresent(asked -> {
                if (!match.found().isEmpty() && match.found().size() < asked) {
                    out.add(Finding.of(Code.STRUCTURE_REPEATS_TOO_FEW).path(match.planned())
                            .fact(COUNT, match.found().size()).fact(LEAST, asked).fact(PURPOSE, Roles.purpose(match.rule())).make());
                }
            });
        }
        return out;
    }

    /** Whether a file is there only so that packers take an empty folder along. */
    private static boolean onlyKeepsFolder(ProjectFile file) {
        return file.bytes() == 0 && file.path().name().startsWith(".");
    }

    /** What is missing from the folder by name says the same, and says it better. */
    private static Optional<Cause> cause(PlanMatch plan, ProjectPath folder) {
        for (PlannedRole role : plan.roles()) {
            boolean away = role.need() == Need.REQUIRED && role.fitting().isEmpty() && role.misnamed().isEmpty();
            if (away && role.in().isWithin(folder.composed())) {
                return Optional.of(Roles.cause(role));
            }
        }
        for (PlannedStarter starter : plan.starters()) {
            boolean away = starter.kind() == PlannedStarter.Kind.MISSING || starter.kind() == PlannedStarter.Kind.MOVED;
            if (away && starter.file().path().composed().isBelow(folder.composed())) {
                return Optional.of(new Cause(Cause.Kind.STARTER, starter.file().path()));
            }
        }
        return Optional.empty();
    }
}
