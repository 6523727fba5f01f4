package org.opensatchel.formats.described.learn;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.regex.Pattern;
import org.opensatchel.base.path.LinkAddress;
import org.opensatchel.base.path.NameFolding;
import org.opensatchel.base.path.ProjectPath;

/** An example's files as values are held against them: by path, by name, by number, and by where the project lay. */
final class ExampleFiles {

    private static final int CROWD = 200;
    private static final int MOST_SETS = 1_000;
    /** What stands where a number does: signs alone, or a few letters between signs. */
    private static final Pattern MARK = Pattern
            .compile("[^\\p{L}\\p{N}]{1,12}|[^\\p{L}\\p{N}]{1,2}[\\p{L}\\p{N}:-]{1,12}[^\\p{L}\\p{N}]{0,2}");

    private final Map<String, ProjectPath> files = new HashMap<>();
    private final Set<String> folders = new HashSet<>();
    private final Map<String, List<ProjectPath>> byName = new HashMap<>();
    private final Map<String, Map<String, NumberedNames>> sets = new HashMap<>();
    private final Optional<String> rootName;
    private final Map<String, Set<String>> votes = new TreeMap<>();
    private final Map<String, LinkAddress> voters = new HashMap<>();
    private Optional<LinkAddress> location;

    /** Files of one folder whose names differ in one number alone. */
    private record NumberedNames(String before, String after, int[] count) {}

    ExampleFiles(Example example) {
        rootName = example.rootName();
        location = example.location();
        for (ProjectPath file : example.files()) {
            files.put(key(file.names()), file);
            byName.computeIfAbsent(NameFolding.composed(file.name()), name -> new ArrayList<>(1)).add(file);
            for (ProjectPath folder = file.parent(); !folder.isRoot() && folders.add(key(folder.names()));) {
                folder = folder.parent();
            }
            number(file);
        }
        byName.values().forEach(paths -> paths.sort(null));
    }

    private void number(ProjectPath file) {
        String name = NameFolding.composed(file.name());
        int end = name.length();
        while (end > 0 && !isDigit(name.charAt(end - 1))) {
            end--;
        }
        int begin = end;
        while (begin > 0 && isDigit(name.charAt(begin - 1))) {
            begin--;
        }
        if (begin < end) {
            String before = name.substring(0, begin);
            String after = name.substring(end);
            Map<String, NumberedNames> there = sets.computeIfAbsent(key(file.parent().names()), folder -> new TreeMap<>());
            if (there.size() < MOST_SETS) {
                there.computeIfAbsent(before + "/" + after, key -> new NumberedNames(before, after, new int[1])).count[0]++;
            }
        }
    }

    private static boolean isDigit(char c) {
        return c >= '0' && c <= '9';
    }

    private static String key(List<String> names) {
        return NameFolding.composed(String.join("/", names));
    }

    Optional<ProjectPath> file(List<String> names) {
        return Optional.ofNullable(files.get(key(names)));
    }

    boolean isFolder(List<String> names) {
        return names.isEmpty() || folders.contains(key(names));
    }

    /** Whether a text is the path of a folder, from the root or as its last names. */
    boolean mayBeFolder(String text) {
        return folders.contains(NameFolding.composed(text));
    }

    /** The files of a name anywhere; none where they are a crowd. */
    List<ProjectPath> named(String name) {
        List<ProjectPath> found = byName.getOrDefault(NameFolding.composed(name), List.of());
        return found.size() > CROWD ? List.of() : found;
    }

    /** How the number of a set is written in the last name of a path that stands for one. */
    Optional<String> mark(List<String> names) {
        if (names.isEmpty()) {
            return Optional.empty();
        }
        String name = NameFolding.composed(names.get(names.size() - 1));
        for (NumberedNames set : sets.getOrDefault(key(names.subList(0, names.size() - 1)), Map.of()).values()) {
            int middle = name.length() - set.before.length() - set.after.length();
            if (set.count[0] > 1 && middle > 0 && name.startsWith(set.before) && name.endsWith(set.after)) {
                String mark = name.substring(set.before.length(), set.before.length() + middle);
                if (MARK.matcher(mark).matches()) {
                    return Optional.of(mark);
                }
            }
        }
        return Optional.empty();
    }

    /** Lets a whole path speak for every place under which it would lead to a file here. */
    void hear(LinkAddress address) {
        List<String> names = address.names();
        for (int count = 0; location.isEmpty() && count < names.size(); count++) {
            List<String> rest = names.subList(count, names.size());
            Optional<ProjectPath> found = file(rest).or(() -> mark(rest).map(mark -> ProjectPath.of(rest)));
            if (found.isPresent()) {
                String prefix = address.prefixKey(count);
                votes.computeIfAbsent(prefix, key -> new HashSet<>()).add(found.get().text());
                voters.putIfAbsent(prefix, new LinkAddress(address.form(), address.anchor(), names.subList(0, count), false));
            }
        }
    }

    /** Settles where the project lay: where most files are agreed on; one is enough under the root's own name. */
    void settle() {
        if (location.isPresent()) {
            return;
        }
        String best = null;
        for (Map.Entry<String, Set<String>> vote : votes.entrySet()) {
            LinkAddress place = voters.get(vote.getKey());
            boolean own = rootName.filter(name -> NameFolding.folded(name).equals(NameFolding.folded(place.name()))).isPresent();
            boolean enough = vote.getValue().size() > 1 || own;
            if (enough && (best == null || vote.getValue().size() > votes.get(best).size())) {
                best = vote.getKey();
            }
        }
        location = Optional.ofNullable(best).map(voters::get);
    }

    Optional<LinkAddress> location() {
        return location;
    }

    /** What is below the project's place in a whole path; empty where that leads elsewhere. */
    Optional<List<String>> below(LinkAddress address) {
        return location.filter(place -> place.names().size() <= address.names().size()
                && place.prefixKey(place.names().size()).equals(address.prefixKey(place.names().size())))
                .map(place -> address.names().subList(place.names().size(), address.names().size()));
    }
}
