package org.opensatchel.core.check;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.opensatchel.core.finding.Advice;
import org.opensatchel.core.finding.Cause;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.naming.NameBreach;
import org.opensatchel.core.naming.NameRules;
import org.opensatchel.core.path.ProjectPath;
import org.opensatchel.core.plan.PlanMatch;
import org.opensatchel.core.project.ProjectFile;

/** The names of all files and folders against the kit's name rules, and against what every system allows. */
final class NameRulesCheck implements Check {

    private static final Advice CHARACTER = Advice.of("A name holds what some system refuses", "The file cannot be copied, or cannot be opened, on that system.",
            "Rename it, using letters, digits, hyphens and underscores.", "Link it again in your document, and save.");
    private static final Advice SPACE = Advice.of("A name holds a space", "The assignment asks for names without spaces: links and scripts break at them.",
            "Rename it, with _ or - in place of the space.", "Link it again in your document, and save.");
    private static final Advice TOO_LONG = Advice.of("A name is too long", "Long names add up to paths that some systems cannot open.",
            "Shorten the name.", "Link it again in your document, and save.");
    private static final Advice PLACEHOLDER = Advice.of("A name says nothing", "Nobody, you included, will know in a month what it holds.",
            "Give it a name that says what it is.", "Link it again in your document, and save.");

    @Override
    public Map<Code, Advice> catalogue() {
        return Map.of(Code.NAME_CHARACTER, CHARACTER, Code.NAME_SPACE, SPACE, Code.NAME_TOO_LONG, TOO_LONG, Code.NAME_PLACEHOLDER_NAME, PLACEHOLDER);
    }

    @Override
    public List<Finding> judge(Evidence evidence) {
        NameRules rules = evidence.kit().map(Kit::nameRules).orElse(NameRules.DEFAULT);
        List<Finding> out = new ArrayList<>();
        evidence.tree().rootName().ifPresent(name -> judge(rules, ProjectPath.ROOT, name, true, out));
        evidence.tree().folders().stream().filter(folder -> isJudged(evidence, folder)).forEach(folder -> judge(rules, folder, folder.name(), true, out));
        evidence.tree().files().stream().map(ProjectFile::path).filter(path -> isJudged(evidence, path)).forEach(path -> judge(rules, path, path.name(), false, out));
        return out;
    }

    /** Not judged: what came with the kit or as it is, and what a program keeps. */
    private static boolean isJudged(Evidence evidence, ProjectPath path) {
        if (path.text().startsWith("..")) {
            return false;
        }
        if (evidence.plan().isEmpty()) {
            return true;
        }
        PlanMatch plan = evidence.plan().get();
        boolean given = plan.isStarter(path)
                || (evidence.tree().isFolder(path) && plan.rule(path).isPresent() && !plan.shouldBe().containsKey(path));
        return !given && !plan.isSetApart(path) && !path.name().equals(PlanMatch.GUIDE);
    }

    /** The root's name is the pattern's business; only what some system refuses is told of it here. */
    private static void judge(NameRules rules, ProjectPath path, String name, boolean folder, List<Finding> out) {
        for (NameBreach breach : NameBreach.of(rules, name, folder)) {
            if (!path.isRoot() || breach.kind() == NameBreach.Kind.CHARACTER) {
                out.add(named(code(breach.kind()), advice(breach.kind()), path).saying("“" + name + "” " + breach.phrase() + "."));
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

    private static Advice advice(NameBreach.Kind kind) {
        return switch (kind) {
            case CHARACTER, LETTERS -> CHARACTER;
            case SPACE -> SPACE;
            case TOO_LONG -> TOO_LONG;
            case AVOIDED -> PLACEHOLDER;
        };
    }

    private static Finding.Builder named(Code code, Advice advice, ProjectPath path) {
        return Finding.of(code, advice).path(path).causedBy(new Cause(Cause.Kind.NAME, path));
    }
}
