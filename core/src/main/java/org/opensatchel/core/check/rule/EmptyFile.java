package org.opensatchel.core.check.rule;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.finding.Cause;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.project.ProjectFile;
import org.opensatchel.formats.Formats;

/** A file of no bytes. */
final class EmptyFile implements Rule<UseEvidence> {

    @Override
    public Class<UseEvidence> needs() {
        return UseEvidence.class;
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.ASSET_EMPTY);
    }

    @Override
    public List<Finding> judge(UseEvidence evidence) {
        Set<ProjectPath> linked = evidence.files().stream().anyMatch(file -> file.bytes() == 0) ? stated(evidence) : Set.of();
        return evidence.files().stream().filter(file -> file.bytes() == 0 && isJudged(evidence, file, linked))
                .map(file -> Finding.of(Code.ASSET_EMPTY).path(file.path()).explains(new Cause(Cause.Kind.CONTENT, file.path())).make())
                .toList();
    }

    /** What some format says that it is asked for; an imported module may well be empty. */
    private static Set<ProjectPath> stated(UseEvidence evidence) {
        return evidence.links().stream().filter(link -> !link.link().isGuess()).flatMap(link -> link.target().stream())
                .collect(Collectors.toSet());
    }

    /**
     * Not judged: what may well be empty on purpose, since it is text, code or hidden and nobody asks for it; what the kit itself handed
     * out empty; and what a program keeps.
     */
    private static boolean isJudged(UseEvidence evidence, ProjectFile file, Set<ProjectPath> linked) {
        ProjectPath path = file.path();
        boolean given = evidence.starter(path).filter(starter -> starter.file().bytes() == 0).isPresent();
        boolean wanted = linked.contains(path) || evidence.isPlanned(path);
        boolean onPurpose = !wanted && (path.name().startsWith(".") || Formats.isWritten(path.extension()));
        return !onPurpose && !given && !evidence.isManaged(path) && !file.entry().placeholder();
    }
}
