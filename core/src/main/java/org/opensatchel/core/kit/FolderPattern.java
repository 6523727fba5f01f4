package org.opensatchel.core.kit;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.opensatchel.base.path.NameFolding;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.naming.NamePattern;
import org.opensatchel.core.naming.RosterFields;

/** The path of a planned folder: a name pattern for each name on the way. */
public record FolderPattern(String text, List<NamePattern> names) {

    public FolderPattern {
        names = List.copyOf(names);
    }

    /** The reading of a path that is known to be good. */
    public static FolderPattern of(String text) {
        List<NamePattern> names = new ArrayList<>();
        for (String name : text.split("/", -1)) {
            names.add(NamePattern.of(name));
        }
        return new FolderPattern(text, names);
    }

    /** Whether the path stands for itself. */
    public boolean isLiteral() {
        return names.stream().allMatch(name -> name.isMadeByRoster() && name.rosterFields().isEmpty());
    }

    /** Whether everybody's path is known: nobody chooses a part of it. */
    public boolean isMadeByRoster() {
        return names.stream().allMatch(NamePattern::isMadeByRoster);
    }

    /** The one path this makes for a student or team, empty where free fields or missing ones stand in it. */
    public Optional<ProjectPath> make(RosterFields fields, boolean ascii) {
        List<String> made = new ArrayList<>();
        for (NamePattern name : names) {
            Optional<String> text = name.make(fields, ascii);
            if (text.isEmpty()) {
                return Optional.empty();
            }
            made.add(text.get());
        }
        return Optional.of(ProjectPath.of(made));
    }

    /** The path as this student's could be, as {@link NamePattern#example} makes each name. */
    public String example(RosterFields fields, boolean ascii) {
        return names.stream().map(name -> name.example(fields, ascii)).collect(Collectors.joining("/"));
    }

    public boolean fits(ProjectPath folder, RosterFields fields, boolean ascii) {
        return folder.depth() == names.size() && startFits(folder, fields, ascii);
    }

    /** Whether the folder stands on the way to a folder this plans. */
    public boolean isReachedThrough(ProjectPath folder, RosterFields fields, boolean ascii) {
        return folder.depth() < names.size() && startFits(folder, fields, ascii);
    }

    private boolean startFits(ProjectPath folder, RosterFields fields, boolean ascii) {
        List<String> found = folder.names();
        for (int i = 0; i < found.size(); i++) {
            if (!names.get(i).fits(found.get(i), fields, ascii)) {
                return false;
            }
        }
        return true;
    }

    /** How many of its names anybody may fill; of two rules that fit one folder, the one with fewer is meant. */
    public int freedom() {
        return (int) names.stream().filter(name -> !name.isMadeByRoster()).count();
    }

    /** What two rules must not share. */
    public String key() {
        return NameFolding.folded(text);
    }
}
