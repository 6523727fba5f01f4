package org.opensatchel.core.resolve;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.opensatchel.base.path.NameFolding;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.finding.Candidate;
import org.opensatchel.core.finding.Reason;
import org.opensatchel.core.naming.EditDistance;
import org.opensatchel.core.project.ProjectFile;
import org.opensatchel.core.project.ProjectTree;

/**
 * Files whose names are nearly that of a file that is not there: another version, another ending, a letter or two off.
 * Names are compared letter by letter only where length and letters leave a chance, and in all only so often: in a
 * project where everything is broken, the last links are not worth minutes.
 */
final class NearNames {

    /** Further than their folder, names are compared only in projects of up to this many files. */
    private static final int SMALL_PROJECT = 3_000;
    private static final int MOST_OF_A_KIND = 100;
    /** What may be spent in all, in looks at a name; a comparison letter by letter costs as much as many looks. */
    private static final long MOST_SPENT = 400_000_000;
    private static final int COMPARISON = 100;
    private static final Pattern NUMBERS = Pattern.compile("[0-9]+");
    private static final Pattern VERSION = Pattern.compile("v[0-9]+");

    /** One name, with what tells at a glance that another is far from it. */
    private record Name(ProjectPath path, String folded, String extension, String withoutNumbers, long letters) {

        static Name of(ProjectPath path) {
            String folded = NameFolding.folded(path.name());
            return new Name(path, folded, path.extension(), NUMBERS.matcher(folded).replaceAll(""), lettersOf(folded));
        }

        /** Two names that differ in their numbers alone are two takes or two frames, not a typing slip. */
        boolean differsInNumbersAlone(Name other) {
            return withoutNumbers.equals(other.withoutNumbers) && !folded.isEmpty() && !Character.isDigit(folded.charAt(0))
                    && folded.charAt(0) != '.';
        }

        /** The name with its version numbers left out; empty where it has none. */
        String unversioned() {
            String bare = VERSION.matcher(folded).replaceAll("v");
            return bare.equals(folded) ? "" : path.parent() + "/" + bare;
        }
    }

    /** The names of a folder, or of a whole small project. */
    private static final class Group {
        private final List<Name> names = new ArrayList<>();
        /** The letters of each name once more, close together: most names are passed over by them alone. */
        private long[] letters;
        private final Map<String, List<Name>> byStem = new HashMap<>();
        private final Map<String, List<Name>> versions = new HashMap<>();

        static Group of(List<ProjectFile> files) {
            Group group = new Group();
            files.forEach(file -> group.add(Name.of(file.path())));
            group.letters = group.names.stream().mapToLong(Name::letters).toArray();
            return group;
        }

        private void add(Name name) {
            names.add(name);
            byStem.computeIfAbsent(NameFolding.folded(name.path.stem()), key -> new ArrayList<>(1)).add(name);
            if (!name.unversioned().isEmpty()) {
                versions.computeIfAbsent(name.unversioned(), key -> new ArrayList<>(1)).add(name);
            }
        }
    }

    private final ProjectTree tree;
    private final Map<ProjectPath, Group> groups = new HashMap<>();
    private long spent;

    NearNames(ProjectTree tree) {
        this.tree = tree;
    }

    boolean isExhausted() {
        return spent > MOST_SPENT;
    }

    List<Candidate> of(ProjectPath path) {
        boolean small = tree.count() <= SMALL_PROJECT;
        Group group = groups.computeIfAbsent(small ? ProjectPath.ROOT : path.parent(),
                folder -> Group.of(small ? tree.files() : tree.filesIn(folder)));
        Name wanted = Name.of(path);
        List<Candidate> found = new ArrayList<>();
        if (!wanted.unversioned().isEmpty()) {
            group.versions.getOrDefault(wanted.unversioned(), List.of()).stream()
                    .filter(other -> other.differsInNumbersAlone(wanted) && !other.folded.equals(wanted.folded))
                    .limit(MOST_OF_A_KIND).forEach(other -> found.add(new Candidate(other.path, Reason.OTHER_VERSION, 0.55)));
        }
        if (path.stem().length() > 1) {
            group.byStem.getOrDefault(NameFolding.folded(path.stem()), List.of()).stream()
                    .filter(other -> !other.extension.equals(wanted.extension))
                    .limit(MOST_OF_A_KIND)
                    .forEach(other -> found.add(new Candidate(other.path, Reason.OTHER_ENDING, 0.5 + near(path, other.path))));
        }
        slips(group, wanted, found);
        return found;
    }

    private void slips(Group group, Name wanted, List<Candidate> found) {
        int length = wanted.folded.length();
        int stem = wanted.path.stem().length();
        // Of a name of two letters every other one is a letter or two off.
        int allowed = stem < 3 ? 0 : stem < 5 ? 1 : 2;
        if (allowed == 0) {
            return;
        }
        for (int i = 0; i < group.letters.length; i++) {
            if (spent++ > MOST_SPENT) {
                return;
            }
            if (Long.bitCount(wanted.letters ^ group.letters[i]) > 2 * allowed) {
                continue;
            }
            Name other = group.names.get(i);
            if (Math.abs(length - other.folded.length()) <= allowed && other.extension.equals(wanted.extension)
                    && !other.differsInNumbersAlone(wanted)) {
                // The letters near the diagonal, and the row that is set up for them.
                spent += COMPARISON + 2L * length;
                int apart = EditDistance.within(wanted.folded, other.folded, allowed);
                if (apart > 0 && apart <= allowed) {
                    found.add(new Candidate(other.path, apart == 1 ? Reason.ONE_LETTER : Reason.TWO_LETTERS,
                            (apart == 1 ? 0.72 : 0.58) + near(wanted.path, other.path)));
                }
            }
        }
    }

    private static double near(ProjectPath wanted, ProjectPath other) {
        return wanted.parent().equals(other.parent()) ? 0.06 : 0;
    }

    /** Which letters and digits a name holds, as bits: a letter more, less or changed turns at most two of them. */
    private static long lettersOf(String name) {
        long bits = 0;
        for (int i = 0; i < name.length(); i++) {
            bits |= 1L << (name.charAt(i) & 63);
        }
        return bits;
    }
}
