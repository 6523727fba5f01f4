package org.opensatchel.core.check;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.core.finding.Advice;
import org.opensatchel.core.finding.Cause;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.kit.Need;
import org.opensatchel.core.path.ProjectPath;
import org.opensatchel.core.plan.FolderFate;
import org.opensatchel.core.plan.PlanMatch;
import org.opensatchel.core.plan.RoleFate;
import org.opensatchel.core.plan.StarterFate;
import org.opensatchel.core.project.ProjectFile;

/** A planned folder that is there and holds less than it should; a pattern that is repeated less often than it should. */
final class TooFewFiles implements Check {

    private static final Advice ADVICE = Advice.of("A folder holds too few files", "What should be in it is missing, or lies somewhere else.",
            "Copy the missing files into the folder.", "Link them from there, and save.");
    private static final Advice REPEATS = Advice.of("There are too few folders of a kind", "The assignment asks for one folder each.",
            "Make a folder for each, named by the pattern.");

    @Override
    public Map<Code, Advice> catalogue() {
        return Map.of(Code.STRUCTURE_TOO_FEW, ADVICE, Code.STRUCTURE_REPEATS_TOO_FEW, REPEATS);
    }

    @Override
    public List<Finding> judge(Evidence evidence) {
        List<Finding> out = new ArrayList<>();
        for (FolderFate fate : evidence.plan().map(PlanMatch::folders).orElse(List.of())) {
            int least = fate.rule().atLeast();
            if (fate.rule().need() == Need.FORBIDDEN) {
                continue;
            }
            for (ProjectPath folder : fate.found()) {
                int files = (int) evidence.tree().filesBelow(folder).stream().filter(file -> !onlyKeepsFolder(file)).count();
                if (files < least) {
                    ProjectPath planned = fate.found().size() == 1 && fate.kind() != FolderFate.Kind.THERE ? fate.planned() : folder;
                    out.add(Finding.of(Code.STRUCTURE_TOO_FEW, ADVICE).path(planned).causedBy(cause(evidence.plan().orElseThrow(), planned))
                            .saying("“" + folder + "” holds " + (files == 0 ? "no file" : files == 1 ? "1 file" : files + " files") + "; at least " + least + (least == 1 ? " is" : " are") + " needed."));
                }
            }
            fate.rule().repeats().ifPresent(asked -> {
                if (!fate.found().isEmpty() && fate.found().size() < asked) {
                    out.add(Finding.of(Code.STRUCTURE_REPEATS_TOO_FEW, REPEATS).path(fate.planned())
                            .saying("There are " + fate.found().size() + " folders like “" + fate.planned() + "”; at least " + asked + " are needed."));
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
        for (RoleFate role : plan.roles()) {
            boolean away = role.need() == Need.REQUIRED && role.fitting().isEmpty() && role.misnamed().isEmpty();
            if (away && role.in().isWithin(folder.composed())) {
                return Optional.of(Roles.cause(role));
            }
        }
        for (StarterFate starter : plan.starters()) {
            boolean away = starter.kind() == StarterFate.Kind.MISSING || starter.kind() == StarterFate.Kind.MOVED;
            if (away && starter.file().path().composed().isBelow(folder.composed())) {
                return Optional.of(new Cause(Cause.Kind.STARTER, starter.file().path()));
            }
        }
        return Optional.empty();
    }
}
