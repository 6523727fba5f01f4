package org.opensatchel.core.check;

import java.util.List;
import java.util.Map;
import org.opensatchel.core.finding.Advice;
import org.opensatchel.core.finding.Cause;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.path.ProjectPath;
import org.opensatchel.core.project.ProjectFile;

/** A file of no bytes. */
final class EmptyFile implements Check {

    private static final Advice ADVICE = Advice.of("A file is empty", "There is a name and nothing behind it: a copy or download that did not finish, most likely.",
            "Open the original to see that it is whole.", "Copy it into the project once more, and hand in again.");

    @Override
    public Map<Code, Advice> catalogue() {
        return Map.of(Code.ASSET_EMPTY, ADVICE);
    }

    @Override
    public List<Finding> judge(Evidence evidence) {
        return evidence.tree().ownFiles().stream().filter(file -> file.bytes() == 0 && isJudged(evidence, file))
                .map(file -> Finding.of(Code.ASSET_EMPTY, ADVICE).path(file.path()).explains(new Cause(Cause.Kind.CONTENT, file.path()))
                        .saying("“" + file.path() + "” holds nothing: 0 bytes."))
                .toList();
    }

    /** Not judged: hidden files that only keep a folder, what the kit itself handed out empty, and what a program keeps. */
    private static boolean isJudged(Evidence evidence, ProjectFile file) {
        ProjectPath path = file.path();
        boolean given = evidence.plan().flatMap(plan -> plan.starter(path)).filter(starter -> starter.file().bytes() == 0).isPresent();
        boolean managed = evidence.plan().map(plan -> plan.isManaged(path)).orElse(false);
        return !path.name().startsWith(".") && !given && !managed && !file.entry().placeholder();
    }
}
