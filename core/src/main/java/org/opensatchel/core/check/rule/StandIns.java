package org.opensatchel.core.check.rule;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.formats.Formats;
import org.opensatchel.formats.kind.FileKind;

/**
 * What stands in a project for files that are not there, found by the file that is missed for each of them.
 *
 * @param shortcuts all shortcuts, in order
 * @param hidden hidden files that synced folders leave in the place of a file, named like it with one more ending, in order
 * @param deepest how many names the longest path in {@code byWanted} has
 */
public record StandIns(List<ProjectPath> shortcuts, List<ProjectPath> hidden, Map<ProjectPath, ProjectPath> byWanted, int deepest) {

    public static StandIns of(List<ProjectPath> shortcuts, List<ProjectPath> hidden) {
        Map<ProjectPath, ProjectPath> byWanted = new HashMap<>();
        for (ProjectPath shortcut : shortcuts) {
            byWanted.putIfAbsent(shortcut, standsFor(shortcut));
            byWanted.putIfAbsent(standsFor(shortcut), standsFor(shortcut));
        }
        for (ProjectPath file : hidden) {
            hides(file).ifPresent(wanted -> byWanted.putIfAbsent(wanted, wanted));
        }
        int deepest = byWanted.keySet().stream().mapToInt(ProjectPath::depth).max().orElse(0);
        return new StandIns(List.copyOf(shortcuts), List.copyOf(hidden), byWanted, deepest);
    }

    /** The file whose name a hidden one bears with one more ending; only media and documents have such names. */
    static Optional<ProjectPath> hides(ProjectPath hidden) {
        String name = hidden.name();
        int last = name.lastIndexOf('.');
        if (!name.startsWith(".") || name.startsWith("._") || last < 4) {
            return Optional.empty();
        }
        ProjectPath wanted = hidden.parent().child(name.substring(1, last));
        FileKind kind = Formats.kind(wanted.extension());
        boolean made = kind.isMedia() || kind == FileKind.MODEL || kind == FileKind.FONT
                || Formats.documentEndings().contains(wanted.extension());
        return made ? Optional.of(wanted) : Optional.empty();
    }

    /** The path of the file a shortcut stands for: without the ending and the words that systems add. */
    static ProjectPath standsFor(ProjectPath shortcut) {
        String name = shortcut.name().replaceFirst("(?i)\\.(lnk|url|webloc|desktop|inetloc|fileloc|website)$", "")
                .replaceFirst("(?i) ?(- shortcut|alias)$", "");
        return shortcut.parent().child(name);
    }

    /** The file that a shortcut stands for, where one lies at a path or stands for what should lie there; a folder's shortcut stands for all that is in it. */
    Optional<ProjectPath> at(ProjectPath wanted) {
        if (byWanted.isEmpty()) {
            return Optional.empty();
        }
        return Stream.concat(wanted.folders().limit(deepest), Stream.of(wanted)).filter(byWanted::containsKey).map(byWanted::get)
                .reduce((outer, inner) -> inner);
    }
}
