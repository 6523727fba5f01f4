package org.opensatchel.core.check.rule;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.core.path.ProjectPath;

/**
 * The shortcuts of a project, found by the file that is missed for each of them.
 *
 * @param shortcuts all of them, in order
 */
public record StandIns(List<ProjectPath> shortcuts, Map<ProjectPath, ProjectPath> byWanted) {

    public static StandIns of(List<ProjectPath> shortcuts) {
        Map<ProjectPath, ProjectPath> byWanted = new HashMap<>();
        for (ProjectPath shortcut : shortcuts) {
            byWanted.putIfAbsent(shortcut, standsFor(shortcut));
            byWanted.putIfAbsent(standsFor(shortcut), standsFor(shortcut));
        }
        return new StandIns(List.copyOf(shortcuts), byWanted);
    }

    /** The path of the file a shortcut stands for: without the ending and the words that systems add. */
    static ProjectPath standsFor(ProjectPath shortcut) {
        String name = shortcut.name().replaceFirst("(?i)\\.(lnk|url|webloc|desktop)$", "").replaceFirst("(?i) ?(- shortcut|alias)$", "");
        return shortcut.parent().child(name);
    }

    /** The file that a shortcut stands for, where one lies at a path or stands for what should lie there. */
    Optional<ProjectPath> at(ProjectPath wanted) {
        return Optional.ofNullable(byWanted.get(wanted));
    }
}
