package org.opensatchel.core.check.rule;

import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.LENGTH;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.match.PlannedRole;
import org.opensatchel.core.project.ProjectFile;
import org.opensatchel.formats.Formats;
import org.opensatchel.formats.kind.FileKind;

/**
 * A finished film or sound that is older than the last save of the document it is made of. Times say that only where they are the files' own:
 * what was copied or unpacked may have got the time of that, and then nothing is told.
 */
final class StaleExport implements Rule<PlannedUseEvidence> {

    private static final Set<FileKind> EXPORTED = EnumSet.of(FileKind.MOVING_PICTURE, FileKind.SOUND);
    /** Who exports and saves at once does not do so in the same moment. */
    private static final Duration SPARE = Duration.ofMinutes(2);
    /** Times so near one another were given by a copy, not by people. */
    private static final Duration TOGETHER = Duration.ofSeconds(4);
    private static final int FEW = 2;
    /** The first moment that archives can write: nobody's clock, but no time at all. */
    private static final Instant NO_TIME = Instant.parse("1981-01-01T00:00:00Z");

    @Override
    public Class<PlannedUseEvidence> needs() {
        return PlannedUseEvidence.class;
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.HABIT_EXPORT_STALE);
    }

    @Override
    public List<Finding> judge(PlannedUseEvidence evidence) {
        List<Finding> out = new ArrayList<>();
        if (evidence.plan().isEmpty()) {
            return out;
        }
        List<PlannedRole> roles = evidence.plan().get().roles();
        Optional<ProjectFile> saved = roles.stream().filter(PlannedRole::document).flatMap(role -> role.fitting().stream())
                .filter(path -> !evidence.isOlder(path)).flatMap(path -> evidence.tree().file(path).stream())
                .filter(file -> time(file).isPresent())
                .max((a, b) -> time(a).get().compareTo(time(b).get()));
        if (saved.isEmpty() || !isOwn(evidence, saved.get())) {
            return out;
        }
        Set<ProjectPath> linked = evidence.linked();
        roles.stream().filter(role -> !role.document()).forEach(role -> role.fitting().stream()
                .filter(path -> EXPORTED.contains(Formats.kind(path.extension())) && !linked.contains(path))
                .flatMap(path -> evidence.tree().file(path).stream())
                .filter(file -> hasSources(evidence, file, linked)).forEach(file -> stale(file, saved.get()).ifPresent(out::add)));
        return out;
    }

    private static Optional<Instant> time(ProjectFile file) {
        return file.entry().time().filter(time -> time.isAfter(NO_TIME));
    }

    private static Optional<Finding> stale(ProjectFile export, ProjectFile saved) {
        Optional<Instant> made = time(export);
        Instant last = time(saved).orElseThrow();
        return made.filter(time -> time.plus(SPARE).isBefore(last))
                .map(time -> Finding.of(Code.HABIT_EXPORT_STALE).path(export.path()).fact(FOUND, saved.path())
                        .fact(LENGTH, (double) Duration.between(time, last).toSeconds()).make());
    }

    /** What was made of something is younger than some of it: where it is not, its time is that of a copy. */
    private static boolean hasSources(PlannedUseEvidence evidence, ProjectFile export, Set<ProjectPath> linked) {
        Optional<Instant> made = time(export);
        return made.isPresent() && linked.stream().flatMap(path -> evidence.tree().file(path).stream())
                .flatMap(file -> time(file).stream()).anyMatch(time -> time.isBefore(made.get()));
    }

    /** Whether no more than a few other files bear the time of a save. */
    private static boolean isOwn(PlannedUseEvidence evidence, ProjectFile saved) {
        Instant last = time(saved).orElseThrow();
        return evidence.tree().ownFiles().stream().filter(file -> !file.path().equals(saved.path())).flatMap(file -> time(file).stream())
                .filter(time -> Duration.between(time, last).abs().compareTo(TOGETHER) <= 0).count() <= FEW;
    }
}
