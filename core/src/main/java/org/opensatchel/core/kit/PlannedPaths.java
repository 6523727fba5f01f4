package org.opensatchel.core.kit;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.opensatchel.core.naming.NamePattern;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.path.ProjectPath;

/** The paths that a plan makes for somebody, as short as they can be. */
public final class PlannedPaths {

    private PlannedPaths() {
    }

    /** How many characters the longest planned path has below the root; 0 when nothing is planned. */
    public static int deepest(Kit kit, RosterFields fields) {
        return Stream.of(kit.folders().stream().map(rule -> path(kit, rule.path(), fields)),
                kit.starter().stream().map(file -> file.path().text()),
                kit.documents().stream().map(rule -> file(kit, rule.in(), rule.name(), rule.types(), fields)),
                kit.files().stream().map(rule -> file(kit, rule.in(), rule.name(), rule.types(), fields)))
                .flatMap(paths -> paths).mapToInt(String::length).max().orElse(0);
    }

    private static String file(Kit kit, ProjectPath in, NamePattern name, List<String> types, RosterFields fields) {
        String ending = types.isEmpty() ? "" : "." + types.get(0);
        String folder = in.isRoot() ? "" : path(kit, FolderPattern.of(in.text()), fields);
        return (folder.isEmpty() ? "" : folder + "/") + shortest(kit, name, fields) + ending;
    }

    private static String path(Kit kit, FolderPattern pattern, RosterFields fields) {
        return pattern.names().stream().map(name -> shortest(kit, name, fields)).collect(Collectors.joining("/"));
    }

    private static String shortest(Kit kit, NamePattern name, RosterFields fields) {
        Optional<String> made = name.shortest(fields, kit.ascii(), false);
        return made.orElse(name.text());
    }
}
