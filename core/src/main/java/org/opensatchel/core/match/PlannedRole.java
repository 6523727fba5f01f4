package org.opensatchel.core.match;

import java.util.List;
import java.util.Optional;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.Need;
import org.opensatchel.core.naming.NamePattern;
import org.opensatchel.core.path.ProjectPath;

/**
 * What became of one document or file the student has to make.
 *
 * @param document whether it is a document rather than another file
 * @param fitting the files that are right
 * @param misnamed files of the right type in the right folder under a wrong name
 * @param misplaced files that were taken for it in another place
 */
public record PlannedRole(boolean document, String role, ProjectPath in, NamePattern name, List<String> types, Need need,
        Optional<String> namedLike,
        List<ProjectPath> fitting, List<ProjectPath> misnamed, List<ProjectPath> misplaced) {

    public PlannedRole {
        fitting = List.copyOf(fitting);
        misnamed = List.copyOf(misnamed);
        misplaced = List.copyOf(misplaced);
    }

    static PlannedRole of(Kit.DocumentRule rule) {
        return new PlannedRole(true, rule.role(), rule.in().composed(), rule.name(), rule.types(), rule.need(), rule.namedLike(), List.of(),
                List.of(), List.of());
    }

    static PlannedRole of(Kit.FileRule rule) {
        return new PlannedRole(false, rule.role(), rule.in().composed(), rule.name(), rule.types(), rule.need(), rule.namedLike(),
                List.of(), List.of(), List.of());
    }

    PlannedRole found(List<ProjectPath> right, List<ProjectPath> wrong, List<ProjectPath> elsewhere) {
        return new PlannedRole(document, role, in, name, types, need, namedLike, right, wrong, elsewhere);
    }

    public boolean takes(ProjectPath file) {
        return types.isEmpty() || types.contains(file.extension());
    }

    public boolean isFilled() {
        return !fitting.isEmpty() || !misnamed.isEmpty() || !misplaced.isEmpty();
    }
}
