package org.opensatchel.base.path;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * A path inside a project, relative to its root, with {@code /} between the names; the root itself is the empty path.
 * The names keep the Unicode form and the letter case they came in. Never a {@link java.nio.file.Path}: the host's own
 * path syntax must not decide what a student's name means.
 */
public record ProjectPath(String text) implements Comparable<ProjectPath> {

    public static final ProjectPath ROOT = new ProjectPath("");
    /** The longest path that any of the systems opens, in characters. */
    public static final int LONGEST = 32_767;

    public static ProjectPath of(String text) {
        return text.isEmpty() ? ROOT : new ProjectPath(text);
    }

    public static ProjectPath of(List<String> names) {
        return of(String.join("/", names));
    }

    public boolean isRoot() {
        return text.isEmpty();
    }

    /** Whether this lies beside the root, in a companion: its first name is {@code ..}, and no folder's whose name only begins so. */
    public boolean isBesideRoot() {
        return text.startsWith("../") || text.equals("..");
    }

    /** The last name, with its extension. */
    public String name() {
        return text.substring(text.lastIndexOf('/') + 1);
    }

    /** The folder this lies in; the root is its own parent. */
    public ProjectPath parent() {
        int slash = text.lastIndexOf('/');
        return slash < 0 ? ROOT : new ProjectPath(text.substring(0, slash));
    }

    /** The folders on the way to it, the topmost first, each made only when it is asked for. */
    public Stream<ProjectPath> folders() {
        return IntStream.iterate(text.indexOf('/'), slash -> slash >= 0, slash -> text.indexOf('/', slash + 1))
                .mapToObj(slash -> new ProjectPath(text.substring(0, slash)));
    }

    /** Whether its name begins with a dot. */
    public boolean isHidden() {
        int at = text.lastIndexOf('/') + 1;
        return at < text.length() && text.charAt(at) == '.';
    }

    /** The name without its extension. */
    public String stem() {
        String name = name();
        int dot = name.lastIndexOf('.');
        return dot <= 0 ? name : name.substring(0, dot);
    }

    /** The extension in lower case without its dot, empty where there is none; a leading dot makes no extension. */
    public String extension() {
        int dot = text.lastIndexOf('.');
        return dot <= text.lastIndexOf('/') + 1 ? "" : text.substring(dot + 1).toLowerCase(java.util.Locale.ROOT);
    }

    /** The path in the form in which two are compared; what is shown keeps its own. */
    public ProjectPath composed() {
        String same = NameFolding.composed(text);
        return same.equals(text) ? this : new ProjectPath(same);
    }

    public List<String> names() {
        return isRoot() ? List.of() : Arrays.asList(text.split("/", -1));
    }

    /** How many names it has; 0 for the root. */
    public int depth() {
        int depth = isRoot() ? 0 : 1;
        for (int slash = text.indexOf('/'); slash >= 0; slash = text.indexOf('/', slash + 1)) {
            depth++;
        }
        return depth;
    }

    public ProjectPath child(String name) {
        return isRoot() ? new ProjectPath(name) : new ProjectPath(text + "/" + name);
    }

    public ProjectPath child(ProjectPath below) {
        return below.isRoot() ? this : child(below.text);
    }

    /** Whether this is the folder itself or lies somewhere below it. */
    public boolean isWithin(ProjectPath folder) {
        return folder.isRoot() || text.equals(folder.text)
                || (text.length() > folder.text.length() && text.startsWith(folder.text) && text.charAt(folder.text.length()) == '/');
    }

    /** Whether this lies below the folder and is not the folder. */
    public boolean isBelow(ProjectPath folder) {
        return !equals(folder) && isWithin(folder);
    }

    /** This path as seen from a folder it lies in. */
    public ProjectPath from(ProjectPath folder) {
        if (!isWithin(folder)) {
            throw new IllegalArgumentException(text + " does not lie in " + folder.text);
        }
        if (folder.isRoot()) {
            return this;
        }
        return equals(folder) ? ROOT : new ProjectPath(text.substring(folder.text.length() + 1));
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof ProjectPath path && text.equals(path.text);
    }

    /** The text's own, which it remembers: paths are looked up very often. */
    @Override
    public int hashCode() {
        return text.hashCode();
    }

    @Override
    public int compareTo(ProjectPath other) {
        return text.compareTo(other.text);
    }

    @Override
    public String toString() {
        return text;
    }
}
