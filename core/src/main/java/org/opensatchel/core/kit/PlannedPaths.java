package org.opensatchel.core.kit;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.naming.NamePattern;
import org.opensatchel.core.naming.RosterFields;

/** The paths that a plan makes for somebody. */
public final class PlannedPaths {

    private PlannedPaths() {
    }

    /**
     * Something that is planned, as it is called for one student.
     *
     * @param path below the root
     * @param isExample whether they choose a part of its name themselves, so that it can only be an example
     * @param purpose what it is for
     * @param types the types that belong into a folder, or that a file may have; empty for any
     * @param managed whether a program fills it by itself
     * @param isFolder whether it is a folder, and otherwise a file
     */
    public record Planned(String path, boolean isExample, String purpose, List<String> types, Need need, boolean managed,
            boolean isFolder) {}

    /** What a student has to make, or finds there: the folders, then documents and files. */
    public static List<Planned> of(Kit kit, RosterFields fields) {
        Stream<Planned> folders = kit.folders().stream()
                .map(rule -> new Planned(rule.path().example(fields, kit.ascii()), !rule.path().isMadeByRoster(), rule.purpose(),
                        rule.accepts(), rule.need(), rule.managed(), true));
        Stream<Planned> documents = kit.documents().stream()
                .map(rule -> file(kit, rule.role(), rule.in(), rule.name(), rule.types(), rule.need(), fields));
        Stream<Planned> files = kit.files().stream()
                .map(rule -> file(kit, rule.role(), rule.in(), rule.name(), rule.types(), rule.need(), fields));
        return Stream.of(folders, documents, files).flatMap(each -> each).filter(each -> each.need() != Need.FORBIDDEN).toList();
    }

    private static Planned file(Kit kit, String role, ProjectPath in, NamePattern name, List<String> types, Need need,
            RosterFields fields) {
        FolderPattern folder = FolderPattern.of(in.text());
        String path = (in.isRoot() ? "" : folder.example(fields, kit.ascii()) + "/") + name.example(fields, kit.ascii());
        boolean chosen = !name.isMadeByRoster() || !in.isRoot() && !folder.isMadeByRoster();
        return new Planned(types.isEmpty() ? path : path + "." + types.get(0), chosen, role, types, need, false, false);
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
