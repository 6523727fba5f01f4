package org.opensatchel.core.match;

import java.util.List;
import java.util.Optional;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.MediaRule;
import org.opensatchel.core.kit.Need;
import org.opensatchel.core.kit.TimelineRule;
import org.opensatchel.core.naming.NamePattern;
import org.opensatchel.formats.kind.TypeNames;

/**
 * What became of one document or file the student has to make.
 *
 * @param document whether it is a document rather than another file
 * @param fitting the files that are right
 * @param misnamed files of the right type in the right folder under a wrong name
 * @param misplaced files that were taken for it in another place
 * @param otherType files under its name in its place that are of another type
 * @param media what it has to be as a picture, a film or a sound
 * @param timeline what its timelines have to be like
 * @param either a word that several roles share of which one has to be filled
 * @param versions how many versions of a document there have to be; 0 for any number
 */
public record PlannedRole(boolean document, String role, ProjectPath in, NamePattern name, List<String> types, Need need,
        int versions, Optional<MediaRule> media, Optional<TimelineRule> timeline, Optional<String> namedLike, Optional<String> either,
        List<ProjectPath> fitting, List<ProjectPath> misnamed, List<ProjectPath> misplaced, List<ProjectPath> otherType) {

    public PlannedRole {
        fitting = List.copyOf(fitting);
        misnamed = List.copyOf(misnamed);
        misplaced = List.copyOf(misplaced);
        otherType = List.copyOf(otherType);
    }

    static PlannedRole of(Kit.DocumentRule rule, ProjectPath in) {
        return new PlannedRole(true, rule.role(), in, rule.name(), rule.types(), rule.need(), rule.versions(), rule.media(),
                rule.timeline(),
                rule.namedLike(),
                rule.either(), List.of(),
                List.of(), List.of(), List.of());
    }

    static PlannedRole of(Kit.FileRule rule, ProjectPath in) {
        return new PlannedRole(false, rule.role(), in, rule.name(), rule.types(), rule.need(), 0, rule.media(), Optional.empty(),
                rule.namedLike(),
                rule.either(),
                List.of(), List.of(),
                List.of(), List.of());
    }

    PlannedRole found(List<ProjectPath> right, List<ProjectPath> wrong, List<ProjectPath> elsewhere) {
        return new PlannedRole(document, role, in, name, types, need, versions, media, timeline, namedLike, either, right, wrong, elsewhere,
                otherType);
    }

    PlannedRole ofOtherType(List<ProjectPath> files) {
        return new PlannedRole(document, role, in, name, types, need, versions, media, timeline, namedLike, either, fitting, misnamed,
                misplaced,
                files);
    }

    public boolean takes(ProjectPath file) {
        return types.isEmpty() || TypeNames.contains(types, file.extension());
    }

    public boolean isFilled() {
        return !fitting.isEmpty() || !misnamed.isEmpty() || !misplaced.isEmpty() || !otherType.isEmpty();
    }
}
