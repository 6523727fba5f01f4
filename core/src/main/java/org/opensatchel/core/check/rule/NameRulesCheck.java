package org.opensatchel.core.check.rule;

import static org.opensatchel.base.fact.FactName.CHARACTER;
import static org.opensatchel.base.fact.FactName.FAULT;
import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.MACHINES;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.finding.Cause;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.finding.Severity;
import org.opensatchel.core.kit.FolderRule;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.Marker;
import org.opensatchel.core.match.PlanMatch;
import org.opensatchel.core.naming.NameBreach;
import org.opensatchel.core.naming.NameRules;
import org.opensatchel.core.naming.PortableName;
import org.opensatchel.core.project.ProjectFile;
import org.opensatchel.core.resolve.CarryWording;

/** The names of all files and folders against the kit's name rules, and against what every system allows. */
final class NameRulesCheck implements Rule<PlanEvidence> {

    @Override
    public Class<PlanEvidence> needs() {
        return PlanEvidence.class;
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.NAME_CHARACTER, Code.NAME_SPACE, Code.NAME_TOO_LONG, Code.NAME_PLACEHOLDER_NAME);
    }

    @Override
    public List<Finding> judge(PlanEvidence evidence) {
        NameRules rules = evidence.kit().map(Kit::nameRules).orElse(NameRules.DEFAULT);
        List<Finding> out = new ArrayList<>();
        evidence.tree().rootName().ifPresent(name -> judge(rules, ProjectPath.ROOT, name, true, out));
        evidence.tree().folders().stream().filter(folder -> isJudged(evidence, folder))
                .forEach(folder -> judge(rules, folder, folder.name(), true, out));
        evidence.tree().files().stream().map(ProjectFile::path).filter(path -> isJudged(evidence, path))
                .forEach(path -> judge(rules, path, path.name(), false, out));
        refusedThere(evidence, out);
        return out;
    }

    /** What nobody judges otherwise counts all the same where a link breaks for it on a machine that the kit requires. */
    private static void refusedThere(PlanEvidence evidence, List<Finding> out) {
        Set<ProjectPath> told = out.stream().filter(finding -> finding.code() == Code.NAME_CHARACTER).map(Finding::path)
                .collect(Collectors.toCollection(HashSet::new));
        evidence.refused().forEach((file, refused) -> {
            if (!refused.linked() || evidence.isManaged(file)) {
                return;
            }
            if (refused.isFor(CarryWording.NAME_TOO_LONG)) {
                out.add(named(Code.NAME_TOO_LONG, file).atLeast(Severity.MUST).facts(refused.why().facts())
                        .fact(MACHINES, refused.machines())
                        .make());
            } else if (refused.isFor(CarryWording.NAME_REFUSED) || refused.isFor(CarryWording.NAME_COLON)) {
                refusedNames(file).filter(told::add).forEach(path -> out.add(named(Code.NAME_CHARACTER, path).fact(FOUND, path.name())
                        .fact(FAULT, PortableName.refusal(path.name()).orElseThrow().what()).make()));
            }
        });
    }

    /** The file, or the folders on the way to it, whose names some system refuses. */
    private static Stream<ProjectPath> refusedNames(ProjectPath file) {
        return Stream.iterate(file, path -> !path.isRoot(), ProjectPath::parent)
                .filter(path -> PortableName.refusal(path.name()).isPresent());
    }

    /** Not judged: what came with the kit or as it is, and what a program keeps. */
    private static boolean isJudged(PlanEvidence evidence, ProjectPath path) {
        if (path.isBesideRoot()) {
            return false;
        }
        if (evidence.plan().isEmpty()) {
            return true;
        }
        PlanMatch plan = evidence.plan().get();
        boolean given = plan.isStarter(path)
                || (evidence.tree().isFolder(path) && plan.rule(path).filter(NameRulesCheck::namesItself).isPresent()
                        && !plan.shouldBe().containsKey(path));
        return !given && !plan.isSetApart(path) && !path.name().equals(Marker.GUIDE);
    }

    /** Whether a folder's name is the kit's own choice; what stands for a free field is the student's. */
    private static boolean namesItself(FolderRule rule) {
        return rule.path().names().get(rule.path().names().size() - 1).isMadeByRoster();
    }

    /** The root's name is the pattern's business; only what some system refuses is told of it here. */
    private static void judge(NameRules rules, ProjectPath path, String name, boolean folder, List<Finding> out) {
        for (NameBreach breach : NameBreach.of(rules, name, folder)) {
            if (!path.isRoot() || breach.kind() == NameBreach.Kind.CHARACTER) {
                out.add(named(code(breach.kind()), path).fact(FOUND, name).facts(facts(breach)).make());
            }
        }
    }

    private static Code code(NameBreach.Kind kind) {
        return switch (kind) {
            case CHARACTER, LETTERS -> Code.NAME_CHARACTER;
            case SPACE -> Code.NAME_SPACE;
            case TOO_LONG -> Code.NAME_TOO_LONG;
            case AVOIDED -> Code.NAME_PLACEHOLDER_NAME;
        };
    }

    private static Facts facts(NameBreach breach) {
        return switch (breach.kind()) {
            case CHARACTER, LETTERS -> Facts.of(FAULT, breach.what());
            default -> breach.what().facts();
        };
    }

    private static Finding.Builder named(Code code, ProjectPath path) {
        return Finding.of(code).path(path).causedBy(new Cause(Cause.Kind.NAME, path));
    }
}
