package org.opensatchel.core.check.rule;

import java.util.List;
import java.util.Set;
import org.opensatchel.core.finding.Cause;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.path.ProjectPath;
import org.opensatchel.core.project.ProjectFile;

/** A file of no bytes. */
final class EmptyFile implements Rule<ContentEvidence> {

    @Override
    public Class<ContentEvidence> needs() {
        return ContentEvidence.class;
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.ASSET_EMPTY);
    }

    @Override
    public List<Finding> judge(ContentEvidence evidence) {
        return evidence.files().stream().filter(file -> file.bytes() == 0 && isJudged(evidence, file))
                .map(file -> Finding.of(Code.ASSET_EMPTY).path(file.path()).explains(new Cause(Cause.Kind.CONTENT, file.path())).make())
                .toList();
    }

    /** Not judged: hidden files that only keep a folder, what the kit itself handed out empty, and what a program keeps. */
    private static boolean isJudged(ContentEvidence evidence, ProjectFile file) {
        ProjectPath path = file.path();
        boolean given = evidence.starter(path).filter(starter -> starter.file().bytes() == 0).isPresent();
        return !path.name().startsWith(".") && !given && !evidence.isManaged(path) && !file.entry().placeholder();
    }
}
